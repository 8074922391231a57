package app.navlo.formats.ical;

import app.navlo.core.time.Deadline;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.WorkKind;
import app.navlo.formats.told.KindWords;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.formats.told.TitleWords;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What a calendar says, as any source tells it: entries that open and close one piece of work become one, what takes place at
 * a time is an appointment, and what seems to be no work says why.
 */
public final class CalendarTold {
    /** The one course of a calendar whose entries name none. */
    public static final String ONE_COURSE = "calendar";

    private final String name;
    private final CalendarContent content;
    private final Map<String, SourceSnapshot.Course> courses = new LinkedHashMap<>();
    private final Map<String, SourceSnapshot.Work> works = new LinkedHashMap<>();
    private final Set<String> cancelled = new HashSet<>();
    private final Map<String, Edges> edges = new LinkedHashMap<>();
    /** How many entries speak of what is called so. */
    private final Map<String, Integer> many = new HashMap<>();

    private final boolean byCode;
    private final boolean byCategory;

    private CalendarTold(CalendarContent content, String fallback, Set<String> known) {
        this.content = content;
        this.name = content.name() == null ? fallback : content.name();
        Set<String> codes = new HashSet<>();
        content.entries().forEach(entry -> Optional.ofNullable(
                        TitleWords.read(entry.title()).code())
                .ifPresent(codes::add));
        this.byCode = codes.size() > 1 || codes.stream().anyMatch(known::contains);
        content.entries()
                .forEach(entry -> many.merge(like(TitleWords.read(entry.title()).title()), 1, Integer::sum));
        this.byCategory = content.entries().stream()
                .flatMap(entry -> entry.categories().stream())
                .anyMatch(category -> known.contains(category.toLowerCase(Locale.ROOT)));
    }

    /** The entries of which one says when a piece of work opens, and another when it closes. */
    private static final class Edges {
        @Nullable
        CalendarEntry opens;

        @Nullable
        CalendarEntry closes;

        @Nullable
        CalendarEntry itself;
    }

    /**
     * @param fallback what the calendar is called if it has no name
     * @param known names of courses in lower case: where a category is one of them, categories are courses
     */
    public static SourceSnapshot of(CalendarContent content, String fallback, Set<String> known) {
        return new CalendarTold(content, fallback, known).told();
    }

    private TitleWords.Read read(CalendarEntry entry) {
        TitleWords.Read read = TitleWords.read(entry.title());
        return many.getOrDefault(like(read.title()), 0) > 1 ? read : read.alone();
    }

    private static String like(String title) {
        return title.toLowerCase(Locale.ROOT);
    }

    /** The course that an entry names: by its code, or by its category. */
    private @Nullable String named(CalendarEntry entry) {
        if (byCategory && !entry.categories().isEmpty()) {
            return entry.categories().get(0);
        }
        return byCode ? TitleWords.read(entry.title()).code() : null;
    }

    private SourceSnapshot told() {
        for (CalendarEntry entry : content.entries()) {
            if (entry.cancelled()) {
                cancelled.add(entry.key());
                continue;
            }
            TitleWords.Read read = read(entry);
            Edges one = edges.computeIfAbsent(
                    course(entry) + "\n" + like(read.title())
                            + (read.edge() == TitleWords.Edge.ITSELF ? "\n" + entry.key() : ""),
                    any -> new Edges());
            if (read.edge() == TitleWords.Edge.OPENS) {
                one.opens = entry;
            } else if (read.edge() == TitleWords.Edge.CLOSES) {
                one.closes = entry;
            } else {
                one.itself = entry;
            }
        }
        joinEdges();
        edges.values().forEach(this::work);
        return new SourceSnapshot(
                name,
                List.copyOf(courses.values()),
                List.copyOf(works.values()),
                List.of(),
                content.leftAside().stream()
                        .map(aside -> new SourceSnapshot.Trouble(aside.title(), aside.why()))
                        .toList(),
                new SourceSnapshot.Beside(cancelled, reach(), List.of(), content.classes()));
    }

    /** What opens or closes belongs to the entry of the same title, where there is one. */
    private void joinEdges() {
        Map<String, Edges> byTitle = new HashMap<>();
        edges.forEach((key, one) -> {
            if (one.itself != null) {
                byTitle.putIfAbsent(key.substring(0, key.lastIndexOf('\n')), one);
            }
        });
        edges.entrySet().removeIf(entry -> {
            Edges of = entry.getValue().itself == null ? byTitle.get(entry.getKey()) : null;
            if (of != null) {
                of.opens = entry.getValue().opens;
                of.closes = entry.getValue().closes;
            }
            return of != null;
        });
    }

    private String course(CalendarEntry entry) {
        String named = named(entry);
        String key = named == null ? ONE_COURSE : named;
        courses.computeIfAbsent(
                key, any -> new SourceSnapshot.Course(key, named == null ? plain(name) : named, "", List.of()));
        return key;
    }

    /** "MATH-201 Calendar" is the calendar of MATH-201. */
    static String plain(String name) {
        String rest = name.replaceAll("(?i)\\b(calendar|events|schedule|feed)\\b", " ")
                .replaceAll("\\s+", " ")
                .replaceAll("^[\\s:–-]+|[\\s:–-]+$", "");
        return rest.isEmpty() ? name : rest;
    }

    private void work(Edges edges) {
        CalendarEntry entry = edges.itself != null ? edges.itself : edges.closes != null ? edges.closes : edges.opens;
        TitleWords.Read read = read(Objects.requireNonNull(entry));
        Stretch held = edges.itself == null || read.isDue() ? null : entry.held();
        Deadline due = edges.itself == null && edges.closes == null ? null : entry.due();
        Instant opens = edges.opens == null ? entry.opensAt() : start(edges.opens);
        Instant closes = edges.closes == null || edges.itself == null ? null : end(edges.closes);
        if (opens != null && due != null && due.instant().isBefore(opens)) {
            opens = null;
        }
        String notWork = read.notWork();
        works.put(
                entry.key(),
                new SourceSnapshot.Work(
                        entry.key(),
                        course(entry),
                        read.title(),
                        KindWords.kind(read.title()),
                        null,
                        null,
                        opens,
                        held == null ? due : Deadline.at(held.start()),
                        entry.description(),
                        held == null && closes == null
                                ? null
                                : SourceSnapshot.More.plain(
                                        KindWords.kind(read.title()) != WorkKind.PRACTICE, closes, null, held),
                        new SourceSnapshot.Hint(notWork, null, entry.address(), entry.note())));
    }

    private static @Nullable Instant start(CalendarEntry entry) {
        return entry.held() != null
                ? entry.held().start()
                : entry.due() == null
                        ? entry.opensAt()
                        : entry.due() instanceof Deadline.EndOfDay end
                                ? end.day().atStartOfDay(end.zone()).toInstant()
                                : entry.due().instant();
    }

    private static @Nullable Instant end(CalendarEntry entry) {
        return entry.due() == null ? null : entry.due().instant();
    }

    /** Many calendars tell of a span of time only. */
    private @Nullable Stretch reach() {
        List<Instant> dues = content.entries().stream()
                .map(CalendarTold::end)
                .filter(Objects::nonNull)
                .sorted()
                .toList();
        return dues.isEmpty()
                ? null
                : new Stretch(dues.get(0), dues.get(dues.size() - 1).plusNanos(1));
    }
}
