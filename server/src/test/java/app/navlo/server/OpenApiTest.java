package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** {@code docs/openapi.json} says what the server does. The front end's types are made from it, so a drift breaks here. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {TestSettings.MEMORY, "springdoc.paths-to-exclude=/api/students/*/events"})
@Import(OpenApiSchemas.class)
public class OpenApiTest extends AbstractTestNGSpringContextTests {
    private static final Path FILE = Path.of("../docs/openapi.json");

    @LocalServerPort
    private int port;

    @Test
    public void theDescriptionInDocsIsThatOfTheServer() throws IOException, InterruptedException {
        HttpResponse<String> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/v3/api-docs"))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        assertEquals(answer.statusCode(), 200, answer.body());
        JsonMapper json = JsonMapper.builder()
                .enable(SerializationFeature.INDENT_OUTPUT)
                .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
                .build();
        ObjectNode described = (ObjectNode) json.readTree(answer.body());
        described.remove("servers");
        JsonNode sorted = json.valueToTree(json.treeToValue(described, Object.class));
        String text = json.writeValueAsString(sorted) + "\n";
        if (Boolean.getBoolean("navlo.openapi.write")) {
            Files.createDirectories(FILE.getParent());
            Files.writeString(FILE, text);
        }
        assertEquals(Files.readString(FILE), text, "run ./navlo openapi, then build again");
    }

    /** A list of values is written once, under its name, so that what speaks of the same can be compared. */
    @Test
    public void valuesAreListedOnce() throws IOException {
        JsonNode schemas = JsonMapper.builder().build().readTree(FILE.toFile()).at("/components/schemas");
        List<String> inline = new ArrayList<>();
        schemas.properties().forEach(schema -> schema.getValue()
                .path("properties")
                .properties()
                .forEach(property -> {
                    JsonNode values = property.getValue();
                    if (values.path("enum").size() > 1
                            || values.at("/items/enum").size() > 1) {
                        inline.add(schema.getKey() + "." + property.getKey());
                    }
                }));
        assertEquals(inline, List.of());
        assertTrue(schemas.at("/WorkKind/enum").size() > 5, "it is listed there");
    }

    /** Who reads it finds what each operation does, under a name of its own, and how it is refused. */
    @Test
    public void everyOperationSaysWhatItDoesAndHowItIsRefused() throws IOException {
        JsonNode api = JsonMapper.builder().build().readTree(FILE.toFile());
        List<String> poor = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        api.get("paths")
                .properties()
                .forEach(path -> path.getValue().properties().forEach(method -> {
                    JsonNode operation = method.getValue();
                    String at = method.getKey() + " " + path.getKey();
                    String id = operation.path("operationId").asString("");
                    if (operation.path("summary").asString("").isBlank()) {
                        poor.add(at + " doesn't say what it does");
                    }
                    if (id.isEmpty() || id.contains("_") || !ids.add(id)) {
                        poor.add(at + " has no name of its own: " + id);
                    }
                    if (!operation
                            .at("/responses/404/content/application~1problem+json/schema/$ref")
                            .asString("")
                            .endsWith("/Problem")) {
                        poor.add(at + " doesn't say how it is refused");
                    }
                }));
        assertEquals(poor, List.of());
        assertTrue(ids.size() > 100, ids.toString());
        assertEquals(api.at("/components/schemas/Problem/required").size(), 5, "problem details are described");
    }
}
