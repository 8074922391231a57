package app.navlo.bench.term;

import java.util.Comparator;
import java.util.stream.IntStream;

/** Rules that need no plan. */
enum Simple implements Student.Rule {
    EARLIEST_DUE("earliest due first") {
        @Override
        double rank(Student student, int i, double now) {
            int due = student.works.get(i).due() + student.added(i);
            return due < now ? due + (double) MadeTerm.DAYS * MadeTerm.DAY : due;
        }
    },
    MOST_POINTS("most points first") {
        @Override
        double rank(Student student, int i, double now) {
            return -student.worth(i, now + student.left(i));
        }
    },
    OLDEST_MISSING("oldest missing first") {
        @Override
        double rank(Student student, int i, double now) {
            return student.works.get(i).due();
        }
    },
    POINTS_A_MINUTE("points a minute") {
        @Override
        double rank(Student student, int i, double now) {
            return -student.worth(i, now + student.left(i)) / student.left(i);
        }
    };

    final String words;

    Simple(String words) {
        this.words = words;
    }

    abstract double rank(Student student, int i, double now);

    @Override
    public int next(Student student, double now, double end) {
        Comparator<Integer> by = Comparator.comparingDouble(i -> rank(student, i, now));
        return IntStream.range(0, student.works.size())
                .filter(i -> student.can(i, now))
                .boxed()
                .min(by)
                .orElse(-1);
    }
}
