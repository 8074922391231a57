package app.navlo.server;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One person's browser without a screen: keeps cookies, sends the CSRF token, reads JSON. */
final class TestClient {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final CookieManager cookies;
    private final HttpClient http;
    private final String base;

    TestClient(int port) {
        this(port, new CookieManager());
    }

    private TestClient(int port, CookieManager cookies) {
        this.cookies = cookies;
        this.http = HttpClient.newBuilder().cookieHandler(cookies).build();
        this.base = "http://localhost:" + port;
    }

    /** The same browser at another instance, as a proxy leads it there. */
    TestClient at(int port) {
        return new TestClient(port, cookies);
    }

    record Answer(int status, String body, HttpResponse<byte[]> raw) {
        JsonNode json() {
            return JSON.readTree(body);
        }

        /** The first fault of problem details, or an empty text. */
        String fault() {
            return json().path("faults").path(0).path("message").asString("");
        }
    }

    static TestClient signedIn(int port, String email, String password) {
        TestClient client = new TestClient(port);
        client.get("/api/session");
        Answer answer = client.signIn(email, password);
        if (answer.status() != 204) {
            throw new IllegalStateException("not signed in: " + answer);
        }
        client.get("/api/session");
        return client;
    }

    Answer signIn(String email, String password) {
        return form("/api/session", "email", email, "password", password);
    }

    /** @param fields names and values in turn */
    Answer form(String path, String... fields) {
        StringBuilder body = new StringBuilder();
        for (int i = 0; i < fields.length; i += 2) {
            body.append(i == 0 ? "" : "&").append(fields[i]).append('=');
            body.append(URLEncoder.encode(fields[i + 1], StandardCharsets.UTF_8));
        }
        return send(request(path)
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body.toString())));
    }

    Answer get(String path) {
        return send(request(path).GET());
    }

    Answer send(String method, String path, String body, String... headers) {
        HttpRequest.Builder request = request(path).method(method, HttpRequest.BodyPublishers.ofString(body));
        if (!body.isEmpty()) {
            request.header("Content-Type", "application/json");
        }
        for (int i = 0; i < headers.length; i += 2) {
            request.setHeader(headers[i], headers[i + 1]);
        }
        return send(request);
    }

    /** A write with a key of its own. */
    Answer post(String path, String body, String... headers) {
        String[] all = new String[headers.length + 2];
        all[0] = "Idempotency-Key";
        all[1] = UUID.randomUUID().toString();
        System.arraycopy(headers, 0, all, 2, headers.length);
        return send("POST", path, body, all);
    }

    /** A write whose length nobody says beforehand. */
    Answer chunked(String path, String body) {
        return send(request(path)
                .header("Content-Type", "application/json")
                .header("Idempotency-Key", UUID.randomUUID().toString())
                .POST(HttpRequest.BodyPublishers.ofInputStream(
                        () -> new ByteArrayInputStream(body.getBytes(StandardCharsets.UTF_8)))));
    }

    /** A field of a form; with a file name it is a file. */
    record Part(String name, @Nullable String fileName, byte[] content) {
        static Part of(String name, String value) {
            return new Part(name, null, value.getBytes(StandardCharsets.UTF_8));
        }
    }

    Answer upload(String path, String fileName, byte[] content) {
        return form(path, List.of(new Part("file", fileName, content)));
    }

    /** A write of a form with a key of its own. @param fields an object of JSON; what is null in it is left out */
    Answer postForm(String path, String fields, Part... files) {
        return form(
                path, parts(fields, files), "Idempotency-Key", UUID.randomUUID().toString());
    }

    static List<Part> parts(String fields, Part... files) {
        List<Part> parts = new ArrayList<>();
        JSON.readTree(fields).propertyStream().forEach(field -> {
            if (!field.getValue().isNull()) {
                parts.add(Part.of(field.getKey(), field.getValue().asString()));
            }
        });
        parts.addAll(List.of(files));
        return parts;
    }

    Answer form(String path, List<Part> parts, String... headers) {
        String boundary = "part" + UUID.randomUUID();
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        for (Part part : parts) {
            String file = part.fileName() == null
                    ? ""
                    : "; filename=\"" + part.fileName() + "\"\r\nContent-Type: application/octet-stream";
            String head = "--" + boundary + "\r\nContent-Disposition: form-data; name=\"" + part.name() + "\"" + file
                    + "\r\n\r\n";
            body.writeBytes(head.getBytes(StandardCharsets.UTF_8));
            body.writeBytes(part.content());
            body.writeBytes("\r\n".getBytes(StandardCharsets.UTF_8));
        }
        body.writeBytes(("--" + boundary + "--\r\n").getBytes(StandardCharsets.UTF_8));
        HttpRequest.Builder request = request(path)
                .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray()));
        for (int i = 0; i < headers.length; i += 2) {
            request.setHeader(headers[i], headers[i + 1]);
        }
        return send(request);
    }

    Answer send(HttpRequest.Builder request) {
        try {
            HttpResponse<byte[]> raw = http.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
            return new Answer(raw.statusCode(), new String(raw.body(), StandardCharsets.UTF_8), raw);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** As a request's header has them. */
    String cookies() {
        return cookies.getCookieStore().getCookies().stream()
                .map(cookie -> cookie.getName() + "=" + cookie.getValue())
                .collect(Collectors.joining("; "));
    }

    private HttpCookie held(String name) {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals(name))
                .findFirst()
                .orElseThrow();
    }

    String cookie(String name) {
        return held(name).getValue();
    }

    /** Another value in a cookie that is there. */
    void setCookie(String name, String value) {
        held(name).setValue(value);
    }

    HttpRequest.Builder request(String path) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path));
        cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .map(HttpCookie::getValue)
                .findFirst()
                .ifPresent(token -> request.header("X-XSRF-TOKEN", token));
        return request;
    }
}
