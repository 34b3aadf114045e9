package tachylim.e2e;

import com.google.gson.Gson;
import com.google.gson.JsonObject;
import java.io.IOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.Map;
import java.util.function.Supplier;

/** A client of the API without a browser: keeps cookies and says plainly when there was no answer. */
final class Client {

    private static final Gson JSON = new Gson();
    private static final Duration PATIENCE = Duration.ofSeconds(8);

    private final Supplier<String> base;
    private final CookieManager cookies;
    private final HttpClient http;

    Client(String base) {
        this(() -> base);
    }

    /** A client that goes in by another door each time; all of them lead to the same. */
    Client(Supplier<String> base) {
        this(base, new CookieManager());
    }

    private Client(Supplier<String> base, CookieManager cookies) {
        this.base = base;
        this.cookies = cookies;
        this.http = HttpClient.newBuilder()
                .cookieHandler(cookies)
                .connectTimeout(PATIENCE)
                .build();
    }

    /** The same browser by another door. */
    Client through(String door) {
        return new Client(() -> door, cookies);
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

    private Reply send(String method, String path, Object body) {
        return send(base.get(), method, path, body);
    }

    /** Goes in by this door, whatever the usual one is. */
    Reply postAt(String door, String path, Object body) {
        return send(door, "POST", path, body);
    }

    private Reply send(String door, String method, String path, Object body) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(door + path))
                .timeout(PATIENCE)
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
            return new Reply(0, new JsonObject());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    Client register(String name) {
        get("/api/greeting");
        Reply registered =
                post("/api/account", Map.of("name", name, "password", Musician.PASSWORD, "zone", "Europe/Lisbon"));
        if (!registered.ok()) {
            throw new IllegalStateException("Registering was answered with " + registered);
        }
        return this;
    }

    Client signIn(String name) {
        get("/api/greeting");
        post("/api/session", Map.of("name", name, "password", Musician.PASSWORD, "zone", "Europe/Lisbon"));
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

    /** A new passage, and the id of its one piece. */
    long newPiece(String title) {
        Reply made = post("/api/passages", passage(title));
        return made.json()
                .getAsJsonObject("passage")
                .getAsJsonArray("pieces")
                .get(0)
                .getAsJsonObject()
                .get("id")
                .getAsLong();
    }
}
