package app.navlo.vectors;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.plan.Layout;
import app.navlo.core.plan.Plan;
import app.navlo.core.plan.SimpleOrder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Plan problems with their best plans: what a plan is worth, and what the simple orders come to. */
public class PlanFilesTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Path FOLDER = Path.of("src/test/resources/plan");
    /** Twice the work that fits, and pass lines over all of it; the best of many long searches. */
    private static final Path CROWDED = Path.of("src/test/resources/plan-crowded");

    private static final Map<SimpleOrder, String> NAMES = Map.of(
            SimpleOrder.FINAL_DUE, "finalDue",
            SimpleOrder.NEXT_STEP, "nextStep",
            SimpleOrder.VALUE, "value",
            SimpleOrder.VALUE_PER_MINUTE, "valuePerMinute",
            SimpleOrder.OLDEST_RELEASE, "oldestRelease");

    /** Details of a simple order may differ where many tokens are to be given out; the others are the same. */
    private static final double ALIKE = 0.9;

    @DataProvider
    public static Object[][] files() throws IOException {
        return names(FOLDER);
    }

    @DataProvider
    public static Object[][] crowded() throws IOException {
        return names(CROWDED);
    }

    private static Object[][] names(Path folder) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.sorted()
                    .map(file -> new Object[] {file.getFileName().toString()})
                    .toArray(Object[][]::new);
        }
    }

    private static JsonNode read(String file) throws IOException {
        return JSON.readTree(Files.readString(FOLDER.resolve(file)));
    }

    @Test(dataProvider = "files")
    public void theBestPlanIsWorthWhatItSaysMinuteByMinute(String file) throws IOException {
        JsonNode node = read(file);
        PlanFile instance = PlanFile.read(node);
        Plan plan = new Layout(instance.problem())
                .of(instance.order(node.get("plan")))
                .orElseThrow();
        assertEquals(plan.value(), node.get("best").asLong());
        int place = 0;
        for (JsonNode job : node.get("plan")) {
            Plan.Placed placed = plan.jobs().get(place++);
            assertEquals(placed.start(), job.get("start").asLong(), job.toString());
            assertEquals(placed.finish(), job.get("finish").asLong(), job.toString());
            assertEquals(placed.value(), job.get("value").asLong(), job.toString());
        }
    }

    @Test
    public void theSimpleOrdersComeToWhatIsKnownOfThem() throws IOException {
        int same = 0;
        int all = 0;
        for (Object[] file : files()) {
            JsonNode node = read((String) file[0]);
            PlanFile instance = PlanFile.read(node);
            for (SimpleOrder order : SimpleOrder.values()) {
                Plan plan = order.of(instance.problem());
                assertTrue(plan.value() <= node.get("bound").asLong(), file[0] + " " + order);
                assertEquals(
                        new Layout(instance.problem()).of(plan.order()).orElseThrow(), plan, file[0] + " " + order);
                all++;
                same += plan.value()
                                == node.at("/baselines/" + NAMES.get(order)).asLong()
                        ? 1
                        : 0;
            }
        }
        assertTrue(same >= ALIKE * all, same + " of " + all + " are the same");
    }

    /** By size: how far behind the best known a plan may stay, in percent. */
    private static double mayBeBehind(int jobs) {
        return jobs <= 20 ? 0 : jobs <= 40 ? 1 : 3;
    }

    @Test(dataProvider = "files")
    public void aPlanIsWorthWhatItClaimsAndAsNearToTheBestAsItsSizeAllows(String file) throws IOException {
        Plans.Planned planned = Plans.plan(FOLDER.resolve(file), 0);
        JsonNode node = read(file);
        PlanFile instance = PlanFile.read(node);
        Plan plan = new Layout(instance.problem())
                .of(instance.order(planned.json().get("order")))
                .orElseThrow();
        assertEquals(plan.value(), planned.json().get("claimed").asLong());
        assertTrue(plan.value() <= node.get("bound").asLong());
        assertTrue(planned.solution().bound() >= node.get("best").asLong(), "its bound is too low");
        assertTrue(planned.behindPercent() <= mayBeBehind(planned.jobs()), planned.behindPercent() + " % behind");
        assertTrue(plan.value() >= planned.bestSimple(), "below its own simple orders");
        node.get("baselines")
                .forEach(simple -> assertTrue(plan.value() >= simple.asLong(), "below the simple orders known"));
        assertTrue(planned.jobs() > 12 || planned.solution().proven(), "small, and not proven");
        seen.add(new Seen(
                planned.jobs(), planned.behindPercent(), planned.solution().withinPercent()));
    }

    /** By size: what many jobs about few pass lines may lose, in percent. */
    private static double mayLose(int jobs) {
        return jobs <= 40 ? 1 : 3;
    }

    private record Seen(int jobs, double behind, double boundOff) {}

    private final List<Seen> seen = new ArrayList<>();
    private final List<Seen> seenCrowded = new ArrayList<>();

    private static void inTheMean(List<Seen> all, int jobs, double behind, double boundOff) {
        List<Seen> some = all.stream().filter(one -> one.jobs() == jobs).toList();
        double lost = some.stream().mapToDouble(Seen::behind).average().orElseThrow();
        double off = some.stream().mapToDouble(Seen::boundOff).average().orElseThrow();
        assertTrue(lost <= behind, lost + " % behind in the mean of " + jobs + " jobs");
        assertTrue(off <= boundOff, "the bound of " + jobs + " jobs is off by " + off + " %");
    }

    @Test(
            dependsOnMethods = {
                "aPlanIsWorthWhatItClaimsAndAsNearToTheBestAsItsSizeAllows",
                "manyJobsAboutAPassLineLoseLittle"
            })
    public void inTheMeanPlansAndTheirBoundsAreNearerStill() {
        for (List<Seen> all : List.of(seen, seenCrowded)) {
            inTheMean(all, 20, 0, 3);
            inTheMean(all, 40, 0.3, 3);
            inTheMean(all, 60, 1, 4);
            inTheMean(all, 100, 1, 5);
        }
    }

    @Test(dataProvider = "crowded")
    public void manyJobsAboutAPassLineLoseLittle(String file) throws IOException {
        Plans.Planned planned = Plans.plan(CROWDED.resolve(file), 0);
        JsonNode node = JSON.readTree(Files.readString(CROWDED.resolve(file)));
        PlanFile instance = PlanFile.read(node);
        Layout layout = new Layout(instance.problem());
        long best = node.get("best").asLong();
        assertEquals(layout.of(instance.order(node.get("plan"))).orElseThrow().value(), best);
        assertEquals(
                layout.of(instance.order(planned.json().get("order")))
                        .orElseThrow()
                        .value(),
                planned.solution().plan().value());
        assertTrue(planned.solution().bound() >= best, "its bound is below a plan that is known");
        assertTrue(planned.behindPercent() <= mayLose(planned.jobs()), planned.behindPercent() + " % behind");
        assertTrue(planned.solution().plan().value() >= planned.bestSimple(), "below its own simple orders");
        seenCrowded.add(new Seen(
                planned.jobs(), planned.behindPercent(), planned.solution().withinPercent()));
    }

    @Test
    public void anOrderThatBreaksARuleIsWorthNothing() throws IOException {
        JsonNode node = read("edge-lag-wall.json");
        PlanFile instance = PlanFile.read(node);
        List<Plan.Chosen> order = instance.order(node.get("plan"));
        Layout layout = new Layout(instance.problem());
        Plan.Chosen first = order.get(0);
        assertTrue(layout.of(List.of(first, first)).isEmpty(), "twice");
        Plan.Chosen waiting = new Plan.Chosen(instance.places().get("b"), 0);
        assertTrue(layout.of(List.of(waiting)).isEmpty(), "before what it waits for");
    }
}
