package app.navlo.formats.ical;

import app.navlo.core.time.Stretch;
import app.navlo.formats.ical.BusyContent.Busy;
import app.navlo.formats.ical.CalendarContent.LeftAside;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.Period;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.component.CalendarComponent;
import org.jspecify.annotations.Nullable;

/**
 * Reads from a calendar file when its owner is busy: its events, those that repeat as often as they do, but not those that
 * are cancelled or said to take no time. What can't be read is left aside and spoils nothing else. The limits on size and
 * depth are those of {@link CalendarReader}.
 */
public final class BusyReader {
    private static final int MOST_REPEATING = 1_000;
    private static final int MOST_TIMES = 20_000;
    /** What repeats within a day would be millions of times, and nobody's practice. */
    private static final String WITHIN_A_DAY = ".*(FREQ=(HOURLY|MINUTELY|SECONDLY)|BY(HOUR|MINUTE|SECOND)=).*";

    private final ZoneId floating;
    private final Stretch span;
    private final Map<String, Set<Instant>> replaced = new HashMap<>();
    private final List<Busy> times = new ArrayList<>();
    private final List<LeftAside> leftAside = new ArrayList<>();
    private int repeating;

    private BusyReader(ZoneId floating, Stretch span) {
        this.floating = floating;
        this.span = span;
    }

    /**
     * @param floating the zone of dates and times that name none
     * @param span that is of interest; what lies outside it isn't told
     * @throws CalendarFault if the file is no calendar, is cut off, or is too large
     */
    public static BusyContent read(byte[] content, ZoneId floating, Stretch span) throws CalendarFault {
        BusyReader reader = new BusyReader(floating, span);
        List<Calendar> calendars = CalendarReader.calendars(content, reader.leftAside);
        List<CalendarComponent> events = new ArrayList<>();
        for (Calendar calendar : calendars) {
            refuseOwn(calendar);
            for (CalendarComponent component : calendar.getComponents()) {
                if (component.getName().equals(Component.VEVENT)) {
                    events.add(component);
                }
            }
        }
        List<CalendarComponent> latest = latest(events);
        latest.forEach(reader::noteReplaced);
        latest.forEach(reader::take);
        reader.times.sort(Comparator.comparing((Busy busy) -> busy.stretch().start())
                .thenComparing(busy -> busy.stretch().endExclusive()));
        return new BusyContent(CalendarReader.name(calendars), reader.times, reader.leftAside);
    }

    /** Its sittings would take the time that they are planned into. */
    private static void refuseOwn(Calendar calendar) throws CalendarFault {
        boolean own = calendar.getProperty(Property.PRODID)
                .filter(maker -> maker.getValue().equals(CalendarWriter.MAKER))
                .isPresent();
        if (own) {
            throw new CalendarFault(
                    "This calendar was made by Navlo; its sittings can't be busy times of their own plan.");
        }
    }

    /** Of two versions of an event the one with the higher sequence number, else the later one in the file. */
    private static List<CalendarComponent> latest(List<CalendarComponent> events) {
        Map<String, CalendarComponent> latest = new HashMap<>();
        List<CalendarComponent> order = new ArrayList<>();
        for (CalendarComponent event : events) {
            String uid = EntryReader.text(event, Property.UID);
            String key = uid + "\n" + EntryReader.text(event, Property.RECURRENCE_ID);
            CalendarComponent before = uid.isEmpty() ? null : latest.get(key);
            if (before == null || EntryReader.sequence(event) >= EntryReader.sequence(before)) {
                order.remove(before);
                order.add(event);
                latest.put(key, event);
            }
        }
        return order;
    }

    private void noteReplaced(CalendarComponent event) {
        try {
            Instant instead = EntryReader.instant(event, Property.RECURRENCE_ID, floating);
            if (instead != null) {
                replaced.computeIfAbsent(EntryReader.text(event, Property.UID), uid -> new HashSet<>())
                        .add(instead);
            }
        } catch (IllegalArgumentException unreadable) {
            leftAside.add(new LeftAside(EntryReader.title(event), String.valueOf(unreadable.getMessage())));
        }
    }

    private void take(CalendarComponent event) {
        boolean free = EntryReader.text(event, Property.TRANSP).equalsIgnoreCase("TRANSPARENT")
                || EntryReader.text(event, Property.STATUS).equalsIgnoreCase("CANCELLED");
        if (free) {
            return;
        }
        String title = EntryReader.title(event);
        try {
            if (repeats(event)) {
                takeRepeating(event, title);
            } else {
                EntryReader.stretch(event, floating).ifPresent(stretch -> add(stretch, title));
            }
        } catch (RuntimeException unreadable) {
            boolean said = unreadable instanceof IllegalArgumentException;
            leftAside.add(
                    new LeftAside(title, said ? String.valueOf(unreadable.getMessage()) : "repeats in an unknown way"));
        }
    }

    private static boolean repeats(CalendarComponent event) {
        boolean rule = event.getProperty(Property.RRULE).isPresent()
                || event.getProperty(Property.RDATE).isPresent();
        return rule && event.getProperty(Property.RECURRENCE_ID).isEmpty();
    }

    private void takeRepeating(CalendarComponent event, String title) {
        if (EntryReader.text(event, Property.RRULE).toUpperCase(Locale.ROOT).matches(WITHIN_A_DAY)) {
            throw new IllegalArgumentException("repeats more than once a day");
        }
        repeating++;
        if (repeating > MOST_REPEATING) {
            throw new IllegalArgumentException("is beyond the first " + MOST_REPEATING + " that repeat");
        }
        Set<Instant> instead = replaced.getOrDefault(EntryReader.text(event, Property.UID), Set.of());
        Period<ZonedDateTime> within =
                new Period<>(span.start().atZone(floating), span.endExclusive().atZone(floating));
        for (Period<? extends Temporal> one : event.<Temporal>calculateRecurrenceSet(within)) {
            Instant start = instant(one.getStart());
            if (!instead.contains(start)) {
                Stretch.between(start, instant(one.getEnd())).ifPresent(stretch -> add(stretch, title));
            }
        }
    }

    private void add(Stretch stretch, String title) {
        if (times.size() >= MOST_TIMES) {
            throw new IllegalArgumentException("is beyond the first " + MOST_TIMES + " times");
        }
        boolean ofInterest =
                stretch.endExclusive().isAfter(span.start()) && stretch.start().isBefore(span.endExclusive());
        if (ofInterest) {
            times.add(new Busy(stretch, title));
        }
    }

    private Instant instant(@Nullable Temporal temporal) {
        if (temporal instanceof ZonedDateTime zoned) {
            return zoned.toInstant();
        }
        if (temporal instanceof OffsetDateTime offset) {
            return offset.toInstant();
        }
        if (temporal instanceof Instant instant) {
            return instant;
        }
        if (temporal instanceof LocalDateTime wall) {
            return wall.atZone(floating).toInstant();
        }
        if (temporal instanceof LocalDate day) {
            return day.atStartOfDay(floating).toInstant();
        }
        throw new IllegalArgumentException("has a date that can't be read");
    }
}
