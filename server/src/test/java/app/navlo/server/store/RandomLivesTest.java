package app.navlo.server.store;

import static org.testng.Assert.assertEquals;

import app.navlo.core.exact.Rational;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Flag;
import app.navlo.core.work.GateState;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.HandInRules;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.core.work.WorkState;
import app.navlo.server.TestSettings;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.sheet.WorkSheet;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.function.Function;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Random lives of pieces of work, written into the store and read as a board, stand as the core says that they stand: the same
 * stage, timing, turn, pending request, next hand-in and hand-in that stands, at any instant.
 */
@SpringBootTest(properties = TestSettings.MEMORY)
public class RandomLivesTest extends AbstractTestNGSpringContextTests {
    private static final Instant START = Instant.parse("2026-10-20T08:00:00Z");
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final int LIVES = 60;
    private static final int MOST_FACTS = 12;
    private static final int HOURS = 400;

    @Autowired
    private People people;

    @Autowired
    private Changes changes;

    @Autowired
    private Courses courses;

    @Autowired
    private Works works;

    @Autowired
    private Facts facts;

    @Autowired
    private Boards boards;

    private long student;
    private long course;

    @BeforeClass
    public void aStudentWithACourse() {
        student = people.add(
                new People.NewPerson("lives@example.org", "no password", "Lives", Role.STUDENT, ZONE.getId(), START));
        long change = change();
        course = courses.add(student, null, change, new Course.Details("Glass", "Glass", null, null, ZONE, "teal"));
    }

    private long change() {
        return changes.add(new Changes.NewChange(student, student, ChangeKind.SEED, START, Changes.TYPED_IN, "a life"));
    }

    @DataProvider
    public static Object[][] seeds() {
        Object[][] seeds = new Object[LIVES][];
        for (int i = 0; i < LIVES; i++) {
            seeds[i] = new Object[] {i};
        }
        return seeds;
    }

    @Test(dataProvider = "seeds")
    public void theBoardStandsAsTheCoreSays(int seed) {
        Random random = new Random(26_000 + seed);
        Work.Definition definition = definition(random);
        long work =
                works.add(new Works.NewWork(student, change(), Work.Origin.TYPED, null, null, definition, "Make it."));
        List<Fact> life = new ArrayList<>();
        int many = random.nextInt(MOST_FACTS);
        for (int i = 0; i < many; i++) {
            Instant at = START.plus(Duration.ofHours(random.nextInt(HOURS)));
            Fact made = fact(random, Facts.stamp(at, at, Actor.STUDENT, "Lives"));
            long id = facts.add(new Facts.NewFact(change(), student, work, made));
            life.add(with(made, new Stamp(at, at, id, Actor.STUDENT, "Lives", Changes.TYPED_IN)));
        }
        life.sort(Comparator.comparing(Fact::stamp, Stamp.CHRONOLOGICAL));
        for (int i = 0; i < 5; i++) {
            Instant now = START.plus(Duration.ofHours(random.nextInt(HOURS + 100)));
            Board.Entry entry = boards.one(student, work, now);
            WorkState there = entry.state();
            WorkState here = WorkState.of(
                    entry.finding().item(),
                    life,
                    GateState.OPEN,
                    Duration.ofHours(entry.course().rules().soonHours()),
                    now);
            String what = seed + " at " + now + ": " + life;
            assertEquals(there.stage(), here.stage(), what);
            assertEquals(there.timing(), here.timing(), what);
            assertEquals(there.missing(), here.missing(), what);
            assertEquals(there.move(), here.move(), what);
            assertEquals(there.due(), here.due(), what);
            assertEquals(there.dueToCome(), here.dueToCome(), what);
            assertEquals(there.extensionPending(), here.extensionPending(), what);
            assertEquals(there.attemptsUsed(), here.attemptsUsed(), what);
            assertEquals(entry.extensionPending(), here.extensionPending(), what);
            Long stands = HandInRules.standing(here, life, now)
                    .map(handIn -> handIn.stamp().order())
                    .orElse(null);
            assertEquals(entry.standingHandIn(), stands, what);
            assertEquals(entry.mayWithdraw(), HandInRules.mayWithdraw(here, life, now), what);
        }
    }

    private Work.Definition definition(Random random) {
        WorkKind[] kinds = {WorkKind.ASSIGNMENT, WorkKind.QUIZ, WorkKind.PROJECT, WorkKind.PRACTICE};
        Deadline due = random.nextInt(5) == 0 ? null : Deadline.at(START.plus(Duration.ofHours(random.nextInt(HOURS))));
        return new Work.Definition(
                new Work.Place(course, null, null),
                "Vase",
                kinds[random.nextInt(kinds.length)],
                new Work.Dates(null, due, null),
                new Work.Handling(true, true, null, null, null, Work.Takes.ANYTHING),
                new WorkItem.Marking(Rational.of(20), null, KeptScore.HIGHEST),
                30,
                WorkSheet.PLAIN);
    }

    private static Fact fact(Random random, Stamp stamp) {
        return switch (random.nextInt(13)) {
            case 0 -> new Fact.DraftStarted(stamp);
            case 1, 2, 3 -> new Fact.HandedIn(stamp, 1 + random.nextInt(3), HandInContent.TEXT);
            case 4 -> new Fact.Withdrawn(stamp);
            case 5 -> new Fact.SentBack(stamp, "a page is missing", null);
            case 6 -> new Fact.Returned(stamp, random.nextBoolean() ? new Fact.RedoAsked(later(random, stamp)) : null);
            case 7 -> new Fact.Scored(stamp, 1, Rational.of(random.nextInt(21)), random.nextBoolean(), true);
            case 8 -> new Fact.Excused(stamp, random.nextBoolean());
            case 9 -> new Fact.Flagged(stamp, Flag.values()[random.nextInt(Flag.values().length)]);
            case 10 -> new Fact.ExtensionAsked(stamp);
            case 11 ->
                random.nextBoolean()
                        ? new Fact.ExtensionDeclined(stamp)
                        : new Fact.ExtensionGranted(stamp, later(random, stamp));
            default -> new Fact.TokenUsed(stamp, Duration.ofHours(12 * (1 + random.nextInt(4))));
        };
    }

    private static Deadline later(Random random, Stamp stamp) {
        return Deadline.at(stamp.at().plus(Duration.ofHours(1 + random.nextInt(100))));
    }

    /** The same fact with the number that the store gave it. */
    private static Fact with(Fact fact, Stamp stamp) {
        Function<Stamp, Fact> again;
        if (fact instanceof Fact.HandedIn one) {
            again = at -> new Fact.HandedIn(at, one.attempt(), one.content());
        } else if (fact instanceof Fact.SentBack one) {
            again = at -> new Fact.SentBack(at, one.reason(), one.newDue());
        } else if (fact instanceof Fact.Returned one) {
            again = at -> new Fact.Returned(at, one.redo());
        } else if (fact instanceof Fact.Scored one) {
            again = at -> new Fact.Scored(at, one.attempt(), one.points(), one.isFinal(), one.posted());
        } else if (fact instanceof Fact.Excused one) {
            again = at -> new Fact.Excused(at, one.stands());
        } else if (fact instanceof Fact.Flagged one) {
            again = at -> new Fact.Flagged(at, one.flag());
        } else if (fact instanceof Fact.ExtensionGranted one) {
            again = at -> new Fact.ExtensionGranted(at, one.due());
        } else if (fact instanceof Fact.TokenUsed one) {
            again = at -> new Fact.TokenUsed(at, one.span());
        } else if (fact instanceof Fact.ExtensionAsked) {
            again = Fact.ExtensionAsked::new;
        } else if (fact instanceof Fact.ExtensionDeclined) {
            again = Fact.ExtensionDeclined::new;
        } else if (fact instanceof Fact.Withdrawn) {
            again = Fact.Withdrawn::new;
        } else {
            again = Fact.DraftStarted::new;
        }
        return again.apply(stamp);
    }
}
