package app.navlo.core.plan;

/**
 * How hard to look for a plan. Steps are counted, not time, so that the same problem gives the same plan everywhere.
 *
 * @param steps of the search, in all
 * @param labels that the proof may follow; 0: none is tried
 * @param rounds in which prices for the bound are found
 */
public record SearchBudget(long steps, int labels, int rounds) {
    private static final long STEPS_A_JOB = 4_200;
    /** Up to so many jobs. */
    private static final int MANY = 40;
    /** And for each job beyond so many; between the two, prices bring more than steps do. */
    private static final int VERY_MANY = 60;

    private static final long STEPS_A_JOB_MORE = 3_000;
    private static final long FEWEST_STEPS = 30_000;
    private static final int SMALL = 12;
    private static final int SMALL_LABELS = 200_000;
    private static final int LABELS = 30_000;
    private static final int MOST_TO_PROVE = 24;
    private static final int QUICK = 4;
    /** Steps times jobs: among some hundreds each step is dear as well, and a longer search finds two hundredths more. */
    private static final long MOST_QUICK_WORK = 40_000_000;

    private static final int FEWEST_ROUNDS = 10;
    private static final int ROUNDS = 300;
    private static final int ROUNDS_TO_PROVE = 800;

    /** A quarter as hard, with a bound half as hard: what the page asks for with every move of the slider. */
    public static SearchBudget quick(int jobs) {
        SearchBudget usual = usual(jobs);
        return new SearchBudget(
                Math.min(MOST_QUICK_WORK / Math.max(1, jobs), usual.steps() / QUICK),
                usual.labels() / QUICK,
                Math.min(usual.rounds() / 2, Math.max(FEWEST_ROUNDS, (int)
                        (MOST_QUICK_WORK / Math.max(1, (long) jobs * jobs)))));
    }

    private static long steps(int jobs) {
        return Math.max(
                FEWEST_STEPS, STEPS_A_JOB * Math.min(jobs, MANY) + STEPS_A_JOB_MORE * Math.max(0, jobs - VERY_MANY));
    }

    /** What answers while a finger rests on the slider: on a slow machine a tenth of a second for 40 jobs. */
    public static SearchBudget usual(int jobs) {
        int labels = jobs <= SMALL ? SMALL_LABELS : jobs <= MOST_TO_PROVE ? LABELS : 0;
        int rounds = labels > 0 ? ROUNDS_TO_PROVE : ROUNDS;
        return new SearchBudget(steps(jobs), labels, rounds);
    }
}
