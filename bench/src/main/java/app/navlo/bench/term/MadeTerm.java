package app.navlo.bench.term;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import org.jspecify.annotations.Nullable;

/**
 * The last six weeks before a close as one made-up student meets them: the same for the same seed, whatever rule is
 * followed. Instants are minutes from its first midnight. Two fifths of each course are decided before.
 */
final class MadeTerm {
    static final int DAYS = 42;
    static final int DAY = 24 * 60;
    static final double PASS = 60;
    /** Of a course that is decided before, and what it brought. */
    private static final double DECIDED = 0.4;

    private static final int EVENING = 17 * 60;
    private static final int WEEKDAY_MINUTES = 120;
    private static final int WEEKEND_MINUTES = 180;
    private static final int HUNDRED = 100;
    /** How well one knows half-way what it takes: of the spread at first. */
    static final double KNOWN_HALF_WAY = 0.25;

    /**
     * @param opens from then on it can be begun
     * @param accepted minutes after the due for which it is taken late, at ten percent a day
     * @param weight of the course's hundred
     * @param score that it brings, of its weight; of a redo what it brings more
     * @param thought minutes that it is thought to take
     * @param halfWay minutes that it is thought to take once half of it is done
     * @param real minutes that it takes
     * @param after the work that it waits for; -1 for none
     * @param lag minutes after that is finished: until it is graded, where a score is waited for
     * @param graded the last minute from which it counts before the close
     * @param atItsTime what is prepared for: it is worth nothing after its due, and no leeway moves it
     * @param extension minutes that asking before the due gives
     * @param redo where the teacher offers one when this is returned; null for none
     */
    record Work(
            int course,
            int opens,
            int due,
            int accepted,
            double weight,
            double score,
            int thought,
            int halfWay,
            int real,
            int after,
            int lag,
            int graded,
            boolean atItsTime,
            int extension,
            @Nullable Redo redo) {
        /** What it brings of the course's hundred if it is finished then with so many minutes added to its due. */
        double worth(double minute, int added) {
            double moved = due + (double) added;
            double last = Math.min(Math.max(moved, due + (double) accepted), graded);
            if (minute > last) {
                return 0;
            }
            double late = Math.max(0, Math.ceil((minute - moved) / DAY));
            return weight * score * Math.max(0, HUNDRED - 10 * late) / HUNDRED;
        }
    }

    /** @param back minutes until the work is returned with the offer */
    record Redo(int back, double more, int thought, int real) {}

    /** A chance to do better: due a week after it is offered. */
    static Work again(Work first, int offered) {
        Redo redo = Objects.requireNonNull(first.redo());
        return new Work(
                first.course(),
                offered,
                offered + 7 * DAY,
                0,
                first.weight(),
                redo.more(),
                redo.thought(),
                redo.real(),
                redo.real(),
                -1,
                0,
                first.graded(),
                false,
                0,
                null);
    }

    final List<Work> works = new ArrayList<>();
    final int courses;
    final double sigma;
    /** By course: what is sure of its hundred, tokens of a day each, and extensions that are given. */
    final double[] before;

    final int[] tokens;
    final int[] extensions;
    private final boolean[] lost = new boolean[DAYS];

    MadeTerm(long seed, int courses, double sigma, double lostDays) {
        this.courses = courses;
        this.sigma = sigma;
        Random random = new Random(seed * 0x9E3779B97F4A7C15L + 17);
        before = new double[courses];
        tokens = new int[courses];
        extensions = new int[courses];
        for (int course = 0; course < courses; course++) {
            course(course, random);
        }
        for (int day = 0; day < DAYS; day++) {
            lost[day] = random.nextDouble() < lostDays;
        }
    }

    private void course(int course, Random random) {
        before[course] = DECIDED * (45 + random.nextInt(45));
        tokens[course] = random.nextInt(3);
        extensions[course] = random.nextInt(3);
        int lastGrading = (DAYS - 1 - random.nextInt(7)) * DAY;
        int turnaround = (1 + random.nextInt(4)) * DAY;
        int many = 7 + random.nextInt(6);
        double[] share = random.doubles(many, 1, 6).toArray();
        double sum = 0;
        for (double one : share) {
            sum += one;
        }
        for (int i = 0; i < many; i++) {
            boolean atItsTime = random.nextInt(10) == 0;
            int due = ((i + 1) * DAYS / many) * DAY - random.nextInt(3) * DAY + (atItsTime ? 9 * 60 : 0);
            int thought = 5 * (6 + random.nextInt(36));
            int real = (int) Math.max(5, thought * Math.exp(sigma * random.nextGaussian()));
            int halfWay = (int) Math.max(5, real * Math.exp(KNOWN_HALF_WAY * sigma * random.nextGaussian()));
            boolean gated = !atItsTime && i > 0 && random.nextInt(5) == 0;
            int lag = gated && random.nextInt(2) == 0 ? turnaround : 0;
            double score = 0.6 + 0.4 * random.nextDouble();
            double weight = (1 - DECIDED) * HUNDRED * share[i] / sum;
            Redo redo = random.nextInt(6) == 0
                    ? new Redo(turnaround, (1 - score) * 0.8, Math.max(10, thought / 3), Math.max(5, real / 3))
                    : null;
            works.add(new Work(
                    course,
                    Math.max(0, due - (7 + random.nextInt(7)) * DAY),
                    due,
                    atItsTime ? 0 : random.nextInt(7) * DAY,
                    atItsTime ? weight / 2 : weight,
                    score,
                    thought,
                    halfWay,
                    real,
                    gated ? works.size() - 1 : -1,
                    lag,
                    atItsTime ? due : lastGrading,
                    atItsTime,
                    atItsTime ? 0 : 2 * DAY,
                    atItsTime ? null : redo));
            if (atItsTime) {
                before[course] += weight * score / 2;
            }
        }
    }

    /** Whether something comes between, and nothing is done that day. Nobody knows before. */
    boolean lost(int day) {
        return lost[day];
    }

    static int evening(int day) {
        return day * DAY + EVENING;
    }

    static int minutes(int day) {
        return day % 7 >= 5 ? WEEKEND_MINUTES : WEEKDAY_MINUTES;
    }
}
