package app.navlo.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** How often the plan of the demo's student turns in an hour in which nobody does anything, minute by minute. */
final class CalmBench {
    private static final int MINUTES = 60;
    private static final JsonMapper JSON = new JsonMapper();

    private CalmBench() {}

    static void run() throws IOException, InterruptedException {
        try (Running navlo = Running.start("demo")) {
            Client mira = new Client(navlo.address());
            List<Long> order = order(mira);
            int changes = 0;
            int firsts = 0;
            for (int minute = 0; minute < MINUTES; minute++) {
                mira.post("/api/demo/clock", "{\"minutes\":1}");
                List<Long> now = order(mira);
                changes += now.equals(order) ? 0 : 1;
                firsts += now.get(0).equals(order.get(0)) ? 0 : 1;
                order = now;
            }
            System.out.printf(
                    Locale.ROOT,
                    "in an idle hour the order changed %d times (asked: at most 3), the first move %d times (asked: at most 1)%n",
                    changes,
                    firsts);
        }
    }

    private static List<Long> order(Client client) throws IOException, InterruptedException {
        JsonNode next = JSON.readTree(client.read("/api/students/1/next"));
        List<Long> works = new ArrayList<>();
        next.get("moves").forEach(move -> works.add(move.get("work").asLong()));
        return works;
    }
}
