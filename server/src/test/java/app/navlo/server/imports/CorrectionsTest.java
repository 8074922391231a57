package app.navlo.server.imports;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.WorkKind;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.formats.told.StateWords.Meaning;
import app.navlo.server.problem.Refusal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a person puts right in a row that was read: that field alone changes, and what follows from it. */
public class CorrectionsTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final Instant OPENS = Instant.parse("2026-11-20T08:00:00Z");
    private static final Deadline DUE = Deadline.at(Instant.parse("2026-11-27T16:00:00Z"));
    private static final String KEY = "lab 3";

    private static final SourceSnapshot.Work LAB = new SourceSnapshot.Work(
            KEY, "soil", "Lab 3", WorkKind.ASSIGNMENT, "Labs", Rational.of(100), OPENS, DUE, "", null);

    private static RowEdit edit(@Nullable String title, @Nullable String course, @Nullable String category) {
        return new RowEdit(KEY, null, course, title, null, category, null, null, null, null, null, null);
    }

    private static RowEdit due(LocalDate day, @Nullable LocalTime time) {
        return new RowEdit(KEY, null, null, null, null, null, day, time, null, null, null, null);
    }

    private static RowEdit marked(@Nullable String possible, @Nullable String score, @Nullable Meaning state) {
        return new RowEdit(KEY, null, null, null, null, null, null, null, possible, score, state, null);
    }

    private static SourceSnapshot corrected(SourceSnapshot.Work work, RowEdit edit, SourceSnapshot.Result... results) {
        SourceSnapshot told = new SourceSnapshot(
                "a table",
                List.of(new SourceSnapshot.Course("soil", "Soil", "", List.of())),
                List.of(work),
                List.of(results),
                List.of());
        return new Corrections(Map.of(KEY, edit), Map.of(), ZONE).of(told);
    }

    private static SourceSnapshot.Work work(RowEdit edit) {
        return corrected(LAB, edit).works().get(0);
    }

    private static SourceSnapshot.Result result(RowEdit edit, SourceSnapshot.Result... before) {
        return corrected(LAB, edit, before).results().get(0);
    }

    @Test
    public void whatIsNotSaidStaysAsItWasRead() {
        SourceSnapshot told = corrected(LAB, edit(null, null, null));
        assertEquals(told.works(), List.of(LAB));
        assertEquals(told.results(), List.of());
        assertEquals(work(edit("  Soil lab  ", null, null)).title(), "Soil lab");
        assertNull(work(edit(null, null, " ")).category(), "emptied");
        assertEquals(work(edit(null, null, "Reports")).category(), "Reports");
    }

    /** By its name, whatever its letters; one that isn't there is one more. */
    @Test
    public void aCourseIsChosenByNameOrAdded() {
        assertEquals(work(edit(null, "SOIL", null)).courseKey(), "soil");
        SourceSnapshot told = corrected(LAB, edit(null, "Botany ", null));
        assertEquals(told.courses().size(), 2);
        assertEquals(told.courses().get(1).name(), "Botany");
        assertEquals(told.works().get(0).courseKey(), told.courses().get(1).key());
    }

    @Test
    public void whatACourseIsCalledHereStandsForItsNameThere() {
        SourceSnapshot told = new SourceSnapshot(
                "a table",
                List.of(new SourceSnapshot.Course("soil", "SOIL-204-A", "M. Aldous", List.of())),
                List.of(LAB),
                List.of(),
                List.of());
        SourceSnapshot.Course course = new Corrections(Map.of(), Map.of("soil", "Soil Science"), ZONE)
                .of(told)
                .courses()
                .get(0);
        assertEquals(course.name(), "Soil Science");
        assertEquals(course.teacher(), "M. Aldous");
    }

    /** A day alone ends at its end; before the work opens, it can't open later than it is due. */
    @Test
    public void aDueIsADayOrATimeOfItInTheirZone() {
        assertEquals(
                work(due(LocalDate.of(2026, 11, 30), null)).due(), Deadline.endOf(LocalDate.of(2026, 11, 30), ZONE));
        SourceSnapshot.Work timed = work(due(LocalDate.of(2026, 11, 30), LocalTime.of(9, 30)));
        assertEquals(timed.due().instant(), Instant.parse("2026-11-30T08:30:00Z"));
        assertEquals(timed.opensAt(), OPENS);
        assertNull(work(due(LocalDate.of(2026, 11, 19), null)).opensAt());
    }

    /** What happens at its time is work like any other once it is due on another day. */
    @Test
    public void anAppointmentThatIsMovedIsNoneAnyMore() {
        Stretch held = new Stretch(OPENS, OPENS.plusSeconds(3600));
        SourceSnapshot.Work quiz = new SourceSnapshot.Work(
                KEY,
                "soil",
                "Quiz",
                WorkKind.QUIZ,
                null,
                null,
                null,
                Deadline.at(OPENS),
                "",
                SourceSnapshot.More.plain(true, null, "Unit 2", held));
        SourceSnapshot.Work moved =
                corrected(quiz, due(LocalDate.of(2026, 11, 30), null)).works().get(0);
        assertNull(moved.more().appointment());
        assertEquals(moved.more().unit(), "Unit 2");
        assertEquals(
                corrected(quiz, edit("Quiz 2", null, null))
                        .works()
                        .get(0)
                        .more()
                        .appointment(),
                held);
    }

    @DataProvider
    public static Object[][] scores() {
        return new Object[][] {
            {marked(null, "80 %", null), "80", SourceSnapshot.Status.SCORED},
            {marked("20", "80 %", null), "16", SourceSnapshot.Status.SCORED},
            {marked("20", "8/10", null), "16", SourceSnapshot.Status.SCORED},
            {marked("20", "18", null), "18", SourceSnapshot.Status.SCORED},
            {marked("", "18", null), "18", SourceSnapshot.Status.SCORED},
            {marked(null, "EX", null), null, SourceSnapshot.Status.EXCUSED},
            {marked(null, "", null), null, SourceSnapshot.Status.NOT_HANDED_IN},
            {marked(null, "", Meaning.HANDED_IN), null, SourceSnapshot.Status.HANDED_IN},
            {marked(null, null, Meaning.RETURNED), null, SourceSnapshot.Status.RETURNED},
        };
    }

    /** A percent, or points of others, is of the points that the same correction gives the work. */
    @Test(dataProvider = "scores")
    public void aScoreIsReadAsOneWritesIt(RowEdit edit, @Nullable String points, SourceSnapshot.Status status) {
        SourceSnapshot.Result result = result(edit);
        assertEquals(result.points(), points == null ? null : Rational.of(Long.parseLong(points)));
        assertEquals(result.status(), status);
    }

    @Test
    public void aStateKeepsThePointsThatWereReadAndSaysWhatItMeans() {
        SourceSnapshot.Result before = new SourceSnapshot.Result(
                KEY, SourceSnapshot.Status.SCORED, Rational.of(70), null, "Well drawn", false, false, false);
        SourceSnapshot.Result late = result(marked(null, null, Meaning.HANDED_IN_LATE), before);
        assertTrue(late.late());
        assertEquals(late.points(), Rational.of(70));
        assertEquals(late.comment(), "Well drawn");
        assertTrue(result(marked(null, null, Meaning.MISSING)).missing());
        assertTrue(result(marked(null, "12", Meaning.INCOMPLETE)).incomplete());
        assertEquals(result(marked("50", null, null), before), before, "points possible are no result");
    }

    @Test
    public void whatIsNoScoreNamesItsRow() {
        Refusal refused = expectThrows(Refusal.class, () -> result(marked(null, "well done", null)));
        assertEquals(refused.faults().get(0).field(), "rows");
        assertTrue(
                refused.faults().get(0).message().startsWith("Lab 3: "),
                refused.faults().toString());
    }
}
