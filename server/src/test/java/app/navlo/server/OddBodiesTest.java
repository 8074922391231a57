package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Bodies that nobody would send by a form: each is answered with what is wrong, none breaks anything. */
@DirtiesContext
public class OddBodiesTest extends DemoServer {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
    private static final Path OPENAPI = Path.of("../docs/openapi.json");
    private static final int BROKEN = 500;
    private static final int DEPTH = 4;
    private static final int EACH = 40;

    /** Values that are odd wherever they stand. */
    private static final List<JsonNode> ODD = List.of(
            NODES.nullNode(),
            NODES.stringNode(""),
            NODES.stringNode("x".repeat(30_000)),
            NODES.stringNode("\u0000\u202e\r\nBcc: a@b.example"),
            NODES.stringNode("http://a:99999999/" + "b".repeat(3_000)),
            NODES.stringNode("http://[::1"),
            NODES.stringNode("9999-99-99"),
            NODES.stringNode("1e999999"),
            NODES.numberNode(-1),
            NODES.numberNode(Long.MAX_VALUE),
            NODES.numberNode(1e300),
            NODES.booleanNode(true),
            NODES.arrayNode().addNull(),
            NODES.objectNode().putNull("x"));

    private final JsonNode api = read();

    private static JsonNode read() {
        try {
            return JSON.readTree(Files.readString(OPENAPI));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private record Operation(String method, String path, JsonNode schema) {}

    private List<Operation> operations() {
        List<Operation> all = new ArrayList<>();
        for (Map.Entry<String, JsonNode> path : api.get("paths").properties()) {
            for (Map.Entry<String, JsonNode> one : path.getValue().properties()) {
                JsonNode schema = one.getValue().at("/requestBody/content/application~1json/schema");
                if (!schema.isMissingNode() && path.getKey().startsWith("/api/students/")) {
                    all.add(new Operation(one.getKey().toUpperCase(Locale.ROOT), path.getKey(), schema));
                }
            }
        }
        return all;
    }

    private JsonNode resolved(JsonNode schema) {
        String ref = schema.path("$ref").asString("");
        return ref.isEmpty() ? schema : api.at(ref.substring(1));
    }

    /** Something of the kind that is asked for. */
    private JsonNode usual(JsonNode asked, int depth) {
        JsonNode schema = resolved(asked);
        if (schema.has("enum")) {
            return schema.get("enum").get(0);
        }
        for (String kind : List.of("oneOf", "anyOf", "allOf")) {
            if (schema.has(kind)) {
                return usual(schema.get(kind).get(0), depth);
            }
        }
        JsonNode type = schema.path("type");
        String name = type.isArray() ? type.get(0).asString() : type.asString("object");
        return switch (name) {
            case "string" -> NODES.stringNode(text(schema.path("format").asString("")));
            case "integer", "number" -> NODES.numberNode(1);
            case "boolean" -> NODES.booleanNode(false);
            case "array" ->
                depth == 0 ? NODES.arrayNode() : NODES.arrayNode().add(usual(schema.get("items"), depth - 1));
            default -> object(schema, depth);
        };
    }

    private static String text(String format) {
        return switch (format) {
            case "date" -> "2026-11-30";
            case "date-time" -> "2026-11-30T10:00:00Z";
            default -> "10:00";
        };
    }

    private ObjectNode object(JsonNode schema, int depth) {
        ObjectNode object = NODES.objectNode();
        if (depth > 0) {
            schema.path("properties")
                    .properties()
                    .forEach(one -> object.set(one.getKey(), usual(one.getValue(), depth - 1)));
        }
        return object;
    }

    /** Puts an odd value somewhere into a body. */
    private static void spoil(JsonNode body, Random random) {
        JsonNode at = body;
        while (true) {
            List<JsonNode> inner = new ArrayList<>();
            at.forEach(child -> {
                if (child.isContainer() && !child.isEmpty()) {
                    inner.add(child);
                }
            });
            if (inner.isEmpty() || random.nextInt(3) > 0) {
                break;
            }
            at = inner.get(random.nextInt(inner.size()));
        }
        JsonNode odd = ODD.get(random.nextInt(ODD.size())).deepCopy();
        if (at instanceof ObjectNode object && !object.isEmpty()) {
            List<String> names = new ArrayList<>(object.propertyNames());
            object.set(names.get(random.nextInt(names.size())), odd);
        } else if (at instanceof ArrayNode array) {
            array.add(odd);
        }
    }

    private static @Nullable String broken(TestClient client, Operation operation, JsonNode body) {
        String path = operation.path().replaceAll("\\{\\w+}", "1");
        TestClient.Answer answer = client.send(
                operation.method(),
                path,
                body.toString(),
                "Idempotency-Key",
                UUID.randomUUID().toString(),
                "If-Match",
                "\"1\"");
        if (answer.status() < BROKEN) {
            return null;
        }
        String sent = body.toString();
        return answer.status() + " " + operation.method() + " " + operation.path() + " "
                + sent.substring(0, Math.min(300, sent.length())) + " -> " + answer.body();
    }

    @Test
    public void noBodyBreaksAnything() {
        TestClient mira = mira();
        Random random = new Random(20_261_124);
        List<String> broken = new ArrayList<>();
        int sent = 0;
        for (Operation operation : operations()) {
            for (int i = 0; i < EACH; i++) {
                JsonNode body = usual(operation.schema(), DEPTH);
                for (int spoilt = random.nextInt(3); spoilt >= 0; spoilt--) {
                    spoil(body, random);
                }
                String fault = broken(mira, operation, body);
                sent++;
                if (fault != null) {
                    broken.add(fault);
                }
            }
        }
        assertTrue(sent > 1_000, sent + " bodies");
        assertEquals(String.join("\n", broken), "", "of " + sent);
        assertEquals(mira.get(STUDENT + "/board").status(), 200, "and all is still there");
    }

    @Test
    public void aFieldThatIsUnknownIsNamed() {
        TestClient.Answer answer =
                mira().post(STUDENT + "/lenses", "{\"name\":\"Late\",\"query\":\"move=yours\",\"colour\":\"red\"}");
        assertEquals(answer.status(), 400, answer.body());
        assertEquals(answer.json().at("/faults/0/field").asString(), "colour");
    }

    @Test
    public void eachAnswerHasTheNumberOfItsRequest() {
        TestClient mira = mira();
        String first = mira.get("/api/session")
                .raw()
                .headers()
                .firstValue("X-Request-Id")
                .orElseThrow();
        String second = mira.get("/api/session")
                .raw()
                .headers()
                .firstValue("X-Request-Id")
                .orElseThrow();
        assertEquals(first.length(), 12);
        assertTrue(!first.equals(second), first);
    }
}
