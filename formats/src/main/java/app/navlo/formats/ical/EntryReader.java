package app.navlo.formats.ical;

import app.navlo.core.time.Deadline;
import app.navlo.core.time.Stretch;
import app.navlo.formats.told.KindWords;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.Period;
import java.time.ZoneId;
import java.time.temporal.TemporalAmount;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.component.CalendarComponent;
import net.fortuna.ical4j.model.property.DateProperty;
import org.jspecify.annotations.Nullable;

/** Reads one event or to-do. Throws {@link IllegalArgumentException} with a plain clause for what can't be read. */
final class EntryReader {
    private static final int LONGEST_TITLE = 300;
    private static final int LONGEST_KEY = 500;
    static final long LONGEST_HELD = 12 * 60;
    private static final int LONGEST_TEXT = 20_000;

    private EntryReader() {}

    static CalendarEntry read(CalendarComponent component, ZoneId floating) {
        List<String> notes = new ArrayList<>();
        boolean event = component.getName().equals(Component.VEVENT);
        When start = when(component, Property.DTSTART, floating, notes);
        Deadline due = event ? endOfEvent(component, start, floating, notes) : dueOfToDo(component, floating, notes);
        Instant opens = event || start == null ? null : start.instant();
        if (opens != null && due != null && due.instant().isBefore(opens)) {
            notes.add("starts after it is due; the start is ignored");
            opens = null;
        }
        String title = title(component);
        return new CalendarEntry(
                key(component, title, due),
                title,
                cut(text(component, Property.DESCRIPTION).strip(), LONGEST_TEXT),
                opens,
                due,
                text(component, Property.STATUS).equalsIgnoreCase("CANCELLED"),
                categories(component),
                KindWords.kind(title),
                event && start != null && start.day() == null ? held(component, floating) : null,
                address(component),
                notes.isEmpty() ? null : String.join("; ", notes));
    }

    /** What takes longer than half a day is a span of time rather than something that one goes to. */
    private static @Nullable Stretch held(CalendarComponent event, ZoneId floating) {
        return stretch(event, floating)
                .filter(stretch -> stretch.minutes() <= LONGEST_HELD)
                .orElse(null);
    }

    private static @Nullable String address(CalendarComponent component) {
        String url = text(component, Property.URL).strip();
        return url.matches("(?i)https?://\\S{1,1900}") ? url : null;
    }

    static String title(CalendarComponent component) {
        String summary =
                text(component, Property.SUMMARY).replaceAll("\\s+", " ").strip();
        return summary.isEmpty() ? "Untitled" : cut(summary, LONGEST_TITLE);
    }

    static int sequence(CalendarComponent component) {
        String sequence = text(component, Property.SEQUENCE);
        return sequence.matches("\\d{1,9}") ? Integer.parseInt(sequence) : 0;
    }

    /** From an event's start to its end; empty where it takes no time. */
    static Optional<Stretch> stretch(CalendarComponent event, ZoneId floating) {
        List<String> notes = new ArrayList<>();
        When start = when(event, Property.DTSTART, floating, notes);
        Deadline end = endOfEvent(event, start, floating, notes);
        return start == null || end == null ? Optional.empty() : Stretch.between(start.instant(), end.instant());
    }

    /** @return null where the property isn't there */
    static @Nullable Instant instant(CalendarComponent component, String name, ZoneId floating) {
        When when = when(component, name, floating, new ArrayList<>());
        return when == null ? null : when.instant();
    }

    /** A date, or an instant; a date that ends an event is the day after its last. */
    private record When(@Nullable LocalDate day, Instant instant, ZoneId zone) {}

    private static @Nullable Deadline endOfEvent(
            CalendarComponent event, @Nullable When start, ZoneId floating, List<String> notes) {
        if (start == null) {
            throw new IllegalArgumentException("has no date");
        }
        When end = when(event, Property.DTEND, floating, notes);
        if (start.day() != null) {
            LocalDate last = end == null || end.day() == null
                    ? lastDay(event, start.day())
                    : end.day().minusDays(1);
            return Deadline.endOf(last.isBefore(start.day()) ? start.day() : last, start.zone());
        }
        Instant until = end == null ? start.instant().plus(duration(event)) : end.instant();
        return Deadline.at(until.isBefore(start.instant()) ? start.instant() : until);
    }

    private static @Nullable Deadline dueOfToDo(CalendarComponent toDo, ZoneId floating, List<String> notes) {
        When due = when(toDo, Property.DUE, floating, notes);
        if (due == null) {
            return null;
        }
        return due.day() == null ? Deadline.at(due.instant()) : Deadline.endOf(due.day(), due.zone());
    }

    private static LocalDate lastDay(CalendarComponent event, LocalDate first) {
        long days = duration(event).toDays();
        return days <= 1 ? first : first.plusDays(days - 1);
    }

    private static Duration duration(CalendarComponent event) {
        Optional<net.fortuna.ical4j.model.property.Duration> property = event.getProperty(Property.DURATION);
        if (property.isEmpty()) {
            return Duration.ZERO;
        }
        TemporalAmount amount = property.get().getDuration();
        Duration duration = amount instanceof Period period ? Duration.ofDays(period.getDays()) : Duration.from(amount);
        return duration.isNegative() ? Duration.ZERO : duration;
    }

    private static @Nullable When when(CalendarComponent component, String name, ZoneId floating, List<String> notes) {
        Optional<Property> found = component.getProperty(name);
        if (found.isEmpty()
                || found.get().getValue() == null
                || found.get().getValue().isBlank()) {
            return null;
        }
        try {
            return when(found.get(), floating, notes);
        } catch (DateTimeException | NumberFormatException e) {
            throw new IllegalArgumentException(
                    "has a date that can't be read: " + found.get().getValue(), e);
        }
    }

    private static When when(Property property, ZoneId floating, List<String> notes) {
        String value = property.getValue().strip();
        if (value.matches("\\d{8}")) {
            LocalDate day = WallTime.day(value);
            return new When(day, day.atStartOfDay(floating).toInstant(), floating);
        }
        String tzid = property.getParameter("TZID")
                .map(parameter -> parameter.getValue())
                .orElse(null);
        if (value.endsWith("Z")) {
            return new When(null, WallTime.utc(value), floating);
        }
        if (tzid == null) {
            return new When(null, WallTime.at(value, floating), floating);
        }
        Optional<ZoneId> known = WallTime.zone(tzid);
        if (known.isPresent()) {
            return new When(null, WallTime.at(value, known.get()), known.get());
        }
        Optional<Instant> defined =
                property instanceof DateProperty<?> date ? WallTime.asDefined(date) : Optional.empty();
        if (defined.isEmpty()) {
            notes.add("its time zone '" + tzid + "' isn't known; read in " + floating);
        }
        return new When(null, defined.orElseGet(() -> WallTime.at(value, floating)), floating);
    }

    private static String key(CalendarComponent component, String title, @Nullable Deadline due) {
        String uid = text(component, Property.UID).strip();
        if (!uid.isEmpty()) {
            return uid.length() <= LONGEST_KEY ? uid : "sha256:" + digest(uid);
        }
        return "sha256:" + digest(title + "\n" + due);
    }

    private static String digest(String text) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(hash);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    private static List<String> categories(CalendarComponent component) {
        return component.getProperties(Property.CATEGORIES).stream()
                .flatMap(property -> Arrays.stream(property.getValue().split(",")))
                .map(String::strip)
                .filter(category -> !category.isEmpty())
                .distinct()
                .toList();
    }

    static String text(CalendarComponent component, String name) {
        Optional<Property> property = component.getProperty(name);
        return property.map(Property::getValue).orElse("");
    }

    private static String cut(String text, int longest) {
        return text.length() <= longest ? text : text.substring(0, longest);
    }
}
