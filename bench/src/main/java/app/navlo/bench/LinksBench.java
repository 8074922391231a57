package app.navlo.bench;

import app.navlo.core.exact.Rational;
import app.navlo.formats.oneroster.OneRosterReader;
import app.navlo.formats.oneroster.OneRosterWriter;
import app.navlo.formats.oneroster.Roster;
import app.navlo.formats.oneroster.ZipBundle;
import app.navlo.formats.table.TableFault;
import app.navlo.formats.told.SourceSnapshot;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * A bundle of 1,000 results read in over HTTP; one student's part of a school of 2,000 students and 400,000 results, in a
 * heap of 48 MB; and the archive of a student with 1,000 pieces of work, out and in again.
 */
final class LinksBench {
    private static final int WARM_UP = 50;
    private static final int RESULTS = 1_000;
    private static final int STUDENTS = 2_000;
    private static final int ITEMS_EACH = 200;
    private static final int CLASSES = 100;
    private static final int RUNS = 5;
    private static final long MOST_UNPACKED = 1L << 30;
    private static final String HEAP = "-Xmx48m";

    private LinksBench() {}

    static void run() throws IOException, InterruptedException {
        bundle();
        school();
        archive();
    }

    private static void bundle() throws IOException, InterruptedException {
        Path file = Files.createTempFile("navlo-bundle", ".zip");
        double[] millis = new double[RUNS];
        for (int i = 0; i < RUNS; i++) {
            try (Running navlo = Running.start("demo")) {
                Client mira = new Client(navlo.address());
                write(file, 1, WARM_UP, "Day school");
                mira.readIn("small.zip", Files.readAllBytes(file));
                write(file, 1, RESULTS, "Evening school");
                long began = System.nanoTime();
                mira.readIn("bundle.zip", Files.readAllBytes(file));
                millis[i] = (System.nanoTime() - began) / 1e6;
            }
        }
        Files.delete(file);
        Figures.print(
                "bundle of " + RESULTS + " results, looked at and read in, median of " + RUNS,
                new Figures(millis).median(),
                "under 2000");
    }

    private static void school() throws IOException, InterruptedException {
        Path file = Files.createTempFile("navlo-school", ".zip");
        write(file, STUDENTS, ITEMS_EACH, "A school");
        Process reader = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        HEAP,
                        "-cp",
                        System.getProperty("java.class.path"),
                        LinksBench.class.getName(),
                        file.toString())
                .inheritIO()
                .start();
        reader.waitFor(10, TimeUnit.MINUTES);
        Files.delete(file);
    }

    /** Reads one student out of a school; by itself, so that its heap can be small. */
    public static void main(String[] args) throws IOException, TableFault {
        double[] millis = new double[RUNS];
        int works = 0;
        for (int i = 0; i < RUNS; i++) {
            long began = System.nanoTime();
            try (ZipBundle bundle = ZipBundle.open(Path.of(args[0]), MOST_UNPACKED)) {
                SourceSnapshot told = OneRosterReader.of(bundle).read("s7", ZoneId.of("Europe/Copenhagen"));
                works = told.results().size();
            }
            millis[i] = (System.nanoTime() - began) / 1e6;
        }
        double median = new Figures(millis).median();
        int rows = STUDENTS * ITEMS_EACH;
        Figures.print(
                rows + " results, one student's " + works + " read in " + HEAP + ", median of " + RUNS, median, "-");
        System.out.printf(Locale.ROOT, "%-58s %9.0f rows a second%n", "  that is", rows / median * 1000);
    }

    private static void archive() throws IOException, InterruptedException {
        byte[] archive;
        try (Running navlo = Running.start("demo")) {
            Client mira = new Client(navlo.address());
            mira.fillTo(RESULTS);
            mira.archive();
            long began = System.nanoTime();
            archive = mira.archive();
            Figures.print(
                    "archive of " + RESULTS + " pieces of work, out",
                    (System.nanoTime() - began) / 1e6,
                    "with in under 5000");
        }
        try (Running navlo = Running.start("start")) {
            Client first = Client.first(navlo.address());
            long began = System.nanoTime();
            first.bringBack(archive);
            Figures.print("the same, in again", (System.nanoTime() - began) / 1e6, "with out under 5000");
        }
    }

    /** A school in which each student has as many results as its classes have line items. */
    private static void write(Path file, int students, int items, String name) throws IOException {
        int classes = Math.min(CLASSES, students);
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file));
                OneRosterWriter writer = new OneRosterWriter(out, name, Instant.parse("2026-11-24T06:00:00Z"))) {
            writer.categories(List.of(new Roster.Category("c", "Work", null)));
            writer.classes(range(classes)
                    .map(k -> new Roster.ClassOf("k" + k, "Class " + k + " of " + name, "o", "t"))
                    .toList());
            writer.enrolments(
                    range(students)
                                    .map(s -> new Roster.Enrolment(
                                            "e" + s, "k" + s % classes, "o", "s" + s, Roster.Role.STUDENT))::iterator);
            writer.lineItems(range(classes).flatMap(k -> range(items).map(i -> item(k, i)))::iterator);
            writer.orgs(List.of(new Roster.Org("o", name)));
            writer.results(range(students).flatMap(s -> range(items).map(i -> result(s, s % classes, i)))::iterator);
            writer.users(range(students)
                    .map(s -> new Roster.User("s" + s, Roster.Role.STUDENT, "Student", "Number " + s, ""))::iterator);
        }
    }

    private static Stream<Integer> range(int many) {
        return IntStream.range(0, many).boxed();
    }

    private static Roster.LineItem item(int k, int i) {
        String due = LocalDate.of(2026, 9, 7).plusDays(i % 100).toString();
        return new Roster.LineItem("i" + k + "-" + i, "Work " + i, "", null, due, "k" + k, "c", null, Rational.of(20));
    }

    private static Roster.Result result(int s, int k, int i) {
        return new Roster.Result(
                "r" + s + "-" + i,
                "i" + k + "-" + i,
                "s" + s,
                Roster.ScoreStatus.FULLY_GRADED,
                Rational.of(i % 21),
                LocalDate.of(2026, 11, 1),
                "",
                false,
                false,
                false,
                false,
                null);
    }
}
