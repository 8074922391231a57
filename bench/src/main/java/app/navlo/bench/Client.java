package app.navlo.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Somebody signed in over HTTP, with as much work as is wanted. */
final class Client {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    static final String PASSWORD = "a heron on the weir";

    private static final String COURSE = "{\"name\":\"Course %d\",\"zone\":\"Europe/Copenhagen\",\"colour\":\"teal\"}";

    private final CookieManager cookies = new CookieManager();
    private final HttpClient http =
            HttpClient.newBuilder().cookieHandler(cookies).build();
    private final String base;

    private long student = 1;

    /** Mira. */
    Client(String base) throws IOException, InterruptedException {
        this(base, "mira@thornmere.example", "garden-gate-24");
    }

    Client(String base, String email, String password) throws IOException, InterruptedException {
        this.base = base;
        get("/api/session");
        send(request("/api/session")
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString("email=" + email + "&password=" + password)));
        get("/api/session");
    }

    /** In the session of another client, over a connection of its own. */
    private Client(Client other) {
        base = other.base;
        student = other.student;
        other.cookies.getCookieStore().getCookies().forEach(cookie -> cookies.getCookieStore()
                .add(URI.create(base), cookie));
    }

    /** Another tab of the same browser. */
    Client again() {
        return new Client(this);
    }

    private Client(String base, boolean signedUp) throws IOException, InterruptedException {
        this.base = base;
        get("/api/session");
        if (signedUp) {
            send(
                    request("/api/people")
                            .header("Content-Type", "application/json")
                            .POST(
                                    HttpRequest.BodyPublishers.ofString(
                                            "{\"name\":\"Ida\",\"email\":\"ida@example.org\",\"password\":\"a-long-password\",\"zone\":\"UTC\",\"code\":\"BENCH\"}")));
            get("/api/session");
        }
    }

    /** The first person of an empty Navlo, signed up. */
    static Client first(String base) throws IOException, InterruptedException {
        return new Client(base, true);
    }

    /** Somebody who signs up where anybody may, or by an invitation's secret, if that isn't empty. */
    static Client joining(String base, String name, String secret) throws IOException, InterruptedException {
        Client client = new Client(base, false);
        ObjectNode person = JSON.createObjectNode()
                .put("name", name)
                .put("email", FaultsBench.email(name))
                .put("password", PASSWORD)
                .put("zone", "Europe/Copenhagen");
        if (secret.isEmpty()) {
            person.put("code", "BENCH");
        }
        client.post(secret.isEmpty() ? "/api/people" : "/api/invitations/" + secret + "/people", person.toString());
        client.get("/api/session");
        client.student = client.id();
        return client;
    }

    /** Somebody who signed up by {@link #joining}, from another browser. */
    static Client again(String address, String email, long student) throws IOException, InterruptedException {
        return again(address, email, PASSWORD, student);
    }

    static Client again(String address, String email, String password, long student)
            throws IOException, InterruptedException {
        Client other = new Client(address, email, password);
        other.student = student;
        return other;
    }

    /** The address of what is one's own. */
    String own(String path) {
        return "/api/students/" + student + path;
    }

    long id() throws IOException, InterruptedException {
        return JSON.readTree(send(request("/api/session").GET()))
                .at("/person/id")
                .asLong();
    }

    /** The secret of an invitation to see the work of who is signed in. */
    String inviteGuardian() throws IOException, InterruptedException {
        return JSON.readTree(post(own("/guardians/invitations"), ""))
                .get("secret")
                .asString();
    }

    /** Brings an archive in as one's own. */
    void take(byte[] archive) throws IOException, InterruptedException {
        upload(own("/archive"), "navlo.zip", archive);
    }

    /** Looks at a gradebook's bundle and takes it in. */
    void readIn(String name, byte[] content) throws IOException, InterruptedException {
        takeIn(upload(own("/imports"), name, content));
    }

    /** Takes in what was looked at, with the choices that it came with; what is past stands as not handed in. */
    void takeIn(String preview) throws IOException, InterruptedException {
        apply(chosen(preview));
    }

    /** What is pasted, looked at: the preview. */
    String paste(String name, String text) throws IOException, InterruptedException {
        return post(
                own("/imports/pasted"),
                JSON.createObjectNode().put("name", name).put("text", text).toString());
    }

    /** A preview with the answer that what is past wasn't handed in. */
    String chosen(String preview) throws IOException, InterruptedException {
        JsonNode looked = JSON.readTree(preview);
        return post(
                own("/imports/" + looked.get("id").asLong() + "/preview"),
                ((ObjectNode) looked.get("choices"))
                        .put("past", "NOT_HANDED_IN")
                        .toString());
    }

    /** Takes a preview in as it is. */
    void apply(String preview) throws IOException, InterruptedException {
        JsonNode chosen = JSON.readTree(preview);
        post(
                own("/imports/" + chosen.get("id").asLong() + "/application"),
                "{\"choices\":" + chosen.get("choices") + ",\"fingerprint\":" + chosen.get("fingerprint") + "}");
    }

    String post(String path, String body) throws IOException, InterruptedException {
        return write(path, body, "0");
    }

    /** The numbers of all work on the board. */
    List<Long> works() throws IOException, InterruptedException {
        List<Long> works = new ArrayList<>();
        JSON.readTree(send(request(own("/board")).GET()))
                .get("works")
                .forEach(work -> works.add(work.get("id").asLong()));
        return works;
    }

    byte[] archive() throws IOException, InterruptedException {
        return http.send(request(own("/archive")).GET().build(), HttpResponse.BodyHandlers.ofByteArray())
                .body();
    }

    void bringBack(byte[] archive) throws IOException, InterruptedException {
        upload(own("/archive"), "navlo.zip", archive);
    }

    /** What a path answers, as it is read. */
    String read(String path) throws IOException, InterruptedException {
        return send(request(path).GET());
    }

    byte[] bytes(String path) throws IOException, InterruptedException {
        HttpResponse<byte[]> answer = http.send(request(path).GET().build(), HttpResponse.BodyHandlers.ofByteArray());
        if (answer.statusCode() >= 400) {
            throw new IOException(answer.statusCode() + " " + path);
        }
        return answer.body();
    }

    /** A course of one's own. @return its number */
    long addCourse(int number) throws IOException, InterruptedException {
        return JSON.readTree(write(own("/courses"), COURSE.formatted(number), "0"))
                .get("id")
                .asLong();
    }

    String get(String path) throws IOException, InterruptedException {
        return send(request(path).header("Accept-Encoding", "gzip").GET());
    }

    /** Adds work by a calendar, so that the board has {@code total} pieces. */
    void fillTo(int total) throws IOException, InterruptedException {
        String board = send(request(own("/board")).GET());
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
        takeIn(upload(calendar.append("END:VCALENDAR\n").toString()));
    }

    /** Adds work with dues over all of the term, spread over all courses there are and as many more as it takes. */
    void fillTerm(int courses, int total) throws IOException, InterruptedException {
        JsonNode board = JSON.readTree(send(request(own("/board")).GET()));
        List<String> names = new ArrayList<>();
        board.get("courses").forEach(course -> names.add(course.get("name").asString()));
        while (names.size() < courses) {
            names.add("Filler " + names.size());
        }
        LocalDate first = LocalDate.of(2026, 9, 7);
        StringBuilder calendar = new StringBuilder("BEGIN:VCALENDAR\nX-WR-CALNAME:Filler\n");
        for (int i = board.at("/counts/total").asInt(); i < total; i++) {
            calendar.append(
                    "BEGIN:VTODO\nUID:term-%d\nSUMMARY:Filler %d: a piece of work\nCATEGORIES:%s\nDUE;VALUE=DATE:%s\nEND:VTODO\n"
                            .formatted(
                                    i,
                                    i,
                                    names.get(i % names.size()),
                                    first.plusDays((i * 7L) % 100).toString().replace("-", "")));
        }
        takeIn(upload(calendar.append("END:VCALENDAR\n").toString()));
    }

    private String upload(String calendar) throws IOException, InterruptedException {
        return upload(own("/imports"), "filler.ics", calendar.getBytes(StandardCharsets.UTF_8));
    }

    private String upload(String path, String name, byte[] content) throws IOException, InterruptedException {
        String head = "--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name
                + "\"\r\nContent-Type: application/octet-stream\r\n\r\n";
        List<byte[]> parts = List.of(
                head.getBytes(StandardCharsets.UTF_8), content, "\r\n--b--\r\n".getBytes(StandardCharsets.UTF_8));
        return send(request(path)
                .header("Content-Type", "multipart/form-data; boundary=b")
                .POST(HttpRequest.BodyPublishers.ofByteArrays(parts)));
    }

    /** Types in courses and work until there are so many courses of so many pieces. */
    void fillTo(int courses, int pieces) throws IOException, InterruptedException {
        for (long course = 1; course <= courses; course++) {
            JsonNode board = JSON.readTree(send(request(own("/board")).GET()));
            long number = course;
            if (board.at("/courses").size() < course) {
                number = addCourse((int) course);
            }
            int there = 0;
            String category = "null";
            for (JsonNode work : board.get("works")) {
                if (work.get("courseId").asLong() == number) {
                    there++;
                    category = work.path("category").toString();
                }
            }
            for (; there < pieces; there++) {
                add(number, "Piece " + there, "20", category);
            }
        }
    }

    /**
     * Types in a piece of work.
     *
     * @return its number
     */
    long add(String title) throws IOException, InterruptedException {
        return add(1, title, "null", "null");
    }

    long add(long course, String title, String possible, String category) throws IOException, InterruptedException {
        return added(course, title, possible, category).get("id").asLong();
    }

    /** Types in a piece of work. @return the change by which it is there */
    long change(long course, String title) throws IOException, InterruptedException {
        return added(course, title, "20", "null").get("change").asLong();
    }

    private JsonNode added(long course, String title, String possible, String category)
            throws IOException, InterruptedException {
        String form = """
                {"courseId":%d,"title":"%s","kind":"ASSIGNMENT","required":true,"possible":%s,"category":%s,
                "instructions":""}
                """.formatted(course, title, possible, category);
        return JSON.readTree(write(own("/works"), form, "0"));
    }

    /**
     * Hands one file in: up with it, and then the hand-in.
     *
     * @return the address of what was handed in
     */
    String handIn(long work, String name, byte[] content) throws IOException, InterruptedException {
        String path = own("/works/" + work);
        JsonNode drafted = JSON.readTree(upload(path + "/draft/files", name, content));
        String file = drafted.at("/draft/files/0/id").asString();
        String done = write(
                path + "/hand-ins",
                "{\"content\":\"FILES\",\"files\":[" + file + "],\"draft\":" + drafted.at("/draft/number")
                        + ",\"note\":null}",
                drafted.at("/work/version").asString());
        return path + "/hand-ins/" + JSON.readTree(done).at("/receipt/id").asLong();
    }

    /** Puts a file up and takes it down again. */
    void throwAway(long work, byte[] content) throws IOException, InterruptedException {
        String path = own("/works/" + work + "/draft/files");
        String file = JSON.readTree(upload(path, "draft.pdf", content))
                .at("/draft/files/0/id")
                .asString();
        send(request(path + "/" + file)
                .header("Idempotency-Key", UUID.randomUUID().toString())
                .DELETE());
    }

    /** Looks at a file and doesn't take it in. */
    void look(String name, byte[] content) throws IOException, InterruptedException {
        upload(own("/imports"), name, content);
    }

    private String write(String path, String body, String version) throws IOException, InterruptedException {
        return send(request(path)
                .header("Content-Type", "application/json")
                .header("Idempotency-Key", UUID.randomUUID().toString())
                .header("If-Match", version)
                .POST(HttpRequest.BodyPublishers.ofString(body)));
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
