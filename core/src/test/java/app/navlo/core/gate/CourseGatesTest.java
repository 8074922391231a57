package app.navlo.core.gate;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.reason.Sentences;
import app.navlo.core.time.SchoolCalendar;
import app.navlo.core.time.WeeklyHours;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

public class CourseGatesTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");

    private static List<Gated> course(Random random) {
        int many = 2 + random.nextInt(6);
        List<Gated> works = new ArrayList<>();
        for (int i = 0; i < many; i++) {
            List<Gate> gates = new ArrayList<>();
            for (int g = random.nextInt(3); g > 0; g--) {
                String other = "w" + random.nextInt(many);
                gates.add(
                        switch (random.nextInt(3)) {
                            case 0 -> new Gate.Done(new WorkId(other));
                            case 1 -> new Gate.Percent(new WorkId(other), Rational.of(80));
                            default -> new Gate.Unit("u0");
                        });
            }
            boolean done = random.nextInt(3) == 0;
            works.add(new Gated(
                    new WorkId("w" + i), "u" + i % 2, true, random.nextInt(5) == 0, done, false, null, gates));
        }
        return works;
    }

    /** Whether anything reaches itself, by Warshall's closure. */
    private static boolean reachesItself(List<Gated> works, CourseGates gates) {
        int n = works.size();
        boolean[][] waits = new boolean[n][n];
        for (int i = 0; i < n; i++) {
            for (WorkId before : gates.waitsFor(works.get(i).id())) {
                waits[i][Integer.parseInt(before.text().substring(1))] = true;
            }
        }
        for (int k = 0; k < n; k++) {
            for (int i = 0; i < n; i++) {
                for (int j = 0; j < n; j++) {
                    waits[i][j] |= waits[i][k] && waits[k][j];
                }
            }
        }
        return IntStream.range(0, n).anyMatch(i -> waits[i][i]);
    }

    @Test
    public void aCircleIsFoundExactlyWhenSomethingWaitsForItself() {
        Random random = new Random(21);
        int circles = 0;
        for (int i = 0; i < 3_000; i++) {
            List<Gated> works = course(random);
            Optional<List<WorkId>> cycle = CourseGates.cycle(works, false);
            if (cycle.isPresent()) {
                circles++;
                assertEquals(
                        cycle.get().get(0),
                        cycle.get().stream().min(WorkId::compareTo).orElseThrow());
            } else {
                CourseGates gates = CourseGates.of(works, false);
                assertFalse(reachesItself(works, gates));
                works.forEach(work -> assertChain(gates, work));
            }
        }
        assertTrue(circles > 100, circles + " circles");
    }

    private static void assertChain(CourseGates gates, Gated work) {
        List<WorkId> chain = gates.chainTo(work.id());
        for (int i = 0; i < chain.size(); i++) {
            List<WorkId> later = chain.subList(i + 1, chain.size());
            assertTrue(gates.waitsFor(chain.get(i)).stream().noneMatch(later::contains), chain.toString());
            assertTrue(gates.unlocks(chain.get(i)).contains(work.id()));
        }
        gates.shutting(work.id(), NOW)
                .forEach(shut -> assertFalse(
                        Sentences.write(shut.reason(WorkId::text), ZONE).contains("{")));
    }

    @Test
    public void aChainIsStartedEarlyEnoughForTheTeacherToGradeBetweenItsLinks() {
        WeeklyHours evenings = new WeeklyHours(Arrays.stream(DayOfWeek.values())
                .collect(Collectors.toMap(
                        day -> day, day -> List.of(new WeeklyHours.Span(LocalTime.of(17, 0), LocalTime.of(19, 0))))));
        SchoolCalendar calendar = SchoolCalendar.weekdays(ZONE, Set.of());
        Instant due = Instant.parse("2026-12-04T16:00:00Z");
        List<Chain.Latest> latest = Chain.latestStarts(
                        List.of(
                                new Chain.Link(new WorkId("quiz"), 60, Duration.ofHours(48), null),
                                new Chain.Link(new WorkId("essay"), 180, null, due)),
                        evenings,
                        calendar)
                .orElseThrow();
        assertEquals(latest.get(1).startBy(), Instant.parse("2026-12-02T17:00:00Z"));
        assertEquals(latest.get(0).finishBy(), Instant.parse("2026-11-30T17:00:00Z"));
        assertEquals(latest.get(0).startBy(), Instant.parse("2026-11-30T16:00:00Z"));
        assertTrue(Chain.latestStarts(
                        List.of(new Chain.Link(new WorkId("a"), 5, null, due)), new WeeklyHours(Map.of()), calendar)
                .isEmpty());
    }

    @Test
    public void aPathSaysWhatWaitsForAPerson() {
        Instant handedIn = Instant.parse("2026-11-20T11:00:00Z");
        CompletionPath path = CompletionPath.of(
                List.of(
                        new CompletionPath.Given(new WorkId("walk"), true, null, false),
                        new CompletionPath.Given(new WorkId("forms"), false, handedIn, false),
                        new CompletionPath.Given(new WorkId("exam"), false, null, true)),
                Duration.ofDays(1),
                SchoolCalendar.weekdays(ZONE, Set.of()));
        assertEquals(path.left(), 2);
        assertEquals(path.steps().get(1).usuallyBy(), Instant.parse("2026-11-23T11:00:00Z"));
    }
}
