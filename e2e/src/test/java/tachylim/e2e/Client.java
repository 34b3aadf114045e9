package tachylim.e2e;

import com.google.gson.Gson;
import com.google.gson.JsonObject;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;

/** A client of the API without a browser: keeps cookies and says plainly when there was no answer. */
final class Client {

    private static final Gson JSON = new Gson();
    /** As long as the pages wait before they ask again. */
    private static final Duration PATIENCE = Duration.ofSeconds(8);

    /** A server that has just started takes longer with what it has never done, the more so on a busy machine. */
    private static final Duration LONG = Duration.ofMinutes(3);

    private final Supplier<String> base;
    private final CookieManager cookies;
    private final Duration patience;
    private final HttpClient http;

    Client(String base) {
        this(() -> base);
    }

    /** A client that goes in by another door each time; all of them lead to the same. */
    Client(Supplier<String> base) {
        this(base, new CookieManager(), PATIENCE);
    }

    private Client(Supplier<String> base, CookieManager cookies, Duration patience) {
        this.base = base;
        this.cookies = cookies;
        this.patience = patience;
        this.http = HttpClient.newBuilder()
                .cookieHandler(cookies)
                .connectTimeout(patience)
                .build();
    }

    /** The same browser by another door. */
    Client through(String door) {
        return new Client(() -> door, cookies, patience);
    }

    /** The same browser, for whoever only wants to know what is answered, and not how soon. */
    Client patient() {
        return new Client(base, cookies, LONG);
    }

    /** Whoever gets no answer lets a little time go by before asking again, as the page does. */
    static void holdBack() {
        after(Duration.ofMillis(100), () -> {});
    }

    /** Does something when so much time has gone by: how long things take is part of what is played here. */
    static void after(Duration time, Runnable what) {
        CompletableFuture.runAsync(what, CompletableFuture.delayedExecutor(time.toMillis(), TimeUnit.MILLISECONDS))
                .join();
    }

    /** An answer; status 0 when there was none. */
    record Reply(int status, JsonObject json) {

        boolean ok() {
            return status >= 200 && status < 300;
        }
    }

    Reply get(String path) {
        return send("GET", path, null);
    }

    Reply post(String path, Object body) {
        return send("POST", path, body);
    }

    Reply put(String path, Object body) {
        return send("PUT", path, body);
    }

    Reply delete(String path) {
        return send("DELETE", path, null);
    }

    /** What stands at an address, as text. */
    String text(String path) {
        try {
            return http.send(
                            HttpRequest.newBuilder(URI.create(base.get() + path))
                                    .timeout(patience)
                                    .build(),
                            HttpResponse.BodyHandlers.ofString())
                    .body();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private Reply send(String method, String path, Object body) {
        return send(base.get(), method, path, body);
    }

    /** Goes in by this door, whatever the usual one is. */
    Reply postAt(String door, String path, Object body) {
        return send(door, "POST", path, body);
    }

    private Reply send(String door, String method, String path, Object body) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(door + path))
                .timeout(patience)
                .method(
                        method,
                        body == null
                                ? HttpRequest.BodyPublishers.noBody()
                                : HttpRequest.BodyPublishers.ofString(JSON.toJson(body)));
        if (body != null) {
            request.header("Content-Type", "application/json");
        }
        cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .ifPresent(token -> request.header("X-XSRF-TOKEN", token));
        try {
            HttpResponse<String> answer = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
            boolean json =
                    answer.headers().firstValue("Content-Type").orElse("").contains("json")
                            && answer.body().startsWith("{");
            return new Reply(
                    answer.statusCode(), json ? JSON.fromJson(answer.body(), JsonObject.class) : new JsonObject());
        } catch (IOException none) {
            JsonObject why = new JsonObject();
            why.addProperty("none", method + " " + path + ": " + none);
            return new Reply(0, why);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    Client register(String name) {
        return enter("/api/account", name);
    }

    Client signIn(String name) {
        return enter("/api/session", name);
    }

    private Client enter(String path, String name) {
        Client patient = patient();
        patient.get("/api/greeting");
        Reply entered =
                patient.post(path, Map.of("name", name, "password", Musician.PASSWORD, "zone", "Europe/Lisbon"));
        if (!entered.ok()) {
            throw new IllegalStateException(path + " was answered with " + entered);
        }
        return this;
    }

    /** A passage of one bar on paper, as it is asked for. */
    static Map<String, Object> passage(String title) {
        Map<String, Object> music =
                Map.of("source", "PAPER", "meter", "4/4", "beatUnit", "1/4", "text", "4", "bars", 1);
        return Map.of(
                "title",
                title,
                "instrument",
                "MALLET",
                "music",
                music,
                "targetBpm",
                138,
                "cleanAt",
                110,
                "played",
                true,
                "version",
                0);
    }

    /** A new passage, and the id of its one section. */
    long newSection(String title) {
        Reply made = patient().post("/api/passages", passage(title));
        return made.json()
                .getAsJsonObject("passage")
                .getAsJsonArray("sections")
                .get(0)
                .getAsJsonObject()
                .get("id")
                .getAsLong();
    }
}
