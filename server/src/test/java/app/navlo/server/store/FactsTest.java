package app.navlo.server.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.exact.Rational;
import app.navlo.core.grade.Reading;
import app.navlo.core.policy.Base;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.Measure;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.server.account.People;
import app.navlo.server.account.Role;
import app.navlo.server.rules.GradeSheet;
import app.navlo.server.rules.LateSheet;
import app.navlo.server.rules.LeewaySheet;
import app.navlo.server.rules.OwnField;
import app.navlo.server.rules.RubricSheet;
import app.navlo.server.rules.RuleSheet;
import app.navlo.server.rules.WorkSheet;
import app.navlo.server.rules.WorkSheet.GateSheet;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The store against a real H2 file: what goes in comes out, and what doesn't fit doesn't go in. */
@SpringBootTest
@DirtiesContext
public class FactsTest extends AbstractTestNGSpringContextTests {
    private static final Instant AT = Instant.parse("2026-10-25T00:30:00.123456789Z");
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");

    @DynamicPropertySource
    static void inAFile(DynamicPropertyRegistry properties) throws IOException {
        Path folder = Files.createTempDirectory("navlo-store");
        properties.add("spring.datasource.url", () -> "jdbc:h2:file:" + folder.resolve("navlo") + ";WRITE_DELAY=0");
    }

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

    private long student;
    private long course;

    @BeforeClass
    public void somebody() {
        student = people.add(new People.NewPerson("a@b.example", "x", "Ida", Role.STUDENT, "Europe/Oslo", AT));
        course = courses.add(
                student,
                null,
                change(ChangeKind.ADD_COURSE),
                new Course.Details("Botany", "Bot", null, null, ZONE, "fern"));
    }

    private long change(ChangeKind kind) {
        return changes.add(new Changes.NewChange(student, student, kind, AT, "typed in", "test"));
    }

    private Work.Definition definition(String title, @Nullable Deadline due) {
        return new Work.Definition(
                course,
                title,
                WorkKind.DISCUSSION,
                "1 Leaves",
                "Talk",
                true,
                true,
                new WorkItem.Marking(Rational.parse("12.5"), Rational.parse("66.6667"), KeptScore.MEAN),
                AT,
                due,
                Deadline.at(AT.plus(Duration.ofDays(30))),
                3,
                new WorkItem.Parts(1, 3),
                new RedoRule(AT.plus(Duration.ofDays(9)), true),
                45,
                new Work.Takes(true, false, true, List.of("pdf", "png"), 4, 1 << 20),
                new WorkSheet(
                        new LateSheet(
                                10, LateSheet.Kind.PER_DAY, "10", "50", Measure.SCHOOL_DAYS, Base.EARNED, "40", 48),
                        List.of(
                                new GateSheet(GateSheet.Kind.DATE, AT, null, null, null),
                                new GateSheet(GateSheet.Kind.PERCENT, null, 7L, "85.5", null)),
                        List.of("Leaves", "Roots"),
                        true,
                        30,
                        2,
                        new RubricSheet(
                                List.of(new RubricSheet.RowSheet(
                                        "Scale", List.of(new RubricSheet.LevelSheet("right", "To scale.", "4")))),
                                false),
                        null,
                        "https://thornmere.example/w/1",
                        Set.of(OwnField.DUE, OwnField.TITLE)));
    }

    private long addWork(Work.Definition definition) {
        return works.add(new Works.NewWork(
                student, change(ChangeKind.ADD_WORK), Work.Origin.TYPED, null, null, definition, "Read it."));
    }

    private Map<Long, Work> standing() {
        Set<Long> undone = changes.undone(student);
        return works.all(student, undone, courses.all(student, undone));
    }

    @DataProvider
    public static Object[][] kinds() {
        BigDecimal points = new BigDecimal("17.25");
        return new Object[][] {
            {FactKind.DRAFT_STARTED, Map.of()},
            {FactKind.ATTEMPT_BEGUN, Map.of("attempt", 2)},
            {FactKind.HANDED_IN, Map.of("attempt", 1, "content", "FILES")},
            {FactKind.POSTED, Map.of("part", "REPLY", "body", "And the roots?")},
            {FactKind.WITHDRAWN, Map.of()},
            {FactKind.SENT_BACK, Map.of("body", "a page is missing", "due_at", AT)},
            {
                FactKind.RETURNED,
                Map.of("asks_redo", true, "due_day", LocalDate.of(2026, 10, 25), "due_zone", "Europe/Oslo")
            },
            {FactKind.SCORED, Map.of("attempt", 1, "points", points, "is_final", true, "is_posted", false)},
            {FactKind.EXCUSED, Map.of("stands", true)},
            {FactKind.FLAGGED, Map.of("flag", "ON_TIME")},
            {FactKind.EXTENSION_ASKED, Map.of()},
            {FactKind.EXTENSION_GRANTED, Map.of("due_at", AT)},
            {FactKind.EXTENSION_DECLINED, Map.of()},
            {FactKind.TOKEN_USED, Map.of("span_minutes", 1440L)},
            {FactKind.REOPENED, Map.of()},
            {FactKind.KEY_OPENED, Map.of()},
            {FactKind.COMMENTED, Map.of("body", "Good", "is_private", true, "in_file", false)},
            {FactKind.RUBRIC_MARKED, Map.of()},
            {FactKind.READ_MARKED, Map.of()},
        };
    }

    private Facts.NewFact newFact(long work, FactKind kind, Map<String, Object> columns) {
        return new Facts.NewFact(
                change(ChangeKind.SEED),
                student,
                work,
                kind,
                AT,
                AT.plusSeconds(60),
                Actor.TEACHER,
                "A. Teacher",
                columns);
    }

    @Test(dataProvider = "kinds")
    public void everyKindOfFactComesOutAsItWentIn(FactKind kind, Map<String, Object> columns) {
        long work = addWork(definition("Talk", null));
        facts.add(newFact(work, kind, columns));
        RecordedFact read = facts.all(student, Set.of()).get(work).get(0);
        assertEquals(read.fact().stamp().at(), AT);
        assertEquals(read.fact().stamp().learnt(), AT.plusSeconds(60));
        assertEquals(read.fact().stamp().name(), "A. Teacher");
        String name = read.fact().getClass().getSimpleName();
        assertEquals(name, camel(kind));
        if (read.fact() instanceof Fact.Scored scored) {
            assertEquals(scored.points(), Rational.of(69, 4));
        }
        if (read.fact() instanceof Fact.Returned returned) {
            assertEquals(returned.redo().due(), Deadline.endOf(LocalDate.of(2026, 10, 25), ZoneId.of("Europe/Oslo")));
        }
    }

    private static String camel(FactKind kind) {
        StringBuilder name = new StringBuilder();
        for (String word : kind.name().split("_")) {
            name.append(word.charAt(0)).append(word.substring(1).toLowerCase(java.util.Locale.ROOT));
        }
        return name.toString();
    }

    @Test(dataProvider = "kinds")
    public void aFactWithoutWhatItsKindNeedsIsRefused(FactKind kind, Map<String, Object> columns) {
        if (!columns.isEmpty()) {
            long work = addWork(definition("Talk", null));
            expectThrows(DataIntegrityViolationException.class, () -> facts.add(newFact(work, kind, Map.of())));
        }
    }

    @DataProvider
    public static Object[][] dues() {
        return new Object[][] {
            {null}, {Deadline.at(AT.plusSeconds(99))}, {Deadline.endOf(LocalDate.of(2026, 10, 25), ZONE)}
        };
    }

    @Test(dataProvider = "dues")
    public void aPieceOfWorkComesOutAsItWentIn(@Nullable Deadline due) {
        Work.Definition definition = definition("Whole", due);
        long work = addWork(definition);
        assertEquals(standing().get(work).definition(), definition);
        assertEquals(works.instructions(work, Set.of()), "Read it.");
    }

    @Test
    public void theRevisionThatStandsLastHoldsAndAnUndoneOneDoesNot() {
        long work = addWork(definition("First", null));
        long second = change(ChangeKind.EDIT_WORK);
        works.revise(work, second, definition("Second", null), "", false);
        assertEquals(standing().get(work).definition().title(), "Second");
        long undo = undo(second);
        assertEquals(standing().get(work).definition().title(), "First");
        undo(undo);
        assertEquals(standing().get(work).definition().title(), "Second");
    }

    @Test
    public void theRulesThatStandLastHoldAndAnUndoBringsTheFormerBack() {
        RuleSheet stored = new RuleSheet(
                24,
                new LateSheet(0, LateSheet.Kind.FLAT, "12.5", null, null, Base.POSSIBLE, null, null),
                LeewaySheet.NONE,
                GradeSheet.POINTS,
                true,
                3,
                Reading.EXPECTED);
        long change = change(ChangeKind.EDIT_COURSE);
        courses.setRules(course, change, stored);
        assertEquals(courses.all(student, changes.undone(student)).get(course).rules(), stored);
        undo(change);
        assertEquals(courses.all(student, changes.undone(student)).get(course).rules(), RuleSheet.UNKNOWN);
    }

    private long undo(long target) {
        return changes.add(new Changes.NewChange(student, student, ChangeKind.UNDO, AT, "typed in", "undo"), target);
    }

    @Test
    public void workThatIsGoneIsKeptAndComesBackWithAnUndo() {
        long work = addWork(definition("Gone", null));
        long removal = change(ChangeKind.REMOVE_WORK);
        works.revise(work, removal, definition("Gone", null), "", true);
        assertTrue(!standing().containsKey(work));
        undo(removal);
        assertTrue(standing().containsKey(work));
    }
}
