package app.navlo.server.modules;

import app.navlo.server.browser.Chromium;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import java.nio.file.Path;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;

/** The modules of the page that compute without it, as they are shipped, in the browser that reads them. */
abstract class Modules {
    private static final Path BUILT = Path.of("../web/target/modules/modules.js");

    /** What the cases speak of: the modules by their names, a piece of work with what a case says of it, and an hour of its own. */
    private static final String AROUND = """
            (expression) => {
              const { agenda, budget, clock, course, drags, feedback, household, imports, leeway, lines, looking, narrowing, news, next, pace, parts, piece, place, readings, search,
                sheet, signals, standing, telling, time, timeline, views, words, work } = navlo;
              const ZONE = 'Europe/Copenhagen';
              const NOW = Date.parse('2026-11-24T15:20:00Z');
              const piecework = (over) => ({
                id: 1, version: 1, courseId: 1, title: 'Essay', kind: 'ASSIGNMENT', unit: null, category: null,
                required: true, stage: 'ASSIGNED', move: 'YOURS', timing: 'AHEAD', due: '2026-11-27T16:00:00Z', dueDay: null,
                opensAt: null, endsAt: null, missing: false, flag: null, flagDiffers: false, handedInAt: null, next: null,
                redo: null, parts: null, lock: null, askUntil: null, belowPass: false, lacks: [], impact: null,
                score: { mark: 'NONE', points: null, raw: null, possible: '20' },
                feedback: { count: 0, unread: 0, latestBy: null, waits: false },
                files: 0, filesGiven: 0, notes: 0, effortMinutes: 60, attemptsUsed: 0, attemptsAllowed: null, ...over });
              const board = (works) => ({
                zone: ZONE, works, tide: [{ day: '2026-11-27', due: [1], opens: [3] }],
                courses: [{ id: 1, name: 'Soil Science', shortName: 'Soil' }, { id: 2, name: 'Planting Design', shortName: 'Studio' }] });
              const ids = (all) => all.map((one) => one.id).join(' ');
              const said = eval(expression);
              return typeof said === 'string' ? said : JSON.stringify(said) ?? 'undefined';
            }
            """;

    private BrowserContext context;
    private Page page;

    @BeforeClass
    public void load() {
        context = Chromium.browser().newContext();
        page = context.newPage();
        page.addScriptTag(new Page.AddScriptTagOptions().setPath(BUILT));
    }

    @AfterClass
    public void leave() {
        context.close();
    }

    /** @return texts as they are, everything else as JSON */
    String say(String expression) {
        return (String) page.evaluate(AROUND, expression);
    }
}
