package app.navlo.core.policy;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.reason.Sentences;
import app.navlo.core.time.SchoolCalendar;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

/** What holds for every late policy, shown on many of them. */
public class LatePolicyLawsTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final SchoolCalendar CALENDAR =
            SchoolCalendar.weekdays(ZONE, Set.of(LocalDate.of(2026, 10, 26), LocalDate.of(2026, 11, 2)));
    private static final Instant START = Instant.parse("2026-10-20T08:00:00Z");
    private static final int CASES = 2_000;

    private final Random random = new Random(5);

    private interface Law {
        void check(LatePolicy policy, Instant due, Rational possible, Rational earned);
    }

    private static void holdsForAll(Law law) {
        LatePolicyLawsTest cases = new LatePolicyLawsTest();
        for (int i = 0; i < CASES; i++) {
            Rational possible = Rational.of(1 + cases.random.nextInt(40));
            law.check(cases.policy(), cases.moment(), possible, Rational.of(cases.random.nextInt(45), 1));
        }
    }

    private Instant moment() {
        Instant any = START.plus(Duration.ofMinutes(random.nextInt(20 * 24 * 60)));
        return random.nextInt(4) == 0 ? CALENDAR.startOf(CALENDAR.dayOf(any)) : any;
    }

    private @Nullable Rational perhaps(int most) {
        return random.nextBoolean() ? Rational.of(random.nextInt(most + 1)) : null;
    }

    private LatePolicy policy() {
        Base base = Base.values()[random.nextInt(3)];
        Measure measure = Measure.values()[random.nextInt(3)];
        Penalty penalty =
                switch (random.nextInt(3)) {
                    case 0 -> new Penalty.None();
                    case 1 -> new Penalty.Flat(Rational.of(random.nextInt(101)), base);
                    default -> new Penalty.PerDay(Rational.of(1 + random.nextInt(80), 2), perhaps(100), measure, base);
                };
        Duration cutoff = random.nextBoolean() ? Duration.ofHours(random.nextInt(200)) : null;
        return new LatePolicy(Duration.ofMinutes(random.nextInt(3) * 45L), penalty, perhaps(100), cutoff);
    }

    private static LatePolicy.Judged judge(
            LatePolicy policy, Instant due, Instant at, Rational possible, Rational earned) {
        return policy.judge(due, at, possible, earned, null, CALENDAR);
    }

    @Test
    public void nothingIsKeptThatWasNotEarnedAndNothingBelowZero() {
        Random random = new Random(6);
        holdsForAll((policy, due, possible, earned) -> {
            LatePolicy.Judged judged = judge(policy, due, due.plusSeconds(random.nextInt(900_000)), possible, earned);
            assertTrue(judged.score().signum() >= 0 && judged.score().compareTo(earned) <= 0, judged.toString());
            assertEquals(judged.score().plus(judged.lost()), earned);
        });
    }

    @Test
    public void laterIsNeverBetter() {
        Random random = new Random(7);
        holdsForAll((policy, due, possible, earned) -> {
            Instant at = due.plusSeconds(random.nextInt(900_000) - 100_000L);
            Instant later = at.plusSeconds(random.nextInt(200_000));
            Rational score = judge(policy, due, at, possible, earned).score();
            assertTrue(judge(policy, due, later, possible, earned).score().compareTo(score) <= 0);
        });
    }

    @Test
    public void theFloorHoldsAndNeverRaisesARawScore() {
        holdsForAll((policy, due, possible, earned) -> {
            Rational score = judge(policy, due, due.plus(Duration.ofDays(90)), possible, earned)
                    .score();
            if (policy.floorPercent() != null) {
                Rational floor = policy.floorPercent().times(possible).dividedBy(Rational.HUNDRED);
                assertTrue(score.compareTo(floor.min(earned)) >= 0);
            }
        });
    }

    /** Each step says what a judgement at its last instant says, one step later it is less, and between them nothing. */
    @Test
    public void stepsSayWhatJudgingEachInstantSays() {
        Random random = new Random(8);
        holdsForAll((policy, due, possible, earned) -> {
            Instant from = due.plusSeconds(random.nextInt(400_000) - 200_000L);
            Instant ends = random.nextBoolean() ? from.plusSeconds(random.nextInt(900_000)) : null;
            List<LatePolicy.Step> steps = policy.steps(due, possible, earned, from, ends, CALENDAR);
            Instant begin = from;
            for (LatePolicy.Step step : steps) {
                Instant last = step.handedIn() == null ? begin.plus(Duration.ofDays(60)) : step.handedIn();
                long span = Duration.between(begin, last).toSeconds();
                Instant between = begin.plusSeconds((long) (random.nextDouble() * span));
                assertEquals(judge(policy, due, between, possible, earned).score(), step.score());
                assertEquals(judge(policy, due, last, possible, earned).score(), step.score());
                begin = last.plusNanos(1);
            }
            assertEquals(steps.get(steps.size() - 1).handedIn(), ends);
        });
    }

    @Test
    public void everyJudgementHasASentence() {
        holdsForAll((policy, due, possible, earned) -> {
            LatePolicy.Judged judged = judge(policy, due, due.plus(Duration.ofHours(50)), possible, earned);
            assertFalse(Sentences.write(judged.reason(), ZONE).contains("{"));
        });
    }
}
