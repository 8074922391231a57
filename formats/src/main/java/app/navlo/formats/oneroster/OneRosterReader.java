package app.navlo.formats.oneroster;

import app.navlo.core.exact.Rational;
import app.navlo.formats.table.TableFault;
import app.navlo.formats.table.TextTable;
import app.navlo.formats.table.TextTable.Row;
import app.navlo.formats.told.KindWords;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.formats.told.SourceSnapshot.Trouble;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * Reads what a bundle tells of one student. Each table is gone through row by row, and only what is about that student is
 * kept: a school of thousands costs time, not memory. A row that can't be read is told of and passed over.
 */
public final class OneRosterReader {
    private static final int MOST_TROUBLES = 200;
    private static final int LONGEST_TITLE = 300;
    private static final int LONGEST_TEXT = 20_000;

    private final Bundle bundle;
    private final String system;

    private OneRosterReader(Bundle bundle, String system) {
        this.bundle = bundle;
        this.system = system;
    }

    /** @throws TableFault if it isn't a full OneRoster bundle of version 1.1 or 1.2 */
    public static OneRosterReader of(Bundle bundle) throws IOException, TableFault {
        Map<String, String> manifest = manifest(bundle);
        String version = manifest.getOrDefault("oneroster.version", "");
        if (!version.equals("1.1") && !version.equals("1.2")) {
            throw new TableFault(
                    "manifest.csv says that this is OneRoster '" + version + "'; 1.1 and 1.2 can be read.");
        }
        for (String table : List.of("classes", "lineItems")) {
            String how = manifest.getOrDefault("file." + table, "bulk");
            if (how.equals("delta")) {
                throw new TableFault("The bundle holds only what has changed (" + table
                        + " is a delta). Export a full one, called bulk.");
            }
            if (bundle.table(table).isEmpty()) {
                throw new TableFault("The bundle has no " + table + ".csv. Export it again, with its gradebook.");
            }
        }
        return new OneRosterReader(bundle, manifest.getOrDefault("source.systemName", ""));
    }

    private static Map<String, String> manifest(Bundle bundle) throws IOException, TableFault {
        TextTable.Source source = bundle.table("manifest")
                .orElseThrow(() -> new TableFault("There is no manifest.csv in it, so it is no OneRoster bundle."
                        + " Choose the zip that the gradebook exported."));
        Map<String, String> manifest = new HashMap<>();
        try (TextTable table = TextTable.open("manifest.csv", source)) {
            for (Row row : table) {
                manifest.put(row.at(0), row.at(1));
            }
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
        return manifest;
    }

    /** What the sender calls itself; empty where it doesn't. */
    public String system() {
        return system;
    }

    /** All students of the bundle, by name: who of them the reader is, only the reader knows. */
    public List<Roster.User> students() throws IOException, TableFault {
        Set<String> enrolled = new HashSet<>();
        each("enrollments", row -> {
            if (row.get("role").equalsIgnoreCase("student")) {
                enrolled.add(row.get("userSourcedId"));
            }
        });
        List<Roster.User> students = new ArrayList<>();
        each("users", row -> {
            if (enrolled.contains(row.get("sourcedId"))) {
                students.add(user(row, Roster.Role.STUDENT));
            }
        });
        students.sort(Comparator.comparing(Roster.User::name).thenComparing(Roster.User::id));
        return students;
    }

    private static Roster.User user(Row row, Roster.Role role) {
        return new Roster.User(
                row.get("sourcedId"), role, row.get("givenName"), row.get("familyName"), row.get("email"));
    }

    /**
     * @param student the id of one of {@link #students()}
     * @param zone in which a day ends that is given without a time
     */
    public SourceSnapshot read(String student, ZoneId zone) throws IOException, TableFault {
        return new OneStudent(student, zone).read();
    }

    private interface EachRow {
        void take(Row row);
    }

    private void each(String name, EachRow taker) throws IOException, TableFault {
        Optional<TextTable.Source> source = bundle.table(name);
        if (source.isEmpty()) {
            return;
        }
        try (TextTable table = TextTable.open(name + ".csv", source.get())) {
            for (Row row : table) {
                if (!row.get("status").toLowerCase(Locale.ROOT).equals("tobedeleted")) {
                    taker.take(row);
                }
            }
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
    }

    /** One reading. */
    private final class OneStudent {
        private final String student;
        private final RosterValues values;
        private final List<Trouble> troubles = new ArrayList<>();
        private final Map<String, String> teacherOf = new HashMap<>();
        private final Map<String, String> names = new HashMap<>();
        private final Map<String, SourceSnapshot.Category> categories = new HashMap<>();
        private final Map<String, String> classes = new LinkedHashMap<>();
        private final Map<String, Set<SourceSnapshot.Category>> used = new HashMap<>();
        private final Map<String, SourceSnapshot.Work> works = new LinkedHashMap<>();
        private final Map<String, SourceSnapshot.Result> results = new LinkedHashMap<>();

        OneStudent(String student, ZoneId zone) {
            this.student = student;
            this.values = new RosterValues(zone);
        }

        SourceSnapshot read() throws IOException, TableFault {
            Set<String> mine = new HashSet<>();
            each("enrollments", row -> enrolled(row, mine));
            Set<String> teachers = new HashSet<>(teacherOf.values());
            each("users", row -> {
                if (teachers.contains(row.get("sourcedId"))) {
                    names.put(
                            row.get("sourcedId"), user(row, Roster.Role.TEACHER).name());
                }
            });
            each("classes", row -> {
                if (mine.contains(row.get("sourcedId"))) {
                    classes.put(row.get("sourcedId"), row.get("title"));
                }
            });
            each("categories", row -> take(row, () -> categories.put(row.get("sourcedId"), category(row))));
            each("lineItems", row -> {
                if (classes.containsKey(row.get("classSourcedId"))) {
                    take(row, () -> lineItem(row));
                }
            });
            each("results", row -> {
                if (row.get("studentSourcedId").equals(student) && works.containsKey(row.get("lineItemSourcedId"))) {
                    take(row, () -> result(row));
                }
            });
            return new SourceSnapshot(
                    system, courses(), List.copyOf(works.values()), List.copyOf(results.values()), troubles);
        }

        private void enrolled(Row row, Set<String> mine) {
            String classOf = row.get("classSourcedId");
            if (row.get("userSourcedId").equals(student)) {
                mine.add(classOf);
            } else if (row.get("role").equalsIgnoreCase("teacher")) {
                if (row.get("primary").equalsIgnoreCase("true")) {
                    teacherOf.put(classOf, row.get("userSourcedId"));
                } else {
                    teacherOf.putIfAbsent(classOf, row.get("userSourcedId"));
                }
            }
        }

        /** A bad row is told of; the others are read. */
        private void take(Row row, Runnable reading) {
            try {
                reading.run();
            } catch (IllegalArgumentException bad) {
                if (troubles.size() < MOST_TROUBLES) {
                    troubles.add(new Trouble(row.where(), String.valueOf(bad.getMessage())));
                }
            }
        }

        private SourceSnapshot.Category category(Row row) {
            return new SourceSnapshot.Category(
                    RosterValues.wanted(row, "title"), RosterValues.numberOrNull(row, "weight"));
        }

        private void lineItem(Row row) {
            String id = RosterValues.wanted(row, "sourcedId");
            String title = cut(RosterValues.wanted(row, "title"), LONGEST_TITLE);
            String classOf = row.get("classSourcedId");
            SourceSnapshot.Category category = categories.get(row.get("categorySourcedId"));
            if (category != null) {
                used.computeIfAbsent(classOf, any -> new HashSet<>()).add(category);
            }
            Rational most = RosterValues.numberOrNull(row, "resultValueMax");
            SourceSnapshot.Work before = works.put(
                    id,
                    new SourceSnapshot.Work(
                            id,
                            classOf,
                            title,
                            KindWords.kind(title),
                            category == null ? null : category.name(),
                            most,
                            values.opens(row, "assignDate"),
                            values.due(row, "dueDate"),
                            cut(row.get("description"), LONGEST_TEXT),
                            null));
            if (before != null) {
                throw new IllegalArgumentException("the id " + id + " comes twice; the last one is taken");
            }
        }

        private void result(Row row) {
            Roster.ScoreStatus status = Roster.ScoreStatus.of(row.get("scoreStatus"));
            if (status == null) {
                throw new IllegalArgumentException(
                        "the score status '" + row.get("scoreStatus") + "' is none of the five");
            }
            Rational score = RosterValues.numberOrNull(row, "score");
            SourceSnapshot.Status as =
                    switch (status) {
                        case EXEMPT -> SourceSnapshot.Status.EXCUSED;
                        case FULLY_GRADED ->
                            score == null ? SourceSnapshot.Status.HANDED_IN : SourceSnapshot.Status.SCORED;
                        case PARTIALLY_GRADED ->
                            score == null ? SourceSnapshot.Status.HANDED_IN : SourceSnapshot.Status.PARTLY_SCORED;
                        case SUBMITTED -> SourceSnapshot.Status.HANDED_IN;
                        case NOT_SUBMITTED -> SourceSnapshot.Status.NOT_HANDED_IN;
                    };
            String item = row.get("lineItemSourcedId");
            results.put(
                    item,
                    new SourceSnapshot.Result(
                            item,
                            as,
                            score,
                            values.scoredAt(row),
                            cut(row.get("comment"), LONGEST_TEXT),
                            RosterValues.flag(row, "late"),
                            RosterValues.flag(row, "missing"),
                            RosterValues.flag(row, "incomplete")));
        }

        private List<SourceSnapshot.Course> courses() {
            List<SourceSnapshot.Course> courses = new ArrayList<>();
            classes.forEach((id, title) -> courses.add(new SourceSnapshot.Course(
                    id,
                    title,
                    Objects.requireNonNullElse(names.get(teacherOf.getOrDefault(id, "")), ""),
                    used.getOrDefault(id, Set.of()).stream()
                            .sorted(Comparator.comparing(SourceSnapshot.Category::name))
                            .toList())));
            return courses;
        }
    }

    private static String cut(String text, int longest) {
        return text.length() <= longest ? text : text.substring(0, longest);
    }
}
