package app.navlo.formats.ical;

import app.navlo.core.time.Deadline;
import app.navlo.formats.ical.OutgoingCalendar.Event;
import app.navlo.formats.ical.OutgoingCalendar.ToDo;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.CalendarComponent;
import net.fortuna.ical4j.model.component.VAlarm;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.component.VToDo;
import net.fortuna.ical4j.model.parameter.Related;
import net.fortuna.ical4j.model.property.Action;
import net.fortuna.ical4j.model.property.Categories;
import net.fortuna.ical4j.model.property.Completed;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtEnd;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.Due;
import net.fortuna.ical4j.model.property.PercentComplete;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Status;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.Transp;
import net.fortuna.ical4j.model.property.Trigger;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.XProperty;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.jspecify.annotations.Nullable;

/** Writes a calendar as RFC 5545 has it, with all instants in UTC. */
public final class CalendarWriter {
    /** By which Navlo knows its own calendars again. */
    static final String MAKER = "-//Navlo//Navlo//EN";

    private CalendarWriter() {}

    public static String write(OutgoingCalendar calendar) {
        Calendar out = new Calendar();
        out.add(new ProdId(MAKER));
        out.add(ImmutableVersion.VERSION_2_0);
        out.add(new XProperty("X-WR-CALNAME", calendar.name()));
        calendar.toDos().forEach(toDo -> out.add(toDo(toDo, calendar.asOf())));
        calendar.events().forEach(event -> out.add(event(event, calendar.asOf())));
        StringWriter text = new StringWriter();
        try {
            new CalendarOutputter(false).output(out, text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static VToDo toDo(ToDo toDo, Instant asOf) {
        VToDo out = new VToDo(false);
        describe(out, toDo.key(), toDo.title(), toDo.description(), toDo.category(), asOf);
        Deadline due = toDo.due();
        if (due instanceof Deadline.EndOfDay end) {
            out.add(new Due<>(end.day()));
        } else {
            if (toDo.opens() != null && (due == null || toDo.opens().isBefore(due.instant()))) {
                out.add(new DtStart<>(seconds(toDo.opens())));
            }
            if (due != null) {
                out.add(new Due<>(seconds(due.instant())));
            }
        }
        out.add(new Status(toDo.status().name().replace('_', '-')));
        out.add(new PercentComplete(toDo.percent()));
        if (toDo.completedAt() != null) {
            out.add(new Completed(seconds(toDo.completedAt())));
        }
        if (toDo.alarm() != null && due != null) {
            out.add(alarm(toDo.alarm(), toDo.title(), Related.END));
        }
        return out;
    }

    private static VEvent event(Event event, Instant asOf) {
        VEvent out = new VEvent(false);
        describe(out, event.key(), event.title(), event.description(), event.category(), asOf);
        if (event.day() != null) {
            out.add(new DtStart<>(event.day()));
        } else {
            out.add(new DtStart<>(seconds(event.start())));
            if (event.end().isAfter(event.start())) {
                out.add(new DtEnd<>(seconds(event.end())));
            }
        }
        if (event.alarm() != null) {
            out.add(alarm(event.alarm(), event.title(), Related.START));
        }
        out.add(new Transp(event.busy() ? "OPAQUE" : "TRANSPARENT"));
        return out;
    }

    private static VAlarm alarm(Duration before, String title, Related to) {
        VAlarm alarm = new VAlarm();
        alarm.add(new Action("DISPLAY"));
        alarm.add(new Description(title));
        Trigger trigger = new Trigger(before.negated());
        trigger.add(to);
        alarm.add(trigger);
        return alarm;
    }

    private static void describe(
            CalendarComponent out,
            String key,
            String title,
            String description,
            @Nullable String category,
            Instant asOf) {
        out.add(new Uid(key));
        out.add(new DtStamp(seconds(asOf)));
        out.add(new Summary(title));
        if (!description.isEmpty()) {
            out.add(new Description(description));
        }
        if (category != null) {
            out.add(new Categories(category));
        }
    }

    private static Instant seconds(Instant at) {
        return at.truncatedTo(ChronoUnit.SECONDS);
    }
}
