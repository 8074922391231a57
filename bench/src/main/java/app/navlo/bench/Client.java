package app.navlo.bench;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Mira, signed in over HTTP, with as much work as is wanted. */
final class Client {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final CookieManager cookies = new CookieManager();
    private final HttpClient http =
            HttpClient.newBuilder().cookieHandler(cookies).build();
    private final String base;

    Client(String base) throws IOException, InterruptedException {
        this.base = base;
        get("/api/session");
        send(request("/api/session")
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString("email=mira@thornmere.example&password=garden-gate-24")));
        get("/api/session");
    }

    String get(String path) throws IOException, InterruptedException {
        return send(request(path).header("Accept-Encoding", "gzip").GET());
    }

    /** Adds work by a calendar, so that the board has {@code total} pieces. */
    void fillTo(int total) throws IOException, InterruptedException {
        String board = send(request("/api/students/1/board").GET());
        int missing = total - JSON.readTree(board).at("/counts/total").asInt();
        if (missing <= 0) {
            return;
        }
        StringBuilder calendar = new StringBuilder("BEGIN:VCALENDAR\nX-WR-CALNAME:Filler\n");
        for (int i = 0; i < missing; i++) {
            calendar.append(
                    "BEGIN:VEVENT\nUID:filler-%d\nSUMMARY:Filler %d: a piece of work\nDTSTART;VALUE=DATE:2026%s%02d\nEND:VEVENT\n"
                            .formatted(i, i, i % 3 == 0 ? "11" : "12", 1 + i % 28));
        }
        JsonNode preview =
                JSON.readTree(upload(calendar.append("END:VCALENDAR\n").toString()));
        String options = "{\"courseId\":null,\"newCourse\":\"Filler\",\"byCategory\":false,\"leave\":[]}";
        send(request("/api/students/1/imports/" + preview.get("id").asLong() + "/application")
                .header("Content-Type", "application/json")
                .header("Idempotency-Key", UUID.randomUUID().toString())
                .POST(HttpRequest.BodyPublishers.ofString(
                        "{\"options\":" + options + ",\"fingerprint\":" + preview.get("fingerprint") + "}")));
    }

    private String upload(String calendar) throws IOException, InterruptedException {
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        body.writeBytes(("--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"filler.ics\"\r\n"
                        + "Content-Type: text/calendar\r\n\r\n" + calendar + "\r\n--b--\r\n")
                .getBytes(StandardCharsets.UTF_8));
        return send(request("/api/students/1/imports")
                .header("Content-Type", "multipart/form-data; boundary=b")
                .POST(HttpRequest.BodyPublishers.ofByteArray(body.toByteArray())));
    }

    private HttpRequest.Builder request(String path) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path));
        cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                .findFirst()
                .ifPresent(cookie -> request.header("X-XSRF-TOKEN", cookie.getValue()));
        return request;
    }

    private String send(HttpRequest.Builder request) throws IOException, InterruptedException {
        HttpResponse<String> answer = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() >= 400) {
            throw new IOException(answer.statusCode() + " " + answer.body());
        }
        return answer.body();
    }
}
