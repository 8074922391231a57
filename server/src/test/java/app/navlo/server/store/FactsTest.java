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
import app.navlo.core.work.Flag;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.server.sheet.EditableField;
import app.navlo.server.sheet.GradeSheet;
import app.navlo.server.sheet.LateSheet;
import app.navlo.server.sheet.LeewaySheet;
import app.navlo.server.sheet.RubricSheet;
import app.navlo.server.sheet.RuleSheet;
import app.navlo.server.sheet.WorkSheet;
import app.navlo.server.sheet.WorkSheet.GateSheet;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.jdbc.core.simple.JdbcClient;
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
    private static final Instant AT = Instant.parse("2026-10-25T00:30:00.123456Z");
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

    @Autowired
    private JdbcClient db;

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
                new Work.Place(course, "1 Leaves", "Talk"),
                title,
                WorkKind.DISCUSSION,
                new Work.Dates(AT, due, Deadline.at(AT.plus(Duration.ofDays(30)))),
                new Work.Handling(
                        true,
                        true,
                        3,
                        new WorkItem.Parts(1, 3),
                        new RedoRule(AT.plus(Duration.ofDays(9)), true),
                        new Work.Takes(true, false, true, List.of("pdf", "png"), 4, 1 << 20)),
                new WorkItem.Marking(Rational.parse("12.5"), Rational.parse("66.6667"), KeptScore.MEAN),
                45,
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
                        Set.of(EditableField.DUE, EditableField.TITLE)));
    }

    private long addWork(Work.Definition definition) {
        return works.add(new Works.NewWork(
                student, change(ChangeKind.ADD_WORK), Work.Origin.TYPED, null, null, definition, "Read it."));
    }

    private Map<Long, Work> standing() {
        Set<Long> undone = changes.undone(student);
        return works.all(student, undone, courses.all(student, undone));
    }

    private static final Stamp STAMP = Facts.stamp(AT, AT.plusSeconds(60), Actor.TEACHER, "A. Teacher");

    @DataProvider
    public static Object[][] kinds() {
        Deadline endOfDay = Deadline.endOf(LocalDate.of(2026, 10, 25), ZoneId.of("Europe/Oslo"));
        return new Object[][] {
            {new Fact.DraftStarted(STAMP)},
            {new Fact.AttemptBegun(STAMP, 2)},
            {new Fact.HandedIn(STAMP, 1, HandInContent.FILES)},
            {new Fact.Posted(STAMP, Fact.Posted.Part.REPLY)},
            {new Fact.Withdrawn(STAMP)},
            {new Fact.SentBack(STAMP, "a page is missing", Deadline.at(AT))},
            {new Fact.SentBack(STAMP, "a page is missing", null)},
            {new Fact.Returned(STAMP, new Fact.RedoAsked(endOfDay))},
            {new Fact.Returned(STAMP, new Fact.RedoAsked(null))},
            {new Fact.Returned(STAMP, null)},
            {new Fact.Scored(STAMP, 1, Rational.of(69, 4), true, false)},
            {new Fact.Scored(STAMP, 2, Rational.of(17), Rational.of(19), false, true)},
            {new Fact.Excused(STAMP, true)},
            {new Fact.Flagged(STAMP, Flag.ON_TIME)},
            {new Fact.ExtensionAsked(STAMP)},
            {new Fact.ExtensionGranted(STAMP, endOfDay)},
            {new Fact.ExtensionDeclined(STAMP)},
            {new Fact.TokenUsed(STAMP, Duration.ofHours(24))},
            {new Fact.Reopened(STAMP)},
            {new Fact.KeyOpened(STAMP)},
            {new Fact.Commented(STAMP, "Good", true, false, true)},
            {new Fact.RubricMarked(STAMP)},
            {new Fact.AnswersReleased(STAMP, 1)},
            {new Fact.ReadMarked(STAMP)},
            {new Fact.DueMoved(STAMP, Deadline.at(AT), endOfDay)},
            {new Fact.DueMoved(STAMP, null, Deadline.at(AT))},
            {new Fact.PutAside(STAMP, "RETURNED_UNREAD")},
        };
    }

    @Test(dataProvider = "kinds")
    public void everyKindOfFactComesOutAsItWentIn(Fact fact) {
        long work = addWork(definition("Talk", null));
        long id = facts.add(new Facts.NewFact(
                change(ChangeKind.SEED), student, work, fact, new Facts.Words("And the roots?", null, null)));
        RecordedFact read = facts.all(student, Set.of()).get(work).get(0);
        assertEquals(read.id(), id);
        assertEquals(read.fact().stamp().order(), id, "facts of one instant keep the order in which they were added");
        assertEquals(read.fact().getClass(), fact.getClass());
        assertEquals(withoutOrder(read.fact()), withoutOrder(fact));
    }

    private static String withoutOrder(Fact fact) {
        return fact.toString().replaceFirst("order=\\d+", "").replaceFirst("source=[^\\]]*", "");
    }

    @Test
    public void everyKindIsAmongThoseThatAreTried() {
        Set<FactKind> tried = EnumSet.noneOf(FactKind.class);
        for (Object[] one : kinds()) {
            tried.add(FactKind.of((Fact) one[0]));
        }
        assertEquals(tried, EnumSet.allOf(FactKind.class));
    }

    @DataProvider
    public static Object[][] needing() {
        return new Object[][] {
            {FactKind.ATTEMPT_BEGUN},
            {FactKind.HANDED_IN},
            {FactKind.POSTED},
            {FactKind.SENT_BACK},
            {FactKind.RETURNED},
            {FactKind.SCORED},
            {FactKind.EXCUSED},
            {FactKind.FLAGGED},
            {FactKind.EXTENSION_GRANTED},
            {FactKind.TOKEN_USED},
            {FactKind.COMMENTED}
        };
    }

    /** The tables themselves refuse it, whoever writes into them. */
    @Test(dataProvider = "needing")
    public void aFactWithoutWhatItsKindNeedsIsRefused(FactKind kind) {
        long work = addWork(definition("Talk", null));
        long change = change(ChangeKind.SEED);
        expectThrows(DataIntegrityViolationException.class, () -> db.sql("""
                INSERT INTO fact (change_id, student_id, work_id, kind, happened_at, learnt_at, actor, actor_name)
                VALUES (:change, :student, :work, :kind, :at, :at, 'TEACHER', 'A. Teacher')
                """)
                .param("change", change)
                .param("student", student)
                .param("work", work)
                .param("kind", kind.name())
                .param("at", AT)
                .update());
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
