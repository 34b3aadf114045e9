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
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicBoolean;
import tachylim.words.Reason;

/**
 * Takes files in, from players who are signed in: onto the disk, without a thread, a few at a time and one of each player, at a
 * least rate and by a deadline. What is to be done with a file begins once all of it is there.
 */
class Uploads implements Filter {

    /** All of a file is there within this, or never. */
    static final Duration DEADLINE = Duration.ofMinutes(2);

    /** After so long at least {@link #LEAST_RATE} has come in each second. */
    static final Duration GRACE = Duration.ofSeconds(8);

    static final int LEAST_RATE = 8 * 1024;

    private static final int MOST_AT_ONCE = 16;

    private static final String FILE = Uploads.class.getName();

    private final Semaphore places = new Semaphore(MOST_AT_ONCE);
    private final Set<String> players = ConcurrentHashMap.newKeySet();

    @Override
    public void doFilter(ServletRequest any, ServletResponse answer, FilterChain chain)
            throws IOException, ServletException {
        HttpServletRequest request = (HttpServletRequest) any;
        Path file = (Path) request.getAttribute(FILE);
        if (request.getDispatcherType() == DispatcherType.ASYNC && file != null) {
            try (Arrived body = new Arrived(request, () -> new BufferedInputStream(Files.newInputStream(file)))) {
                chain.doFilter(body, answer);
            } finally {
                Files.deleteIfExists(file);
            }
        } else if (request.getDispatcherType() == DispatcherType.REQUEST
                && Gate.isFile(request)
                && request.getContentLengthLong() > 0) {
            begin(request, (HttpServletResponse) answer);
        } else {
            chain.doFilter(request, answer);
        }
    }

    private void begin(HttpServletRequest request, HttpServletResponse response) throws IOException {
        String player = String.valueOf(request.getRemoteUser());
        if (!players.add(player)) {
            Gate.refuse(request, response, 429, Reason.of("refusal.uploads.anotherFileOfYoursIsStill"));
            return;
        }
        if (!places.tryAcquire()) {
            players.remove(player);
            Gate.refuse(request, response, 429, Reason.of("refusal.uploads.otherFilesAreOnTheirWay"));
            return;
        }
        Path file = Files.createTempFile("upload", ".part");
        AsyncContext waiting = request.startAsync(request, response);
        waiting.setTimeout(DEADLINE.toMillis());
        Arriving arriving = new Arriving(request, waiting, file, player);
        waiting.addListener(arriving);
        request.getInputStream().setReadListener(arriving);
    }

    /** Collects what arrives, and goes on when all of it is there. */
    private final class Arriving implements ReadListener, AsyncListener {

        private final HttpServletRequest request;
        private final AsyncContext waiting;
        private final Path file;
        private final String player;
        private final ServletInputStream in;
        private final OutputStream out;
        private final long began = System.nanoTime();
        private final byte[] some = new byte[16 * 1024];
        private final AtomicBoolean over = new AtomicBoolean();
        private long bytes;

        Arriving(HttpServletRequest request, AsyncContext waiting, Path file, String player) throws IOException {
            this.request = request;
            this.waiting = waiting;
            this.file = file;
            this.player = player;
            this.in = request.getInputStream();
            this.out = Files.newOutputStream(file);
        }

        @Override
        public void onDataAvailable() throws IOException {
            int read;
            while (in.isReady() && (read = in.read(some)) != -1) {
                bytes += read;
                out.write(some, 0, read);
            }
            double seconds = (System.nanoTime() - began) / 1e9;
            if (seconds > GRACE.toSeconds() && bytes < LEAST_RATE * seconds) {
                late();
            }
        }

        @Override
        public void onAllDataRead() throws IOException {
            if (over(false)) {
                request.setAttribute(FILE, file);
                waiting.dispatch();
            }
        }

        @Override
        public void onError(Throwable gone) {
            if (over(true)) {
                waiting.complete();
            }
        }

        private void late() throws IOException {
            if (over(true)) {
                HttpServletResponse response = (HttpServletResponse) waiting.getResponse();
                response.setHeader("Connection", "close");
                Gate.refuse(request, response, 408, Reason.of("refusal.uploads.thisFileComesTooSlowly"));
                waiting.complete();
            }
        }

        /** Whether it was not over before: then its place is free, and what came of it stays only where it is read. */
        private boolean over(boolean deleting) {
            if (!over.compareAndSet(false, true)) {
                return false;
            }
            places.release();
            players.remove(player);
            try {
                out.close();
                if (deleting) {
                    Files.deleteIfExists(file);
                }
            } catch (IOException full) {
                throw new UncheckedIOException(full);
            }
            return true;
        }

        @Override
        public void onTimeout(AsyncEvent event) throws IOException {
            late();
        }

        @Override
        public void onError(AsyncEvent event) {
            over(true);
        }

        @Override
        public void onStartAsync(AsyncEvent event) {
            // Nothing to do: it is begun here.
        }

        @Override
        public void onComplete(AsyncEvent event) {
            over(true);
        }
    }
}
