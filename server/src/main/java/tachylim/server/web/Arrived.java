package tachylim.server.web;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;

/** A request as if it had just come, with all of its body at hand. */
final class Arrived extends HttpServletRequestWrapper implements AutoCloseable {

    private final Body body;
    private Stream stream;

    /** Where the body lies. */
    interface Body {
        InputStream open() throws IOException;
    }

    Arrived(HttpServletRequest request, Body body) {
        super(request);
        this.body = body;
    }

    /** To all that follows this is the first time: no filter may pass it by as one that was looked at before. */
    @Override
    public DispatcherType getDispatcherType() {
        return DispatcherType.REQUEST;
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
        if (stream == null) {
            stream = new Stream(body.open());
        }
        return stream;
    }

    @Override
    public BufferedReader getReader() throws IOException {
        return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
    }

    @Override
    public void close() throws IOException {
        if (stream != null) {
            stream.close();
        }
    }

    private static final class Stream extends ServletInputStream {

        private final InputStream in;
        private boolean finished;

        Stream(InputStream in) {
            this.in = in;
        }

        @Override
        public int read() throws IOException {
            int read = in.read();
            finished = read < 0;
            return read;
        }

        @Override
        public int read(byte[] to, int from, int most) throws IOException {
            int read = in.read(to, from, most);
            finished = read < 0;
            return read;
        }

        @Override
        public boolean isFinished() {
            return finished;
        }

        @Override
        public boolean isReady() {
            return true;
        }

        @Override
        public void setReadListener(ReadListener listener) {
            throw new IllegalStateException("This body is there already");
        }

        @Override
        public void close() throws IOException {
            in.close();
        }
    }
}
