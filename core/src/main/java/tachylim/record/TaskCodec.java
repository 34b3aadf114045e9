package tachylim.record;

import java.util.EnumMap;
import java.util.Map;
import tachylim.codec.Codec;
import tachylim.codec.Names;
import tachylim.passage.Section;
import tachylim.task.Ask;
import tachylim.task.Pulse;
import tachylim.task.Task;
import tachylim.tempo.Tempo;
import tachylim.words.Reason;

/** How a task stands in a document; what is as usual is left out. */
final class TaskCodec {

    private TaskCodec() {}

    static final Codec<Section> NOTES = Codec.object(
            notes -> new Section(notes.whole("first", Section::firstNote), notes.whole("last", Section::lastNote)));

    private static final Codec<Ask> ASK = Codec.object(
            ask -> new Ask(ask.get("kind", StoredNames.ASK, Ask::kind), ask.get("of", Codec.WHOLE.or(1), Ask::of)));

    private static final Names<Pulse.Kind> PULSE_NAMES = new Names<>(
            Pulse.Kind.class,
            Map.of(
                    Pulse.Kind.STEADY,
                    "steady",
                    Pulse.Kind.RECOUNTED,
                    "recounted",
                    Pulse.Kind.SWITCHING,
                    "switching",
                    Pulse.Kind.GLIDING,
                    "gliding",
                    Pulse.Kind.DROPPING_OUT,
                    "dropping-out",
                    Pulse.Kind.FREE,
                    "free"));

    private static final Map<Pulse.Kind, Codec<? extends Pulse>> PULSES = new EnumMap<>(Map.of(
            Pulse.Kind.STEADY,
            Codec.<Pulse.Steady>object(pulse -> new Pulse.Steady(pulse.get("set", Tempo.CODEC, Pulse.Steady::set))),
            Pulse.Kind.RECOUNTED,
            Codec.<Pulse.Recounted>object(pulse -> new Pulse.Recounted(
                    pulse.get("set", Tempo.CODEC, Pulse.Recounted::set),
                    pulse.number("beatsPerClick", Pulse.Recounted::beatsPerClick))),
            Pulse.Kind.SWITCHING,
            Codec.<Pulse.Switching>object(pulse -> new Pulse.Switching(
                    pulse.get("set", Tempo.CODEC, Pulse.Switching::set),
                    pulse.whole("spread", Pulse.Switching::spread),
                    pulse.whole("from", Pulse.Switching::from),
                    pulse.whole("quick", Pulse.Switching::quick))),
            Pulse.Kind.GLIDING,
            Codec.<Pulse.Gliding>object(pulse -> new Pulse.Gliding(
                    pulse.get("set", Tempo.CODEC, Pulse.Gliding::set),
                    pulse.get("top", Tempo.CODEC, Pulse.Gliding::top),
                    pulse.number("up", Pulse.Gliding::up),
                    pulse.number("hold", Pulse.Gliding::hold))),
            Pulse.Kind.DROPPING_OUT,
            Codec.<Pulse.DroppingOut>object(pulse -> new Pulse.DroppingOut(
                    pulse.get("set", Tempo.CODEC, Pulse.DroppingOut::set),
                    pulse.whole("with", Pulse.DroppingOut::with),
                    pulse.whole("without", Pulse.DroppingOut::without))),
            Pulse.Kind.FREE,
            Codec.<Pulse.Free>object(pulse -> new Pulse.Free(
                    pulse.get("set", Tempo.CODEC, Pulse.Free::set), pulse.number("seconds", Pulse.Free::seconds)))));

    private static final Codec<Pulse> PULSE =
            Codec.family("is", pulse -> PULSE_NAMES.name(pulse.kind()), name -> PULSES.get(PULSE_NAMES.value(name)));

    static final Codec<Task> TASK = Codec.object(task -> new Task(
            task.get("kind", StoredNames.PASS_KIND, Task::kind),
            task.get("pulse", PULSE, Task::pulse),
            task.get("notes", NOTES.optional(), Task::notes),
            task.get("mode", Reason.CODEC.or(Reason.NONE), Task::manner),
            task.get("ask", ASK.or(Ask.VERDICT), Task::ask)));
}
