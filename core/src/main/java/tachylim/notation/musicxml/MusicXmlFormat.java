package tachylim.notation.musicxml;

import java.util.List;
import tachylim.notation.score.Movement;
import tachylim.notation.score.Score;
import tachylim.notation.score.ScoreFormat;
import tachylim.notation.score.Wishes;
import tachylim.tempo.Tempo;

/** MusicXML, plain or compressed. */
public final class MusicXmlFormat implements ScoreFormat {

    @Override
    public String title() {
        return "MusicXML";
    }

    @Override
    public String ending() {
        return "musicxml";
    }

    @Override
    public List<String> endings() {
        return List.of("musicxml", "xml", "mxl");
    }

    @Override
    public String mediaType() {
        return "application/vnd.recordare.musicxml+xml";
    }

    @Override
    public boolean isOf(byte[] file) {
        return Container.isOne(file) || looksLikeXml(file);
    }

    /** A bracket after at most a byte-order mark and space; every second byte may be empty. */
    private static boolean looksLikeXml(byte[] file) {
        for (int i = 0; i < Math.min(file.length, 64); i++) {
            int b = file[i] & 0xff;
            if (b == '<') {
                return true;
            }
            if (b > ' ' && b != 0xef && b != 0xbb && b != 0xbf && b != 0xfe && b != 0xff) {
                return false;
            }
        }
        return false;
    }

    @Override
    public Score read(byte[] file, Wishes wishes) {
        return MusicXmlReader.read(Container.isOne(file) ? Container.score(file) : file);
    }

    @Override
    public byte[] write(String title, List<Movement> movements, Tempo tempo) {
        return MusicXmlWriter.write(title, movements);
    }

    @Override
    public void prepare() {
        MusicXmlReader.prepare();
    }
}
