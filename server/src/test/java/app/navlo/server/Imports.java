package app.navlo.server;

import static org.testng.Assert.assertEquals;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Reads things in over HTTP, as the page does: looked at, corrected, applied. */
public final class Imports {
    private static final JsonMapper JSON = new JsonMapper();
    private static final String PATH = DemoServer.STUDENT + "/imports";

    private Imports() {}

    public static JsonNode look(TestClient client, String name, byte[] content) {
        TestClient.Answer answer = client.upload(PATH, name, content);
        assertEquals(answer.status(), 201, answer.body());
        return answer.json();
    }

    public static JsonNode look(TestClient client, String name, String content) {
        return look(client, name, content.getBytes(StandardCharsets.UTF_8));
    }

    public static JsonNode paste(TestClient client, String name, String text) {
        ObjectNode form = JSON.createObjectNode().put("name", name).put("text", text);
        TestClient.Answer answer = client.post(PATH + "/pasted", form.toString());
        assertEquals(answer.status(), 201, answer.body());
        return answer.json();
    }

    /** The same with other choices. @param changes members of the choices, as JSON */
    public static JsonNode again(TestClient client, JsonNode preview, String changes) {
        ObjectNode choices = (ObjectNode) preview.get("choices").deepCopy();
        JSON.readTree(changes).properties().forEach(entry -> choices.set(entry.getKey(), entry.getValue()));
        TestClient.Answer answer =
                client.post(PATH + "/" + preview.get("id").asLong() + "/preview", choices.toString());
        assertEquals(answer.status(), 200, answer.body());
        return answer.json();
    }

    public static TestClient.Answer apply(TestClient client, JsonNode preview, String... headers) {
        ObjectNode body = JSON.createObjectNode();
        body.set("choices", preview.get("choices"));
        body.set("fingerprint", preview.get("fingerprint"));
        return client.post(PATH + "/" + preview.get("id").asLong() + "/application", body.toString(), headers);
    }

    public static Map<String, String> statuses(JsonNode preview) {
        Map<String, String> statuses = new LinkedHashMap<>();
        preview.get("rows")
                .forEach(row -> statuses.put(
                        row.get("title").asString(), row.get("status").asString()));
        return statuses;
    }

    public static JsonNode row(JsonNode preview, String title) {
        return preview.get("rows")
                .valueStream()
                .filter(row -> row.get("title").asString().equals(title))
                .findFirst()
                .orElseThrow();
    }
}
