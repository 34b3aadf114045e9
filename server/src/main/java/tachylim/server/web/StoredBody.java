package tachylim.server.web;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/** A request whose body lies in a file, as if it had just come. */
final class StoredBody extends HttpServletRequestWrapper implements AutoCloseable {

    private final Path file;
    private Stream stream;

    StoredBody(HttpServletRequest request, Path file) {
        super(request);
        this.file = file;
    }

    @Override
    public DispatcherType getDispatcherType() {
        return DispatcherType.REQUEST;
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
        if (stream == null) {
            stream = new Stream(new BufferedInputStream(Files.newInputStream(file)));
        }
        return stream;
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
