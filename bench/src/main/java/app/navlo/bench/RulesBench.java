package app.navlo.bench;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.WhatIf;
import app.navlo.core.exact.Rational;
import app.navlo.core.grade.By;
import app.navlo.core.grade.Drops;
import app.navlo.core.grade.Readings;
import app.navlo.core.grade.Valued;
import app.navlo.core.id.WorkId;
import app.navlo.core.work.Fact;
import app.navlo.core.work.GateState;
import app.navlo.core.work.WorkState;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.infra.Blackhole;

/** The rules by themselves, on a made-up term. */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 8, time = 1)
@Measurement(iterations = 7, time = 1)
@Fork(1)
public class RulesBench {
    private static final int WORKS = 200;
    private static final int FACTS = 10;
    private static final int IN_A_COURSE = 60;
    private static final int COURSES = 8;
    private static final int ITEMS = 100;

    /** 200 pieces of work with 2,000 facts, or many times as many facts. */
    @State(Scope.Benchmark)
    public static class Term {
        @Param({"1", "10", "100"})
        public int times;

        private final List<SomeCourse.Life> works = new ArrayList<>();

        @Setup
        public void fill() {
            SomeCourse course = new SomeCourse(1);
            for (int i = 0; i < WORKS; i++) {
                works.add(course.life("w" + i, FACTS * times));
            }
        }
    }

    /** One course with 60 pieces of work, and eight of them. */
    @State(Scope.Benchmark)
    public static class Books {
        private final List<CourseBook> books = new ArrayList<>();
        private final List<WhatIf> change = List.of(WhatIf.counts(new WorkId("w7"), Rational.of(20)));

        @Setup
        public void fill() {
            for (int i = 0; i < COURSES; i++) {
                books.add(new SomeCourse(i).book(IN_A_COURSE));
            }
        }
    }

    /** 100 items, of which {@code drop} go. */
    @State(Scope.Benchmark)
    public static class Category {
        @Param({"1", "10", "50", "90"})
        public int drop;

        private List<Valued> items = List.of();

        @Setup
        public void fill() {
            items = new SomeCourse(3).items(ITEMS);
        }
    }

    @Benchmark
    public void states(Term term, Blackhole hole) {
        for (SomeCourse.Life life : term.works) {
            List<Fact> facts = life.facts();
            Instant now = SomeCourse.NOW;
            hole.consume(WorkState.of(life.item(), facts, GateState.OPEN, WorkState.DEFAULT_SOON, now));
        }
    }

    @Benchmark
    public Readings readings(Books books) {
        CourseBook book = books.books.get(0);
        return Readings.of(book.rules().scheme(), book.rules().table(), book.graded());
    }

    @Benchmark
    public void whatIf(Books books, Blackhole hole) {
        books.books.forEach(book -> hole.consume(book.whatIf(books.change)));
    }

    @Benchmark
    public Drops drops(Category category) {
        return Drops.choose(By.POINTS, category.drop, 0, category.items);
    }
}
