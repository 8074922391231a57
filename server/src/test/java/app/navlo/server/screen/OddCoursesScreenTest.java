package app.navlo.server.screen;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.grade.By;
import app.navlo.core.grade.Reading;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.server.board.Boards;
import app.navlo.server.sheet.GradeSheet;
import app.navlo.server.sheet.RuleSheet;
import app.navlo.server.sheet.WorkSheet;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Facts;
import app.navlo.server.store.Term;
import app.navlo.server.store.Terms;
import app.navlo.server.store.Work;
import app.navlo.server.store.Works;
import app.navlo.server.time.ServerClock;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What Standing shows of the demo's courses and of odd ones is what the core says of them, read off the screen. */
public class OddCoursesScreenTest extends Screen {
    private static final long MIRA = 1;
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final int SCALE = 12;
    private static final Pattern FIGURE = Pattern.compile("(\\d+(?:\\.(\\d+))?)( %)?");
    private static final List<Reading> ON_SCREEN = List.of(
            Reading.SO_FAR, Reading.WITH_ZEROS, Reading.WORK_AHEAD, Reading.EXPECTED, Reading.FLOOR, Reading.CEILING);

    @Autowired
    private Boards boards;

    @Autowired
    private ServerClock clock;

    @Autowired
    private Changes changes;

    @Autowired
    private Courses courses;

    @Autowired
    private Terms terms;

    @Autowired
    private Works works;

    @Autowired
    private Facts facts;

    private long change(String summary) {
        return changes.add(new Changes.NewChange(MIRA, null, ChangeKind.SEED, clock.instant(), "a test", summary));
    }

    /** A course of these categories, by its number. */
    private long course(String name, @Nullable Term term, GradeSheet.CategorySheet... categories) {
        long change = change("Added " + name);
        Long termId = term == null ? null : terms.add(MIRA, change, term);
        Course.Details details = new Course.Details(name, name, null, null, ZONE, "teal");
        long course = courses.add(MIRA, termId, change, details);
        GradeSheet points = GradeSheet.POINTS;
        GradeSheet grade = categories.length == 0
                ? points
                : new GradeSheet(
                        GradeSheet.Kind.WEIGHTED, List.of(categories), List.of(), null, List.of(), List.of(), null);
        RuleSheet plain = RuleSheet.UNKNOWN;
        courses.setRules(
                course,
                change,
                new RuleSheet(
                        plain.soonHours(),
                        plain.late(),
                        plain.leeway(),
                        grade,
                        plain.ordered(),
                        plain.paceCap(),
                        null));
        return course;
    }

    private static GradeSheet.CategorySheet category(String name, String weight, int drops) {
        return new GradeSheet.CategorySheet(name, weight, By.POINTS, drops, 0, false);
    }

    private static Term term(String name, String first, String last) {
        LocalDate end = LocalDate.parse(last);
        return new Term(
                0,
                0,
                false,
                name,
                "Thornmere",
                ZONE,
                LocalDate.parse(first),
                end,
                List.of(),
                List.of(new Term.GradingPeriod(
                        "Term", end.atTime(12, 0).atZone(ZONE).toInstant())));
    }

    /** A piece of work of 20 points, due that day; with a score it is returned, with "excused" it is excused. */
    private void piece(long course, String title, @Nullable String category, String due, String outcome) {
        long change = change("Added " + title);
        Work.Definition definition = new Work.Definition(
                new Work.Place(course, null, category),
                title,
                WorkKind.ASSIGNMENT,
                new Work.Dates(null, Deadline.endOf(LocalDate.parse(due), ZONE), null),
                new Work.Handling(true, true, null, null, null, Work.Takes.ANYTHING),
                new WorkItem.Marking(Rational.of(20), null, KeptScore.HIGHEST),
                30,
                WorkSheet.PLAIN);
        long work = works.add(
                new Works.NewWork(MIRA, change, Work.Origin.SCHOOL, course + "/" + title, null, definition, ""));
        Instant at = LocalDate.parse(due).atTime(8, 0).atZone(ZONE).toInstant();
        if (outcome.equals("excused")) {
            fact(change, work, new Fact.Excused(by(Actor.TEACHER, at), true));
        } else if (!outcome.isEmpty()) {
            fact(change, work, new Fact.HandedIn(by(Actor.STUDENT, at), 1, HandInContent.DONE));
            Stamp later = by(Actor.TEACHER, at.plusSeconds(3600));
            fact(change, work, new Fact.Scored(later, 1, Rational.of(new BigDecimal(outcome)), true, true));
        }
    }

    private static Stamp by(Actor actor, Instant at) {
        return Facts.stamp(at, at, actor, "Somebody");
    }

    private void fact(long change, long work, Fact fact) {
        facts.add(new Facts.NewFact(change, MIRA, work, fact));
    }

    private long nothingScored() {
        long course = course("Nothing scored yet", null, category("Reports", "100", 0));
        piece(course, "Report 1", "Reports", "2026-12-04", "");
        piece(course, "Report 2", "Reports", "2026-12-11", "");
        return course;
    }

    private long allExcused() {
        long course = course("All excused", null, category("Reports", "100", 0));
        piece(course, "Report 1", "Reports", "2026-10-02", "excused");
        piece(course, "Report 2", "Reports", "2026-10-09", "excused");
        return course;
    }

    private long allDroppedButOne() {
        long course = course("All dropped but one", null, category("Sketches", "100", 9));
        for (int i = 1; i <= 6; i++) {
            piece(course, "Sketch " + i, "Sketches", "2026-10-0" + i, Integer.toString(20 - 3 * i));
        }
        return course;
    }

    private long weightsOfSixty() {
        long course = course("Weights of sixty", null, category("Reports", "35", 0), category("Tests", "25", 0));
        piece(course, "Report 1", "Reports", "2026-10-02", "11");
        piece(course, "Test 1", "Tests", "2026-10-09", "17");
        return course;
    }

    private long aHundredCategories() {
        List<GradeSheet.CategorySheet> many = new ArrayList<>();
        for (int i = 1; i <= 100; i++) {
            many.add(category("Part " + i, "1", 0));
        }
        long course = course("A hundred categories", null, many.toArray(GradeSheet.CategorySheet[]::new));
        for (int i = 1; i <= 100; i++) {
            piece(course, "Piece " + i, "Part " + i, "2026-10-02", i % 3 == 0 ? "" : Integer.toString(i % 20));
        }
        return course;
    }

    private long overAlready() {
        long course = course("Of a term that is over", term("Spring term", "2026-02-02", "2026-06-19"));
        piece(course, "Spring report", null, "2026-05-04", "15");
        piece(course, "Never handed in", null, "2026-06-01", "");
        return course;
    }

    private long notBegun() {
        long course = course("Of a term to come", term("Winter term", "2027-01-04", "2027-03-26"));
        piece(course, "First report", null, "2027-01-22", "");
        return course;
    }

    /** What is odd, and its figures worked out by hand in the order of the screen; empty where the core alone is asked. */
    @DataProvider
    public static Object[][] odd() {
        return new Object[][] {
            {"nothing scored yet", "— — — 80 0 100"},
            {"all excused", "— — — — — —"},
            {"all dropped but one", "85 85 85 85 85 85"},
            {"weights of sixty", "67.5 67.5 67.5 67.5 67.5 67.5"},
            {"a hundred categories", ""},
            {"a term that is over", "75 37.5 75 37.5 37.5 37.5"},
            {"a term to come", "— — — 80 0 100"},
        };
    }

    private long made(String what) {
        return switch (what) {
            case "nothing scored yet" -> nothingScored();
            case "all excused" -> allExcused();
            case "all dropped but one" -> allDroppedButOne();
            case "weights of sixty" -> weightsOfSixty();
            case "a hundred categories" -> aHundredCategories();
            case "a term that is over" -> overAlready();
            case "a term to come" -> notBegun();
            default -> throw new IllegalArgumentException(what);
        };
    }

    @Test(dataProvider = "odd")
    public void anOddCourseShowsWhatTheCoreSays(String what, String figures) {
        long course = made(what);
        Page page = mira();
        List<String> shown = readingsMatch(page, course);
        if (!figures.isEmpty()) {
            assertEquals(shown.stream().map(OddCoursesScreenTest::short1).toList(), List.of(figures.split(" ")), what);
        }
        assertAccessible(page);
        visit(page, address("/s/1/pace"));
        assertThat(page.locator("main h1").first()).isVisible();
        assertThat(page.getByText("Something went wrong")).hasCount(0);
    }

    private static String short1(String figure) {
        return figure.replaceFirst(" %$", "").replaceFirst("\\.0$", "");
    }

    @DataProvider
    public static Object[][] demo() {
        return new Object[][] {{1L}, {2L}, {3L}, {4L}, {5L}, {6L}};
    }

    @Test(dataProvider = "demo")
    public void aCourseOfTheDemoShowsWhatTheCoreSays(long course) {
        readingsMatch(mira(), course);
    }

    /** The line among all courses and the tabs of the one course. */
    private List<String> readingsMatch(Page page, long course) {
        List<@Nullable Rational> core = core(course);
        boolean path = core.stream().allMatch(figure -> figure == null)
                && boards.course(MIRA, course, null, clock.instant())
                        .completion()
                        .isPresent();
        visit(page, address("/s/1/standing"));
        Locator line = page.locator("main li")
                .filter(new Locator.FilterOptions().setHas(page.locator("a[href$='/standing/" + course + "']")));
        assertThat(line).isVisible();
        if (!path) {
            match(core, line.locator("dl > div").locator("dd:first-of-type").allInnerTexts());
        }
        visit(page, address("/s/1/standing/" + course));
        assertThat(page.locator("main h1")).isVisible();
        if (path) {
            assertThat(page.getByRole(AriaRole.TAB)).hasCount(0);
            return List.of();
        }
        Locator tabs = page.getByRole(AriaRole.TAB);
        assertThat(tabs).hasCount(ON_SCREEN.size());
        List<String> shown = tabs.locator("span:nth-child(2)").allInnerTexts();
        match(core, shown);
        return shown;
    }

    private List<@Nullable Rational> core(long course) {
        List<@Nullable Rational> figures = new ArrayList<>();
        for (Reading reading : ON_SCREEN) {
            figures.add(boards.course(MIRA, course, null, clock.instant())
                    .readings()
                    .of(reading)
                    .grade()
                    .figure());
        }
        return figures;
    }

    /** As far as it is written out, rounded to the nearest. */
    private static void match(List<@Nullable Rational> core, List<String> shown) {
        for (int i = 0; i < core.size(); i++) {
            Rational exact = core.get(i);
            if (exact == null) {
                assertEquals(shown.get(i), "—", ON_SCREEN.get(i) + " of " + shown);
                continue;
            }
            Matcher figure = FIGURE.matcher(shown.get(i));
            assertTrue(figure.matches(), shown.get(i));
            int places = figure.group(2) == null ? 0 : figure.group(2).length();
            assertTrue(places >= 1, shown.get(i));
            BigDecimal off = exact.toDecimal(SCALE, RoundingMode.HALF_UP)
                    .subtract(new BigDecimal(figure.group(1)))
                    .abs();
            BigDecimal half = BigDecimal.valueOf(5, places + 1);
            assertTrue(off.compareTo(half) <= 0, ON_SCREEN.get(i) + ": " + exact + " is shown as " + shown.get(i));
        }
    }
}
