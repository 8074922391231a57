package app.navlo.core.plan;

import app.navlo.core.plan.Plan.Chosen;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;

/**
 * Plays an order of jobs through many cases in which they take as long as they may, and finds the order that is worth most on
 * average. In a case the student keeps to the order: while the next can't be begun yet what fits is done before it, what
 * can't earn anything any more is passed over, what turns out half-way to be too long is given up, and on one day in eight
 * something comes between and nothing is done. The cases are the same for the same problem, so orders are compared like with
 * like.
 */
public final class Foresight {
    private static final long SEED = 7;
    private static final long OTHER_SEED = 11;
    /** How often nothing is done on a day that has free hours. The first, which has begun, is never lost. */
    private static final double LOST = 0.12;
    /** Free time that is no further off belongs to the same day. */
    private static final long SAME_DAY = 4 * 60;

    private static final long[] NONE_LOST = {};
    /** So small a part is within what the cases can tell. */
    private static final int A_THOUSAND = 1_000;
    /** After so many cases a try that isn't better so far is given up. */
    private static final int FIRST_LOOK = 4;

    private final ProblemArrays c;
    private final Layout layout;
    private final JobModes ways;
    private final int n;
    private final int cases;
    /** By case and job: the minutes that it takes. */
    private final long[][] takes;
    /** By case: the free minutes that are lost, from and until, in turn. */
    private final long[][] lost;

    private final SplittableRandom random;

    private final Played played;

    /**
     * @param guesses by job
     * @param cases how many are played, at least 1
     */
    public Foresight(PlanProblem problem, List<Guess> guesses, int cases) {
        this(problem, guesses, cases, SEED);
    }

    /** Other cases, by which no order was chosen: they tell without favour which of two is better. */
    public static Foresight afresh(PlanProblem problem, List<Guess> guesses, int cases) {
        return new Foresight(problem, guesses, cases, OTHER_SEED);
    }

    private Foresight(PlanProblem problem, List<Guess> guesses, int cases, long seed) {
        random = new SplittableRandom(seed);
        c = new ProblemArrays(problem);
        layout = new Layout(problem);
        ways = new JobModes(c);
        n = c.n;
        this.cases = cases;
        takes = new long[cases][n];
        lost = new long[cases][];
        for (int k = 0; k < cases; k++) {
            lost[k] = lost(problem.slots());
        }
        played = new Played(c, ways);
        for (int job = 0; job < n; job++) {
            draw(job, guesses.get(job));
        }
    }

    private long[] lost(List<PlanProblem.Slot> slots) {
        List<Long> lost = new ArrayList<>();
        long minute = 0;
        boolean gone = false;
        for (int i = 0; i < slots.size(); i++) {
            long length = slots.get(i).endExclusive() - slots.get(i).start();
            boolean newDay = i > 0 && slots.get(i).start() - slots.get(i - 1).endExclusive() >= SAME_DAY;
            gone = newDay ? random.nextDouble() < LOST : gone;
            if (gone) {
                lost.add(minute);
                lost.add(minute + length);
            }
            minute += length;
        }
        return lost.stream().mapToLong(Long::longValue).toArray();
    }

    /** The cases of a job cover its spread evenly, each part of it once. */
    private void draw(int job, Guess guess) {
        int[] part = IntStream.range(0, cases).toArray();
        for (int k = cases - 1; k > 0; k--) {
            int other = random.nextInt(k + 1);
            int kept = part[k];
            part[k] = part[other];
            part[other] = kept;
        }
        for (int k = 0; k < cases; k++) {
            takes[k][job] = Math.max(1, Math.round(guess.left((part[k] + 0.5) / cases)));
        }
    }

    /** What isn't chosen comes last, in the order in which it stands. */
    private Played.Line line(List<Chosen> order) {
        int[] jobs = new int[n];
        int[] way = new int[n];
        boolean[] placed = new boolean[n];
        int at = 0;
        for (Chosen one : order) {
            way[one.job()] = ways.wayOf(one);
            placed[one.job()] = true;
            jobs[at++] = one.job();
        }
        for (int job = 0; job < n; job++) {
            if (!placed[job]) {
                way[job] = ways.free(job);
                jobs[at++] = job;
            }
        }
        return new Played.Line(jobs, way);
    }

    /** What an order is worth on average. */
    public double mean(List<Chosen> order) {
        return (double) worth(line(order)) / cases;
    }

    /**
     * From an order, by moving one job at a time, the one that is worth most on average.
     *
     * @param tries how many moves are tried; work grows with them, the cases and the jobs
     * @return all jobs that have a mode, in order; see {@link #asThought}
     */
    public List<Chosen> better(List<Chosen> order, int tries) {
        Played.Line best = line(order);
        long[] worth = new long[cases];
        long[] tried = new long[cases];
        for (int k = 0; k < cases; k++) {
            worth[k] = played.play(takes[k], lost[k], best);
        }
        int[] next = new int[n];
        for (int i = 0; i < tries && n > 1; i++) {
            int from = random.nextInt(n);
            // What comes soon matters most: it is done before anything can be planned anew.
            double place = random.nextDouble();
            int to = (int) (n * place * place);
            if (from == to || best.way()[best.order()[from]] < 0) {
                // It is as it was.
                continue;
            }
            move(best.order(), from, to, next);
            if (isBetter(new Played.Line(next, best.way()), worth, tried)) {
                System.arraycopy(next, 0, best.order(), 0, n);
                System.arraycopy(tried, 0, worth, 0, cases);
            }
        }
        return chosen(best);
    }

    private static void move(int[] order, int from, int to, int[] next) {
        System.arraycopy(order, 0, next, 0, order.length);
        if (from < to) {
            System.arraycopy(order, from + 1, next, from, to - from);
        } else {
            System.arraycopy(order, to, next, to + 1, from - to);
        }
        next[to] = order[from];
    }

    private boolean isBetter(Played.Line line, long[] worth, long[] tried) {
        long more = 0;
        int look = FIRST_LOOK;
        for (int k = 0; k < cases; k++) {
            tried[k] = played.play(takes[k], lost[k], line);
            more += tried[k] - worth[k];
            if (k + 1 == look) {
                if (more <= 0) {
                    return false;
                }
                look *= 2;
            }
        }
        return more > 0;
    }

    /**
     * Of orders that are worth the same on average, the one in which what loses soon comes before what loses late; what is also
     * shorter, where it costs a thousandth.
     *
     * @param front how many jobs at its head are looked at
     */
    public List<Chosen> soonFirst(List<Chosen> order, int front) {
        Played.Line line = line(order);
        long[] holds = new long[n];
        for (int job = 0; job < n; job++) {
            holds[job] = line.way()[job] < 0 ? Long.MAX_VALUE : holds(job, line.way()[job], c.effort[job]);
        }
        int[] jobs = line.order();
        long worth = worth(line);
        for (int i = 1; i < Math.min(front, jobs.length); i++) {
            for (int k = i; k > 0 && holds[jobs[k]] < holds[jobs[k - 1]]; k--) {
                swap(jobs, k);
                long tried = worth(line);
                long least = c.effort[jobs[k - 1]] <= c.effort[jobs[k]] ? worth - worth / A_THOUSAND : worth;
                if (tried < least) {
                    swap(jobs, k);
                    break;
                }
                worth = tried;
            }
        }
        return chosen(line);
    }

    /**
     * An order near this one that keeps more if everything takes as long as is thought: what would be late then is done sooner,
     * unless that loses more on average than it saves, or more than a thousandth.
     *
     * @param tries how many moves are tried at most
     */
    public List<Chosen> inTime(List<Chosen> order, int tries) {
        Played.Line line = line(order);
        long worth = worth(line);
        long least = worth - worth / A_THOUSAND;
        int left = tries;
        boolean moved = true;
        while (moved) {
            moved = false;
            for (int at = 1; at < n && at <= left; at++) {
                long thought = asThoughtWorth(line);
                if (isLate(line.order()[at], line)) {
                    left -= at;
                    moved |= sooner(line, at, thought, least);
                }
            }
        }
        return chosen(line);
    }

    /** If everything takes as long as is thought. */
    private long asThoughtWorth(Played.Line line) {
        return played.play(c.effort, NONE_LOST, line);
    }

    /** Whether it earned less, in the case that was played last, than if it were done next. */
    private boolean isLate(int job, Played.Line line) {
        int way = line.way()[job];
        return way >= 0 && played.earned[job] < ways.value(job, way, c.effort[job]);
    }

    /**
     * Moves the job at a place to where most is gained, as thought and on average.
     *
     * @param thought what the order is worth as thought
     * @param least what it must be worth in all cases together
     * @return whether there is such a place
     */
    private boolean sooner(Played.Line line, int at, long thought, long least) {
        int[] next = new int[n];
        int best = at;
        long most = cases * thought + worth(line);
        for (int to = at - 1; to >= 0; to--) {
            move(line.order(), at, to, next);
            Played.Line tried = new Played.Line(next, line.way());
            long kept = asThoughtWorth(tried);
            long worth = kept > thought ? worth(tried) : least - 1;
            if (worth >= least && cases * kept + worth > most) {
                most = cases * kept + worth;
                best = to;
            }
        }
        move(line.order(), at, best, next);
        System.arraycopy(next, 0, line.order(), 0, n);
        return best < at;
    }

    /** Until which free minute a job earns what it earns then; never ending for what loses nothing later. */
    private long holds(int job, int way, long at) {
        for (long until : ways.until[job][way]) {
            if (at <= until && until < c.minutes) {
                return until;
            }
        }
        return Long.MAX_VALUE;
    }

    private static void swap(int[] jobs, int k) {
        int job = jobs[k];
        jobs[k] = jobs[k - 1];
        jobs[k - 1] = job;
    }

    /** Of all cases together. */
    private long worth(Played.Line line) {
        long sum = 0;
        for (int k = 0; k < cases; k++) {
            sum += played.play(takes[k], lost[k], line);
        }
        return sum;
    }

    private List<Chosen> chosen(Played.Line line) {
        return Arrays.stream(line.order())
                .filter(job -> line.way()[job] >= 0)
                .mapToObj(job -> new Chosen(job, ways.modeOf(job, line.way()[job])))
                .toList();
    }

    /** What is done of an order if everything takes as long as is thought, without what earns and opens nothing. */
    public List<Chosen> asThought(List<Chosen> order) {
        return asThought(line(order));
    }

    private List<Chosen> asThought(Played.Line line) {
        asThoughtWorth(line);
        List<Chosen> done = new ArrayList<>();
        IntStream.range(0, n)
                .filter(job -> played.finish[job] >= 0)
                .boxed()
                .sorted((a, b) -> Long.compare(played.finish[a], played.finish[b]))
                .forEach(job -> done.add(new Chosen(job, ways.mode(job, line.way()[job], played.finish[job]))));
        c.keepUseful(done, layout);
        return done;
    }

    /**
     * What may come of an order.
     *
     * @param most by job: what it brings if it earns all that it can
     */
    public Chances chances(List<Chosen> order, double[] most) {
        Played.Line line = line(order);
        asThoughtWorth(line);
        long[] planned = played.earned.clone();
        double all = Arrays.stream(most).sum();
        double[] share = new double[cases];
        int[] inTime = new int[n];
        for (int k = 0; k < cases; k++) {
            played.play(takes[k], lost[k], line);
            for (int job = 0; job < n; job++) {
                share[k] +=
                        all == 0 || played.earned[job] == 0 ? 0 : most[job] / all * played.earned[job] / ways.most(job);
                inTime[job] += planned[job] > 0 && played.earned[job] >= planned[job] ? 1 : 0;
            }
        }
        Arrays.sort(share);
        return new Chances(
                Arrays.stream(share).average().orElse(0),
                share[cases / 10],
                share[cases - 1 - cases / 10],
                Arrays.stream(inTime).mapToObj(many -> (double) many / cases).toList());
    }
}
