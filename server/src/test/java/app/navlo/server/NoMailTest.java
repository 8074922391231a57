package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.ServerSocket;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A mail server that isn't there: the message is kept, said so, and tried again. */
@DirtiesContext
public class NoMailTest extends DemoServer {
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
        mira.post(
                path(work(mira, "Soil lab 5")) + "/messages",
                "{\"to\":\"a@b.example\",\"subject\":\"Soil lab 5\",\"body\":\"Did it reach you?\"}");
        JsonNode message = withFault(mira, "");
        assertEquals(message.get("sending").asString(), "WAITING");
        String first = message.get("fault").asString();
        assertTrue(first.contains("connect"), first);
        assertFalse(mira.get(STUDENT + "/messages").body().contains("\"SENT\""));
    }

    private static JsonNode withFault(TestClient client, String before) {
        long giveUp = System.nanoTime() + 30_000_000_000L;
        while (true) {
            JsonNode message = client.get(STUDENT + "/messages").json().get(0);
            if (!message.get("fault").isNull()
                    && !message.get("fault").asString().equals(before)) {
                return message;
            }
            assertTrue(System.nanoTime() < giveUp, "it was never tried");
            Thread.onSpinWait();
        }
    }
}
