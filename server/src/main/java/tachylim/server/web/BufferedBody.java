package tachylim.server.web;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Duration;
import tachylim.words.Reason;

/**
 * Lets a request begin only once its body is there: until then it holds a connection and no thread, so that bodies that come
 * slowly, or never, stop nobody else. One that is not there in time is refused. What goes to the readers of files is
 * larger and goes through as it comes, a few at a time.
 */
class BufferedBody implements Filter {

    /** A body of up to {@link Gate#MOST_BYTES} is there within this, or never; shorter than the connection's own patience. */
    static final Duration PATIENCE = Duration.ofSeconds(8);

    private static final String BODY = BufferedBody.class.getName();

    @Override
    public void doFilter(ServletRequest any, ServletResponse answer, FilterChain chain)
            throws IOException, ServletException {
        HttpServletRequest request = (HttpServletRequest) any;
        byte[] body = (byte[]) request.getAttribute(BODY);
        if (request.getDispatcherType() == DispatcherType.ASYNC && body != null) {
            chain.doFilter(new Arrived(request, () -> new ByteArrayInputStream(body)), answer);
        } else if (request.getDispatcherType() == DispatcherType.REQUEST
                && !Gate.isFile(request)
                && request.getContentLengthLong() > 0) {
            await(request, (HttpServletResponse) answer);
        } else {
            chain.doFilter(request, answer);
        }
    }

    private static void await(HttpServletRequest request, HttpServletResponse response) throws IOException {
        AsyncContext waiting = request.startAsync(request, response);
        waiting.setTimeout(PATIENCE.toMillis());
        waiting.addListener(new TooLate(request, response));
        request.getInputStream().setReadListener(new Arriving(request, waiting));
    }

    /** Collects what arrives, and goes on when all of it is there. */
    private static final class Arriving implements ReadListener {

        private final HttpServletRequest request;
        private final AsyncContext waiting;
        private final ServletInputStream in;
        private final ByteArrayOutputStream body = new ByteArrayOutputStream();
        private final byte[] some = new byte[8_192];

        Arriving(HttpServletRequest request, AsyncContext waiting) throws IOException {
            this.request = request;
            this.waiting = waiting;
            this.in = request.getInputStream();
        }

        @Override
        public void onDataAvailable() throws IOException {
            int read;
            while (in.isReady() && (read = in.read(some)) != -1) {
                body.write(some, 0, read);
            }
        }

        @Override
        public void onAllDataRead() {
            request.setAttribute(BODY, body.toByteArray());
            waiting.dispatch();
        }

        @Override
        public void onError(Throwable gone) {
            waiting.complete();
        }
    }

    /** Says so when the body was not there in time. */
    private record TooLate(HttpServletRequest request, HttpServletResponse response) implements AsyncListener {

        @Override
        public void onTimeout(AsyncEvent event) throws IOException {
            response.setHeader("Connection", "close");
            Gate.refuse(request, response, 408, Reason.of("refusal.bufferedBody.theRestOfThisRequestDidNot"));
            event.getAsyncContext().complete();
        }

        @Override
        public void onError(AsyncEvent event) {
            // Whoever sent this is gone; there is nobody to tell.
        }

        @Override
        public void onStartAsync(AsyncEvent event) {
            // Nothing to do: it is begun here.
        }

        @Override
        public void onComplete(AsyncEvent event) {
            // Nothing is held.
        }
    }
}
