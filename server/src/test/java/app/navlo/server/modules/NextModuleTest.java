package app.navlo.server.modules;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The words of the plan, its days, what a drag means; and what can be chosen in Leeway. */
public class NextModuleTest extends Modules {
    private static final String MOVE = """
            ((over) => ({ work: 1, deed: 'HAND_IN', yours: true, before: null, leeway: null, sittings: [],
              because: { kind: 'FITS', at: null, loses: '0', opens: [], pushedBy: [] }, ...over }))""";
    private static final String NEXT = """
            ((over) => ({ moves: [], left: [], inClass: [], free: [], prices: [], proven: false, withinPercent: '3.0', ...over }))""";

    @DataProvider
    public static Object[][] verbs() {
        return new Object[][] {
            {"'HAND_IN'", "", "Hand in"},
            {"'HAND_IN'", "kind: 'QUIZ', byAttempts: true", "Do"},
            {"'HAND_IN'", "kind: 'TEST', byAttempts: true", "Do"},
            {"'HAND_IN'", "kind: 'DISCUSSION'", "Write"},
            {"'HAND_IN'", "kind: 'PRACTICE'", "Practise"},
            {"'FINISH_PARTS'", "parts: { postsLeft: 1, repliesLeft: 2 }", "Write 1 post and 2 replies"},
            {"'FINISH_PARTS'", "parts: { postsLeft: 0, repliesLeft: 1 }", "Write 1 reply"},
            {"'FINISH_PARTS'", "", "Write what is left"},
            {"'FIX'", "", "Fix and hand in again"},
            {"'PREPARE'", "kind: 'TEST'", "Prepare for"},
        };
    }

    @Test(dataProvider = "verbs")
    public void aMoveBeginsWithAVerb(String deed, String work, String verb) {
        assertEquals(say("next.verb(" + deed + ", piecework({ " + work + " }))"), verb);
    }

    @DataProvider
    public static Object[][] reasons() {
        String at = "at: '2026-11-27T16:00:00Z'";
        return new Object[][] {
            {"because: { kind: 'WISHED', at: null, loses: '0', opens: [], pushedBy: [] }", "You put it first"},
            {
                "before: 2, because: { kind: 'WISHED', at: null, loses: '0', opens: [], pushedBy: [] }",
                "You put it before T2"
            },
            {"because: { kind: 'OPENS_OTHERS', at: null, loses: '0', opens: [3], pushedBy: [] }", "Opens T3"},
            {
                "because: { kind: 'OPENS_OTHERS', at: null, loses: '0', opens: [3, 4, 5], pushedBy: [] }",
                "Opens T3 and 2 more"
            },
            {
                "because: { kind: 'SAFE_BY', " + at + ", loses: '0', opens: [], pushedBy: [] }",
                "Safe if in by Fri 27 Nov 17:00"
            },
            {
                "because: { kind: 'BEFORE_A_LOSS', " + at + ", loses: '1.74', opens: [], pushedBy: [] }",
                "In by Fri 27 Nov 17:00, or 1.7 % less"
            },
            {
                "deed: 'PREPARE', because: { kind: 'BEFORE_A_LOSS', " + at
                        + ", loses: '0.2', opens: [], pushedBy: [] }",
                "Ready by Fri 27 Nov 17:00, or 0.2 % less"
            },
            {
                "because: { kind: 'BEFORE_A_LOSS', " + at + ", loses: '0.01', opens: [], pushedBy: [] }",
                "In time for Fri 27 Nov 17:00"
            },
            {
                "because: { kind: 'WORTH_UNKNOWN', " + at + ", loses: '0', opens: [], pushedBy: [] }",
                "In by Fri 27 Nov 17:00; what it is worth isn’t known"
            },
            {
                "because: { kind: 'COST_ASSUMED', " + at + ", loses: '2', opens: [], pushedBy: [] }",
                "In by Fri 27 Nov 17:00; being late is assumed to cost 2.0 %"
            },
            {
                "gain: '0.00', because: { kind: 'OVERDUE_UNKNOWN', at: null, loses: '0', opens: [], pushedBy: [] }",
                "Overdue, at an unknown cost: nothing of it is assumed to be left"
            },
            {
                "gain: '3.50', because: { kind: 'OVERDUE_UNKNOWN', " + at + ", loses: '0', opens: [], pushedBy: [] }",
                "Overdue, at an unknown cost: its gain is what is assumed to be left"
            },
            {
                "because: { kind: 'NO_TIME_BEFORE_DUE', at: null, loses: '6.4', opens: [], pushedBy: [],"
                        + " missed: '2026-11-25T09:30:00Z' }",
                "Late for tomorrow 10:30: too few free hours before; being late is counted as 6.4 % less"
            },
            {
                "because: { kind: 'LATE_FOR_OTHERS', " + at
                        + ", loses: '0', opens: [3], pushedBy: [], missed: '2026-11-25T09:30:00Z' }",
                "Late for tomorrow 10:30: other work saves more before"
            },
            {
                "because: { kind: 'ON_TIME', " + at + ", loses: '0', opens: [], pushedBy: [] }",
                "On time if in by Fri 27 Nov 17:00"
            },
            {
                "deed: 'PREPARE', because: { kind: 'ON_TIME', " + at + ", loses: '0', opens: [], pushedBy: [] }",
                "Ready by Fri 27 Nov 17:00"
            },
            {
                "nailed: '2026-11-25T18:00:00Z', because: { kind: 'WISHED', at: null, loses: '0', opens: [], pushedBy: [] }",
                "You nailed it to tomorrow 19:00"
            },
            {"", "Loses nothing by waiting; it fits here"},
        };
    }

    @Test(dataProvider = "reasons")
    public void itIsSaidWhyItStandsThere(String over, String words) {
        assertEquals(say("next.why(" + MOVE + "({ " + over + " }), (id) => 'T' + id, ZONE, NOW)"), words);
    }

    private static final String WEEK = NEXT + """
            ({ free: [{ start: '2026-11-24T16:00:00Z', end: '2026-11-24T18:00:00Z' }, { start: '2026-11-25T14:00:00Z',
                end: '2026-11-25T16:00:00Z' }],
               moves: [""" + MOVE
            + "({ work: 1, sittings: [{ start: '2026-11-24T16:00:00Z', end: '2026-11-24T16:10:00Z' }] }),"
            + MOVE + "({ work: 2, sittings: [{ start: '2026-11-24T16:10:00Z', end: '2026-11-24T18:00:00Z' },"
            + " { start: '2026-11-25T14:00:00Z', end: '2026-11-25T14:30:00Z' }] }),"
            + MOVE
            + "({ work: 3, yours: false, sittings: [{ start: '2026-11-25T14:30:00Z', end: '2026-11-25T15:30:00Z' }] })],"
            + " left: [{ work: 4 }], inClass: [{ work: 5 }] })";

    @Test
    public void aDayHasItsFreeAndItsPlannedMinutes() {
        assertEquals(
                say("next.byDay(" + WEEK
                        + ", ZONE).map((day) => [day.date, day.minutes, day.free, day.moves.map((one) =>"
                        + " one.number).join('+')].join(' ')).join('; ')"),
                "2026-11-24 120 120 1+2; 2026-11-25 90 120 3");
        assertEquals(say("next.account(" + WEEK + ")"), "2 planned, 1 left out, 1 in class, and 1 that open in time");
    }

    @DataProvider
    public static Object[][] drags() {
        return new Object[][] {
            {1, 0, "{\"work\":2,\"wish\":{\"kind\":\"FIRST\"}}"},
            {2, 1, "{\"work\":3,\"wish\":{\"kind\":\"BEFORE\",\"before\":2}}"},
            {0, 1, "{\"work\":2,\"wish\":{\"kind\":\"BEFORE\",\"before\":1}}"},
            {0, 2, "{\"work\":1,\"wish\":{\"kind\":\"LATER\",\"notBefore\":\"2026-11-25T14:00:00Z\"}}"},
            {1, 1, "null"},
            {0, 9, "null"},
        };
    }

    @Test(dataProvider = "drags")
    public void aDragIsAWish(int from, int to, String wish) {
        assertEquals(say("next.wishOfMoving(" + WEEK + ", ZONE, " + from + ", " + to + ")"), wish);
    }

    @DataProvider
    public static Object[][] small() {
        return new Object[][] {
            {
                "pace.dayWords([{ neededMinutes: 60 }, { neededMinutes: 32 }])",
                "{\"figure\":\"1 h 32 a school day\",\"rest\":\"is enough\"}"
            },
            {"pace.dayWords([{ neededMinutes: 0 }])", "{\"figure\":\"\",\"rest\":\"nothing is left to do\"}"},
            {
                "pace.dayWords([{ neededMinutes: null }, { neededMinutes: 30 }])",
                "{\"figure\":\"30 min a school day\",\"rest\":\"is enough for the rest; no school day is left for one course\"}"
            },
            {
                "pace.dayWords([{ neededMinutes: null }])",
                "{\"figure\":\"\",\"rest\":\"no school day is left for one course\"}"
            },
            {"next.gainWords('2.13')", "+2.1 %"},
            {"next.gainWords('0.04')", "+<0.1 %"},
            {"next.gainWords('-1.5')", "−1.5 %"},
            {"next.gainWords('0')", "0 %"},
            {"next.proofWords({ proven: true })", "If all takes as long as thought, no plan saves more."},
            {
                "next.proofWords({ proven: false, withinPercent: '3.0' })",
                "If all takes as long as thought, no plan could save more than 3.0 % beyond this."
            },
            {"next.leftWords({ because: 'OTHERS_SAVE_MORE', shutBy: [] }, String)", "the same hours save more elsewhere"
            },
            {
                "next.leftWords({ because: 'SHUT_FOR_GOOD', shutBy: [7, 8] }, (id) => 'T' + id)",
                "shut for good, unless the teacher opens T7 and T8 again"
            },
            {"next.budgetWords(null, true)", "my free hours"},
            {"next.budgetWords(null, false)", "their free hours"},
            {"next.budgetWords(90, true)", "1 h 30"},
            {"next.askWords({ kind: 'TOKENS', tokens: 2 })", "Use 2 tokens"},
            {"next.pricesOf({ prices: [{ fall: '0.004' }, { fall: '0.2' }] }).length", "1"},
            {"leeway.choiceWords({ kind: 'USE_TOKENS', tokens: 1 })", "Use 1 token"},
            {"leeway.choiceWords({ kind: 'ASK', tokens: 0 })", "Ask for an extension"},
            {"leeway.keyOf({ kind: 'USE_TOKENS', tokens: 2 })", "USE_TOKENS 2"},
            {
                "leeway.eventWords({ kind: 'EXTENSION_GRANTED', due: '2026-11-27T16:00:00Z' }, ZONE, NOW)",
                "an extension was given, due Fri 27 Nov 17:00"
            },
            {
                "leeway.timeline([{ kind: 'ASK', tokens: 0, steps: [{ until: '2026-11-25T15:20:00Z', score: '18' }] }, { kind:"
                        + " 'LET_GO', tokens: 0, steps: [{ until: null, score: '0' }] }], NOW).map((one) => one['ASK 0']).join(' ')",
                "18 18 0"
            },
        };
    }

    @Test(dataProvider = "small")
    public void figuresAreSaidInWords(String expression, String words) {
        assertEquals(say(expression), words);
    }

    @DataProvider
    public static Object[][] sure() {
        String at =
                "because: { kind: 'BEFORE_A_LOSS', at: '2026-11-27T16:00:00Z', loses: '1', opens: [], pushedBy: [] }";
        return new Object[][] {
            {
                "likely: 'VERY_LIKELY', spareMinutes: null, minutes: 30",
                "Very likely: nothing is lost by finishing later."
            },
            {
                "likely: 'LIKELY', spareMinutes: 90, minutes: 30, " + at,
                "Likely: 1 h 30 of free time to spare before Fri 27 Nov 17:00, and such work often takes longer or shorter"
                        + " than 30 min."
            },
            {
                "likely: 'AT_RISK', spareMinutes: 0, minutes: 60, " + at,
                "At risk: no free time to spare before Fri 27 Nov 17:00, and such work often takes longer or shorter than"
                        + " 1 h."
            },
        };
    }

    /** What is late anyway has no room to spare before an instant. */
    @Test
    public void ofWhatIsLateNothingIsSaidToBeSpare() {
        String late = "likely: 'LIKELY', spareMinutes: 90, minutes: 30, because: { kind: 'NO_TIME_BEFORE_DUE',"
                + " at: '2026-11-27T16:00:00Z', loses: '1', opens: [], pushedBy: [], missed: '2026-11-25T09:30:00Z' }";
        assertEquals(
                say("next.sureWords(" + MOVE + "({ " + late + " }), ZONE, NOW)"),
                "Likely after its due, tomorrow 10:30: such work often takes longer or shorter than 30 min.");
    }

    @Test
    public void theFirstMoveIsPushedDownByNothing() {
        String plan = NEXT + "({ moves: [" + MOVE + "({ work: 1 }), " + MOVE + "({ work: 2 })] })";
        String of = "next.pushedWords(%s({ work: %d }), %s, (id) => 'T' + id, ZONE, NOW)";
        assertEquals(say(of.formatted(MOVE, 1, plan)), "Nothing: it comes first.");
        assertEquals(say(of.formatted(MOVE, 2, plan)), "Everything above it brings more a minute.");
    }

    @Test(dataProvider = "sure")
    public void howSureItIsIsSaidWithTheRoomThatThereIs(String over, String words) {
        assertEquals(say("next.sureWords(" + MOVE + "({ " + over + " }), ZONE, NOW)"), words);
    }

    @DataProvider
    public static Object[][] turns() {
        String at = "at: '2026-11-24T15:20:00Z'";
        return new Object[][] {
            {"turn: null", "null"},
            {
                "turn: { kind: 'UP', work: 1, " + at + " }, moves: [" + MOVE + "({ work: 1 })]",
                "T1 moved up today 16:20: loses nothing by waiting; it fits here."
            },
            {
                "turn: { kind: 'OUT', work: 4, " + at
                        + " }, left: [{ work: 4, because: 'CANNOT_BE_DONE', shutBy: [] }]",
                "T4 fell out today 16:20: it doesn’t fit before its last instant."
            },
            {"turn: { kind: 'UP', work: 9, " + at + " }", "null"},
        };
    }

    @Test(dataProvider = "turns")
    public void whatTurnedIsSaidInOneLine(String over, String words) {
        assertEquals(say("next.turnWords(" + NEXT + "({ " + over + " }), (id) => 'T' + id, ZONE, NOW)"), words);
    }

    @DataProvider
    public static Object[][] instead() {
        return new Object[][] {
            {"fall: '0.00', prices: [], losers: []", "costs nothing."},
            {"fall: '-0.40', prices: [{ course: 1, fall: '-2.0' }], losers: []", "costs nothing as it looks now."},
            {
                "fall: '0.40', prices: [{ course: 1, fall: '2.04' }, { course: 2, fall: '0.01' }],"
                        + " losers: [{ work: 3, missed: '2026-11-27T16:00:00Z' }]",
                "costs 2.0 % of C1. T3 would miss Fri 27 Nov 17:00."
            },
            {
                "fall: '0.40', prices: [], losers: [1, 2, 3, 4, 5].map((work) => ({ work, missed: null }))",
                "costs nothing. T1 would be left out; T2 would be left out; T3 would be left out; and 2 more."
            },
        };
    }

    @Test(dataProvider = "instead")
    public void anotherPlanIsSaidWithWhatItCosts(String of, String words) {
        assertEquals(say("next.insteadWords({ " + of + " }, (id) => 'T' + id, (id) => 'C' + id, ZONE, NOW)"), words);
    }

    @Test
    public void theShareThatIsExpectedIsSaidWithItsSpread() {
        assertEquals(
                say("next.shareWords({ mean: 93, low: 91, high: 96 })"),
                "93 % of all that is at stake, nine times in ten at least 91 %");
    }
}
