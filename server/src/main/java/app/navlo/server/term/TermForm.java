package app.navlo.server.term;

import app.navlo.server.problem.OneLine;
import app.navlo.server.problem.Refusal;
import app.navlo.server.problem.Refusal.Fault;
import app.navlo.server.store.Term;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A term as a student types it in. Days and times are those of its zone.
 *
 * @param school empty where nobody says
 * @param daysOff between the first and the last day
 * @param closes of its grading periods; empty where none is known
 */
public record TermForm(
        @NotBlank(message = "Give it a name, such as Autumn term.")
        @Size(max = 120, message = "At most 120 letters.")
        @OneLine
        String name,

        @NotNull @Size(max = 120, message = "At most 120 letters.")
        String school,

        @NotBlank(message = "Choose a time zone.") String zone,
        @NotNull(message = "Choose the first day.") LocalDate firstDay,
        @NotNull(message = "Choose the last day.") LocalDate lastDay,

        @NotNull @Size(max = 60, message = "At most 60 breaks.")
        List<@Valid OffForm> daysOff,

        @NotNull @Size(max = 12, message = "At most 12 grading periods.")
        List<@Valid CloseForm> closes) {
    private static final int MOST_DAYS = 800;

    /** @param last the same as {@code first} for a single day */
    public record OffForm(
            @NotNull(message = "Choose the first day.") LocalDate first,
            @NotNull(message = "Choose the last day.") LocalDate last,

            @NotNull @Size(max = 120, message = "At most 120 letters.") @OneLine
            String name) {}

    /** @param time of the day; after it nothing counts */
    public record CloseForm(
            @NotNull @Size(max = 120, message = "At most 120 letters.") @OneLine
            String name,

            @NotNull(message = "Choose the day.") LocalDate day,
            @NotNull(message = "Choose the time.") LocalTime time) {}

    /** @throws Refusal naming every field that doesn't fit */
    Term term(long id) {
        List<Fault> faults = new ArrayList<>();
        ZoneId in = zone(faults);
        if (lastDay.isBefore(firstDay)) {
            faults.add(new Fault("lastDay", "It ends before it begins. Choose a later day."));
        } else if (lastDay.isAfter(firstDay.plusDays(MOST_DAYS))) {
            faults.add(new Fault("lastDay", "A term of more than two years: is the year right?"));
        }
        daysOff(faults);
        if (in != null) {
            closes(in, faults);
        }
        if (in == null || !faults.isEmpty()) {
            throw Refusal.invalid(faults);
        }
        return new Term(
                id,
                0,
                false,
                name.strip(),
                school.strip(),
                in,
                firstDay,
                lastDay,
                daysOff.stream()
                        .map(off -> new Term.DaysOff(
                                off.first(), off.last(), off.name().strip()))
                        .toList(),
                closes.stream()
                        .map(close -> new Term.GradingPeriod(called(close), at(close, in)))
                        .toList());
    }

    private @Nullable ZoneId zone(List<Fault> faults) {
        try {
            return ZoneId.of(zone);
        } catch (DateTimeException e) {
            faults.add(new Fault("zone", "'" + zone + "' is no time zone; one looks like Europe/Copenhagen."));
            return null;
        }
    }

    private void daysOff(List<Fault> faults) {
        Set<LocalDate> seen = new HashSet<>();
        for (int i = 0; i < daysOff.size(); i++) {
            OffForm off = daysOff.get(i);
            if (off.last().isBefore(off.first())) {
                faults.add(new Fault("daysOff[" + i + "].last", "It ends before it begins. Choose a later day."));
            } else if (off.last().isAfter(off.first().plusDays(MOST_DAYS))) {
                faults.add(new Fault("daysOff[" + i + "].last", "That is more than two years off: is the year right?"));
            } else if (!seen.add(off.first())) {
                faults.add(
                        new Fault("daysOff[" + i + "].first", "Two breaks begin on this day. Take one of them away."));
            }
        }
    }

    private void closes(ZoneId in, List<Fault> faults) {
        Set<Instant> seen = new HashSet<>();
        for (int i = 0; i < closes.size(); i++) {
            CloseForm close = closes.get(i);
            if (in.getRules().getValidOffsets(close.day().atTime(close.time())).isEmpty()) {
                faults.add(new Fault(
                        "closes[" + i + "].time",
                        "There is no " + close.time() + " on that day: the clocks go forward. Choose another time."));
            } else if (!seen.add(at(close, in))) {
                faults.add(new Fault(
                        "closes[" + i + "].day", "Two periods close at this instant. Take one of them away."));
            } else if (close.day().isBefore(firstDay) || close.day().isAfter(lastDay.plusDays(MOST_DAYS / 2))) {
                faults.add(new Fault("closes[" + i + "].day", "It closes outside of the term. Choose another day."));
            }
        }
    }

    private String called(CloseForm close) {
        return close.name().isBlank() ? name.strip() : close.name().strip();
    }

    private static Instant at(CloseForm close, ZoneId in) {
        return close.day().atTime(close.time()).atZone(in).toInstant();
    }
}
