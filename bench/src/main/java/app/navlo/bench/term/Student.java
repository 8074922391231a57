package app.navlo.bench.term;

import app.navlo.bench.term.MadeTerm.Work;
import java.util.ArrayList;
import java.util.List;

/** One who lives through a made-up term by a rule: what they know at an instant, and what comes of what they do. */
final class Student {
    private static final double A_HAIR = 1e-9;

    /** Which work to do next. */
    interface Rule {
        /**
         * Asked when a sitting begins, when something is finished, and when it shows half-way what something takes.
         *
         * @param end of the sitting
         * @return -1 for nothing
         */
        int next(Student student, double now, double end);

        /** Whether to ask for more time for this now. Asked each evening, before the due. */
        default boolean asks(Student student, int work, double now) {
            Work one = student.works.get(work);
            return one.due() - now < MadeTerm.DAY && student.spent(work) < one.thought() / 2.0;
        }
    }

    /** @param missing pieces of work that were never handed in, redos aside */
    record Outcome(double percent, int passed, int missing) {}

    final MadeTerm term;
    final List<Work> works;
    private final List<Double> spent = new ArrayList<>();
    private final List<Double> finished = new ArrayList<>();
    private final List<Double> earned = new ArrayList<>();
    private final List<Integer> added = new ArrayList<>();
    private final int[] tokens;
    private final int[] extensions;

    Student(MadeTerm term) {
        this.term = term;
        works = new ArrayList<>(term.works);
        tokens = term.tokens.clone();
        extensions = term.extensions.clone();
        works.forEach(any -> begin());
    }

    private void begin() {
        spent.add(0.0);
        finished.add(0.0);
        earned.add(0.0);
        added.add(0);
    }

    Outcome follow(Rule rule) {
        for (int day = 0; day < MadeTerm.DAYS; day++) {
            if (!term.lost(day)) {
                sit(rule, MadeTerm.evening(day), MadeTerm.minutes(day));
            }
        }
        double[] percent = new double[term.courses];
        int missing = 0;
        for (int course = 0; course < term.courses; course++) {
            percent[course] = sure(course);
        }
        for (int i = 0; i < term.works.size(); i++) {
            missing += finished.get(i) > 0 ? 0 : 1;
        }
        double sum = 0;
        int passed = 0;
        for (double one : percent) {
            sum += one;
            passed += one >= MadeTerm.PASS ? 1 : 0;
        }
        return new Outcome(sum / term.courses, passed, missing);
    }

    private void sit(Rule rule, double from, int minutes) {
        double now = from;
        double end = from + minutes;
        for (int i = 0; i < works.size(); i++) {
            Work work = works.get(i);
            boolean may = work.extension() > 0
                    && extensions[work.course()] > 0
                    && finished(i) == 0
                    && added.get(i) == 0
                    && work.due() > now;
            if (may && rule.asks(this, i, now)) {
                extensions[work.course()]--;
                added.set(i, work.extension());
            }
        }
        while (now < end) {
            int next = rule.next(this, now, end);
            if (next < 0) {
                return;
            }
            double left = works.get(next).real() - spent(next);
            double half = works.get(next).real() / 2.0 - spent(next);
            double worked = Math.min(half > A_HAIR ? half : left, end - now);
            spent.set(next, spent(next) + worked);
            now += worked;
            if (spent(next) >= works.get(next).real() - A_HAIR) {
                finish(next, now);
            }
        }
    }

    /** Handed in, with a token where that saves something. */
    private void finish(int i, double now) {
        Work work = works.get(i);
        finished.set(i, now);
        double worth = work.worth(now, added.get(i));
        if (tokens[work.course()] > 0 && !work.atItsTime()) {
            double with = work.worth(now, added.get(i) + MadeTerm.DAY);
            if (with > worth + 0.5) {
                tokens[work.course()]--;
                worth = with;
            }
        }
        earned.set(i, worth);
        if (work.redo() != null) {
            works.add(MadeTerm.again(work, (int) now + work.redo().back()));
            begin();
        }
    }

    double spent(int i) {
        return spent.get(i);
    }

    double finished(int i) {
        return finished.get(i);
    }

    int added(int i) {
        return added.get(i);
    }

    int tokens(int course) {
        return tokens[course];
    }

    int extensions(int course) {
        return extensions[course];
    }

    /** What a course has for sure. */
    double sure(int course) {
        double sure = term.before[course];
        for (int i = 0; i < works.size(); i++) {
            sure += works.get(i).course() == course ? earned.get(i) : 0;
        }
        return sure;
    }

    /** What it would bring, finished then: with a token if there is one. */
    double worth(int i, double at) {
        Work work = works.get(i);
        boolean token = tokens[work.course()] > 0 && !work.atItsTime();
        return work.worth(at, added.get(i) + (token ? MadeTerm.DAY : 0));
    }

    /** From when on it could be begun: infinite while something that it waits for isn't done. */
    double opens(int i) {
        Work work = works.get(i);
        if (work.after() < 0) {
            return work.opens();
        }
        double before = finished(work.after());
        return before == 0 ? Double.POSITIVE_INFINITY : Math.max(work.opens(), before + work.lag());
    }

    boolean can(int i, double now) {
        return finished(i) == 0 && opens(i) <= now && worth(i, now + left(i)) > 0;
    }

    /** What is thought of its whole effort now. */
    int thought(int i) {
        Work work = works.get(i);
        return isHalfWay(i) ? work.halfWay() : work.thought();
    }

    /** How far that may be off. */
    double spread(int i) {
        return isHalfWay(i) ? MadeTerm.KNOWN_HALF_WAY * term.sigma : term.sigma;
    }

    private boolean isHalfWay(int i) {
        return spent(i) >= works.get(i).real() / 2.0 - A_HAIR;
    }

    /** What is left of that: at least a tenth. */
    int left(int i) {
        return (int) Math.max(Math.max(1, thought(i) / 10), thought(i) - spent(i));
    }
}
