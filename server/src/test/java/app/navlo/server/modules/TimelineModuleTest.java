package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Bars in time and their rows, days of an agenda, and where one looks. */
public class TimelineModuleTest extends Modules {
    private static final String TOLD = """
            ((over) => ({ work: 1, opens: null, due: null, handedIn: null, returned: null, ends: null, extended: null,
              tokenDues: [], safeBy: null, kept: [], parts: [], ...over }))""";

    @DataProvider
    public static Object[][] bars() {
        return new Object[][] {
            {"{}", "{}", "null"},
            {"{}", "{ due: '2026-11-27T16:00:00Z' }", "2026-11-23T16:00 2026-11-27T16:00 guessed"},
            {"{}", "{ opens: '2026-11-10T07:00:00Z', due: '2026-11-27T16:00:00Z' }", "2026-11-10T07:00 2026-11-27T16:00"
            },
            {
                "{}",
                "{ opens: '2026-11-10T07:00:00Z', due: '2026-11-20T16:00:00Z', kept: [{ until: '2026-11-21T16:00:00Z',"
                        + " share: '0.9' }, { until: '2026-11-22T16:00:00Z', share: '0.8' }] }",
                "2026-11-10T07:00 2026-11-22T16:00"
            },
            {
                "{ move: 'TEACHERS' }",
                "{ due: '2026-11-20T16:00:00Z', handedIn: '2026-11-19T10:00:00Z', kept: [{ until: null, share: '0.5' }] }",
                "2026-11-15T10:00 2026-11-20T16:00 guessed"
            },
            {"{ move: 'SETTLED' }", "{ handedIn: '2026-11-19T10:00:00Z' }", "2026-11-15T10:00 2026-11-19T10:00 guessed"
            },
            {
                "{}",
                "{ due: '2026-11-27T16:00:00Z', extended: '2026-11-30T16:00:00Z' }",
                "2026-11-23T16:00 2026-11-30T16:00 guessed"
            },
        };
    }

    @Test(dataProvider = "bars")
    public void aBarReachesFromItsOpeningToTheLastThatIsDrawnOfIt(String work, String told, String bar) {
        String of =
                "((one) => one && [one.from, one.to].map((at) => new Date(at).toISOString().slice(0, 16)).join(' ') +"
                        + " (one.unsaid ? ' guessed' : ''))(timeline.barOf(piecework(" + work + "), " + TOLD + "("
                        + told + ")))";
        assertEquals(say(of), bar);
    }

    @Test
    public void noBarStandsOverAnotherAndRowsAreFew() {
        String packed = """
                (() => {
                  let seed = 7;
                  const random = () => (seed = (seed * 1103515245 + 12345) % 2147483648) / 2147483648;
                  const faults = [];
                  for (let round = 0; round < 60; round++) {
                    const bars = Array.from({ length: 40 }, (_, id) => {
                      const from = Math.floor(random() * 2000);
                      return { work: piecework({ id }), from, to: from + Math.floor(random() * 300), held: random() < 0.1 };
                    }).sort((a, b) => a.from - b.from);
                    const { placed, rows } = timeline.pack(bars, (at) => at, () => 90, { left: 0, right: 3000, edge: 0 });
                    if (placed.length !== bars.length) faults.push('one is missing');
                    for (const a of placed) for (const b of placed) {
                      if (a !== b && a.row === b.row && a.left < b.right && b.left < a.right) faults.push(a.row);
                      if (a.row >= rows) faults.push('beyond the last row');
                    }
                    const most = Math.max(...placed.map((one) => placed.filter((other) => !other.bar.held &&
                      other.left <= one.left && one.left < other.right + 14).length));
                    if (rows > most + bars.filter((one) => one.held).length) faults.push('a row too many');
                  }
                  return faults.length;
                })()""";
        assertEquals(say(packed), "0");
    }

    @DataProvider
    public static Object[][] grains() {
        return new Object[][] {
            {"timeline.grainOf(10)", "weeks"},
            {"timeline.grainOf(80)", "days"},
            {"timeline.grainOf(500)", "hours"},
            {"timeline.hourStep(1200)", "1"},
            {"timeline.hourStep(340)", "6"},
            {"timeline.hourStep(30)", "12"},
            {"timeline.hoursIn({ starts: '2026-10-24T22:00:00Z', ends: '2026-10-25T23:00:00Z' })", "25"},
            {"timeline.hoursIn({ starts: '2026-03-28T23:00:00Z', ends: '2026-03-29T22:00:00Z' })", "23"},
            {
                "timeline.hoursOf({ starts: '2026-10-24T22:00:00Z', ends: '2026-10-25T23:00:00Z' }, 1, (at) =>"
                        + " time.localTime(at, ZONE)).filter((one) => one.words === '02:00').length",
                "2"
            },
            {"agenda.weekOf('2026-11-24')", days("2026-11-23", 7)},
            {"agenda.daysOn('2026-12-31', 1)", "2027-01-01"},
            {
                "[...agenda.within([{ day: '2026-10-31' }, { day: '2026-11-01' }], 'month', '2026-11-24')]",
                "[\"2026-11-01\"]"
            },
            {
                "place.readPlace(new URLSearchParams('as=agenda&days=3'), ZONE)",
                "{\"mode\":\"agenda\",\"at\":null,\"span\":259200000}"
            },
            {"place.readPlace(new URLSearchParams('as=nonsense&days=-3&at=yesterday'), ZONE).span / 86400000", "16"},
            {
                "new Date(place.readPlace(new URLSearchParams('at=2026-11-27'), ZONE).at).toISOString()",
                "2026-11-27T11:00:00.000Z"
            },
            {
                "place.writePlace(new URLSearchParams('q=soil'), { mode: 'agenda', at: Date.parse('2026-11-27T11:00:00Z') },"
                        + " ZONE).toString()",
                "q=soil&as=agenda&at=2026-11-27"
            },
            {
                "place.writePlace(new URLSearchParams('as=agenda&at=2026-11-27'), { mode: 'lanes', at: null }, ZONE).toString()",
                ""
            },
        };
    }

    private static String days(String first, int many) {
        StringBuilder all = new StringBuilder("[");
        for (int i = 0; i < many; i++) {
            all.append(i == 0 ? "\"" : ",\"")
                    .append(LocalDate.parse(first).plusDays(i))
                    .append('"');
        }
        return all.append(']').toString();
    }

    @Test(dataProvider = "grains")
    public void timeIsCutWhereOneLooks(String expression, String said) {
        assertEquals(say(expression), said);
    }

    private static final String AGENDA = """
            agenda.agendaOf({ first: '2026-11-24', last: '2026-11-28', closes: [{ at: '2026-11-27T16:00:00Z', name: 'Close' }],
              days: ['24', '25', '26', '27', '28'].map((day) => ({ day: '2026-11-' + day, starts: '2026-11-' + (day - 1) +
                'T23:00:00Z', ends: '2026-11-' + day + 'T23:00:00Z', opens: [], due: day === '27' ? [1] : [], dayOff: null })),
              works: [""" + TOLD + """
            ({ due: '2026-11-27T16:00:00Z' })] }, [piecework({})], undefined)""";

    @Test
    public void emptyDaysAreOneLineWhereTheWorkIsNarrowedAndTodayStays() {
        String of = "agenda.folded(" + AGENDA + ", '2026-11-25', %s).map((one) => Array.isArray(one) ? one.length :"
                + " one.day.day.slice(8)).join(' ')";
        assertEquals(say(of.formatted("true")), "1 25 1 27 1");
        assertEquals(say(of.formatted("false")), "24 25 26 27 28");
    }

    @Test
    public void aCloseStandsAmongWhatIsDueByItsInstant() {
        String kinds = say(AGENDA + ".days[3].entries.map((one) => one.kind).join(' ')");
        assertTrue(kinds.equals("due close") || kinds.equals("close due"), kinds);
    }
}
