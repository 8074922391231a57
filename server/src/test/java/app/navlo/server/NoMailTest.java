package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.server.store.OutgoingMessages;
import java.io.IOException;
import java.net.ServerSocket;
import java.util.function.BooleanSupplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A mail server that isn't there: the message is kept, said so, and tried again. */
@DirtiesContext
public class NoMailTest extends DemoServer {
    @Autowired
    private OutgoingMessages letters;

    @DynamicPropertySource
    static void mailServerThatIsDown(DynamicPropertyRegistry registry) throws IOException {
        try (ServerSocket free = new ServerSocket(0)) {
            int port = free.getLocalPort();
            registry.add("navlo.mail.host", () -> "localhost");
            registry.add("navlo.mail.port", () -> port);
            registry.add("navlo.mail.round", () -> "200ms");
        }
    }

    @Test
    public void aMessageWaitsAndSaysWhy() {
        TestClient mira = mira();
        assertTrue(mira.get("/api/session").json().at("/demo/mailBox").isNull());
        mira.postForm(
                path(work(mira, "Soil lab 5")) + "/messages",
                "{\"to\":\"a@b.example\",\"subject\":\"Soil lab 5\",\"body\":\"Did it reach you?\"}");
        JsonNode message = withFault(mira);
        assertEquals(message.get("sending").asString(), "WAITING");
        String first = message.get("fault").asString();
        assertTrue(first.contains("connect"), first);
        long id = message.get("id").asLong();
        assertEquals(letters.find(id).orElseThrow().tries(), 1);
        assertEquals(mira.post("/api/demo/clock", "{\"minutes\":2}").status(), 200);
        await(() -> letters.find(id).orElseThrow().tries() == 2, "it was never tried again");
        assertFalse(mira.get(STUDENT + "/messages").body().contains("\"SENT\""));
    }

    private static JsonNode withFault(TestClient client) {
        await(() -> !client.get(STUDENT + "/messages").json().at("/0/fault").isNull(), "it was never tried");
        return client.get(STUDENT + "/messages").json().get(0);
    }

    private static void await(BooleanSupplier awaited, String otherwise) {
        long giveUp = System.nanoTime() + 30_000_000_000L;
        while (!awaited.getAsBoolean()) {
            assertTrue(System.nanoTime() < giveUp, otherwise);
            Thread.onSpinWait();
        }
    }
}
