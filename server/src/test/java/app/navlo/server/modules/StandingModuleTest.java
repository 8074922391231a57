package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Figures of a course, what is changed in a what-if, and how news are put together. */
public class StandingModuleTest extends Modules {
    @DataProvider
    public static Object[][] figures() {
        String letters = "letters: [{ label: 'A', from: '90' }, { label: 'B', from: '80' }]";
        return new Object[][] {
            {"readings.figureWords('82.1428', { kind: 'WEIGHTED', " + letters + " })", "82.1 %"},
            {"readings.figureWords('89.96', { kind: 'WEIGHTED', " + letters + " })", "89.96 %"},
            {"readings.figureWords('89.9999', { kind: 'WEIGHTED', " + letters + " })", "89.9999 %"},
            {"readings.figureWords('90', { kind: 'WEIGHTED', " + letters + " })", "90.0 %"},
            {"readings.figureWords('2.75', { kind: 'STANDARDS', letters: [] })", "2.8"},
            {"readings.figureWords(null, { kind: 'POINTS', letters: [] })", "—"},
            {"readings.liftWords('2.13', 'POINTS')", "2.1 % of the course"},
            {"readings.liftWords('2.0', 'POINTS')", "2 % of the course"},
            {"readings.liftWords('0.04', 'POINTS')", "<0.1 % of the course"},
            {"readings.liftWords('0.5', 'STANDARDS')", "0.50 of the rating"},
            {"readings.impactWords('0', 'POINTS')", "none: the course comes out the same with 0 for it"},
            {"readings.stakeWords('-0.04')", "<0.1 %"},
            {"readings.stakeWords('0')", "0 %"},
            {"course.signed(-1.26)", "−1.3"},
            {"course.signed(0.02)", "+0.02"},
            {"course.plain('41.504')", "41.5"},
            {"course.plain('40')", "40"},
            {"course.movedBy({ figure: '80' }, { figure: '82.5' })", "2.5"},
            {"course.movedBy({ figure: '80' }, { figure: '80' })", "null"},
            {"course.movedBy(undefined, { figure: '80' })", "null"},
            {
                "course.formula({ parts: [{ weight: '25', figure: '83' }, { weight: '40', figure: '71.2' }, { weight: '35',"
                        + " figure: null }] })",
                "0.25 × 83 + 0.4 × 71.2"
            },
            {"course.formula({ parts: [{ weight: null, figure: '83' }] })", ""},
            {"course.sumWords({ by: 'POINTS', earned: '41.50', possible: '50', terms: [] })", "41.5 of 50 points"},
            {"course.sumWords({ by: 'STANDARD', earned: '0', possible: '0', terms: [] })", "no evidence yet"},
            {
                "course.inOrder([{ figure: '80' }, { figure: null }, { figure: '60' }], true).map((one) => one.figure).join(' ')",
                " 60 80"
            },
            {
                "course.inOrder([{ figure: '80' }, { figure: null }, { figure: '60' }], false).map((one) => one.figure).join(' ')",
                "60 80 "
            },
            {"course.titleOf({ work: 'new 1' }, [{ name: 'A new quiz' }], () => undefined)", "A new quiz"},
            {"course.titleOf({ work: '7' }, [], () => undefined)", "Work that is gone"},
            {"standing.completionWords({ completion: { complete: true } })", "Complete"},
            {
                "standing.completionWords({ completion: { complete: false, done: 10, required: 19, below: [{ title: 'Unit test 3',"
                        + " from: '60', percent: null }] } })",
                "10 of 19 required pieces of work done; Unit test 3 wants 60 %, not scored yet"
            },
        };
    }

    @Test(dataProvider = "figures")
    public void aFigureIsRoundedAndNeverAcrossABoundary(String expression, String words) {
        assertEquals(say(expression), words);
    }

    @Test
    public void whatIsntSoIsKeptOnceAndGoesWhenNothingIsLeftOfIt() {
        String one = "course.changed(course.NOTHING, 7, { points: '14' })";
        assertEquals(say(one + ".changes.length"), "1");
        assertEquals(say("course.changed(" + one + ", 7, { excused: true }).changes.length"), "1");
        assertEquals(say("course.changeOf(course.changed(" + one + ", 7, { excused: true }), 7).points"), "14");
        assertEquals(say("course.isNothing(course.changed(" + one + ", 7, { points: null }))"), "true");
        assertEquals(say("course.isNothing(course.NOTHING)"), "true", "what is nothing stays so");
    }

    private static final String NEWS = """
            [{ key: 'a', kind: 'SCORE', courseId: 1, workId: 4, words: 'Scored 18 of 20' },
             { key: 'b', kind: 'ANNOUNCEMENT', courseId: null, workId: null, words: 'Thornmere' },
             { key: 'c', kind: 'FLAG', courseId: 1, workId: 5, words: 'Flagged: missing' },
             { key: 'd', kind: 'WORD', courseId: 1, workId: 4, words: '' },
             { key: 'e', kind: 'CHANGE', courseId: null, workId: null, words: 'by Tobias' },
             { key: 'f', kind: 'ANNOUNCEMENT', courseId: 2, workId: null, words: '' }]""";

    @Test
    public void newsStandByCourseAndWhatIsOfOnePieceTogether() {
        String groups =
                "news.groupsOf(" + NEWS + ", { course: (id) => board([]).courses.find((one) => one.id === id) })"
                        + ".map((one) => one.name + ': ' + one.items.map((item) => item.key).join('')).join('; ')";
        assertEquals(say(groups), "Soil Science: adc; Thornmere: b; Read in or changed: e; Planting Design: f");
    }

    @DataProvider
    public static Object[][] places() {
        return new Object[][] {
            {0, "/s/1/work/4", "Scored 18 of 20"},
            {1, "null", "Announcement: Thornmere"},
            {4, "/s/1/links", "Changed: by Tobias"},
            {5, "/s/1/standing/2", "Announcement"},
        };
    }

    @Test(dataProvider = "places")
    public void eachLeadsToWhatItIsAbout(int at, String place, String words) {
        assertEquals(say("news.placeOf(" + NEWS + "[" + at + "], 1)"), place);
        assertEquals(say("news.newsWords(" + NEWS + "[" + at + "])"), words);
    }

    @DataProvider
    public static Object[][] nowhere() {
        String art = "[{ id: 'Observation', name: 'Observation' }, { id: 'Tone', name: 'Tone' }]";
        return new Object[][] {
            {art, "b"},
            {"[{ id: '', name: '' }]", ""},
            {"[]", ""},
        };
    }

    /** What names no part of how its course is graded is told; a course by points has one part for all. */
    @Test(dataProvider = "nowhere")
    public void whatCountsNowhereIsTold(String parts, String works) {
        String items =
                "[{ work: 'a', category: null, standards: ['Tone'] }, { work: 'b', category: 'Homework', standards: [] },"
                        + " { work: 'c', category: 'Observation', standards: [] }]";
        assertEquals(
                say("course.nowhereIn({ items: " + items + " }, " + parts + ").map((item) => item.work).join(' ')"),
                works);
    }
}
