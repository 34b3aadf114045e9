package tachylim.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Somebody with a browser: keeps cookies, sends the token against forged requests, and reads JSON. */
public final class Player {

    public static final String PASSWORD = "a lantern at the quay";

    public static final String ZONE = "Europe/Lisbon";
    private static final JsonMapper JSON = new JsonMapper();

    private final String base;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient http =
            HttpClient.newBuilder().cookieHandler(cookies).build();
    private String name;

    Player(String base) {
        this.base = base;
        get("/api/greeting");
    }

    /** An answer: its status, its headers and its JSON, which is missing when there is none. */
    public record Reply(int status, HttpResponse<String> response, JsonNode json) {

        public String detail() {
            return json.path("detail").asString();
        }

        /** The JSON of a reply that must be a good one. */
        public JsonNode ok() {
            if (status >= 300) {
                throw new AssertionError("Refused with " + status + ": " + response.body());
            }
            return json;
        }
    }

    public Player register() {
        name = "player-" + UUID.randomUUID();
        post("/api/account", Map.of("name", name, "password", PASSWORD, "zone", "Europe/Lisbon"))
                .ok();
        return this;
    }

    public String name() {
        return name;
    }

    public Reply get(String path) {
        return send("GET", path, null, true);
    }

    public Reply post(String path, Object body) {
        return send("POST", path, body, true);
    }

    public Reply put(String path, Object body) {
        return send("PUT", path, body, true);
    }

    public Reply delete(String path) {
        return send("DELETE", path, null, true);
    }

    /** Sends a file as it is. */
    public Reply upload(String path, byte[] file) {
        return exchange(
                HttpRequest.newBuilder(URI.create(base + path))
                        .header("Content-Type", "application/octet-stream")
                        .POST(HttpRequest.BodyPublishers.ofByteArray(file)),
                true);
    }

    /** What an address gives, byte for byte. */
    public byte[] download(String path) {
        try {
            HttpResponse<byte[]> response = http.send(
                    HttpRequest.newBuilder(URI.create(base + path)).build(), HttpResponse.BodyHandlers.ofByteArray());
            if (response.statusCode() != 200) {
                throw new AssertionError("Answered with " + response.statusCode());
            }
            return response.body();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    /** The token against forged requests that the browser holds now. */
    public String token() {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .orElse("");
    }

    /** All cookies that the browser holds now, as a request brings them. */
    public String cookies() {
        return cookies.getCookieStore().getCookies().stream()
                .map(cookie -> cookie.getName() + "=" + cookie.getValue())
                .collect(Collectors.joining("; "));
    }

    /** A request with headers of its own. */
    public Reply sendWith(String method, String path, Object body, Map<String, String> headers) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path))
                .method(
                        method,
                        body == null
                                ? HttpRequest.BodyPublishers.noBody()
                                : HttpRequest.BodyPublishers.ofString(
                                        body instanceof String raw ? raw : JSON.writeValueAsString(body)));
        if (!headers.containsKey("Content-Type")) {
            request.header("Content-Type", "application/json");
        }
        headers.forEach(request::header);
        return exchange(request, true);
    }

    /** A request, with or without the token against forged ones. */
    public Reply send(String method, String path, Object body, boolean token) {
        String text = body == null ? null : body instanceof String raw ? raw : JSON.writeValueAsString(body);
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", "application/json")
                .method(
                        method,
                        text == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(text));
        return exchange(request, token);
    }

    private Reply exchange(HttpRequest.Builder request, boolean token) {
        if (token) {
            request.header("X-XSRF-TOKEN", token());
        }
        try {
            HttpResponse<String> response = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
            boolean json =
                    response.headers().firstValue("Content-Type").orElse("").contains("json");
            return new Reply(
                    response.statusCode(),
                    response,
                    json && !response.body().isEmpty() ? JSON.readTree(response.body()) : JSON.missingNode());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
