package app.navlo.server.sheet;

import app.navlo.core.check.Check;
import app.navlo.core.time.Availability;
import app.navlo.core.time.Availability.ClassTime;
import app.navlo.core.time.Availability.OnHolidays;
import app.navlo.core.time.Availability.Pauses;
import app.navlo.core.time.WeeklyHours;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * The time that a student has to work in, as it is written down, stored and sent.
 *
 * @param days hours of single days, each day once
 * @param longestMinutes that one works without a break; null for no limit
 * @param overrunMinutes that a sitting may run over the end of free hours where that saves enough; 0 for none
 */
public record TimeSheet(
        @NotNull @Size(max = 70, message = "At most 70 spans a week.")
        List<@Valid FreeSpan> week,

        @NotNull @Size(max = 200, message = "At most 200 days.")
        List<@Valid OneDay> days,

        @NotNull @Size(max = 100, message = "At most 100 classes a week.")
        List<@Valid ClassSpan> classes,

        @NotNull(message = "Choose one.") OnHolidays onHolidays,

        @Nullable
        @Min(value = Pauses.SHORTEST_SITTING, message = "At least 10 minutes.")
        @Max(value = 600, message = "At most 600 minutes.")
        Integer longestMinutes,

        @Min(value = 1, message = "At least 1 minute.") @Max(value = 240, message = "At most 240 minutes.")
        int breakMinutes,

        @Nullable @Min(value = 0, message = "At least 0 minutes.") @Max(value = 120, message = "At most 120 minutes.")
        Integer overrunMinutes) {
    private static final int USUAL_BREAK = 10;
    public static final int USUAL_OVERRUN = 15;

    /** @param ends 00:00 is the end of the day */
    public record FreeSpan(
            @NotNull DayOfWeek day,
            @NotNull LocalTime starts,
            @NotNull LocalTime ends) {}

    /** @param spans empty for none */
    public record OneDay(
            @NotNull(message = "Choose a day.") LocalDate date,

            @NotNull @Size(max = 10, message = "At most 10 spans a day.")
            List<@Valid DaySpan> spans) {}

    public record DaySpan(
            @NotNull LocalTime starts, @NotNull LocalTime ends) {}

    /** @param course null for no course in particular */
    public record ClassSpan(
            @Nullable Long course,
            @NotNull DayOfWeek day,
            @NotNull LocalTime starts,
            @NotNull LocalTime ends) {}

    public TimeSheet {
        // Hours that were carried over from when there was nothing else to say.
        days = Objects.requireNonNullElse(days, List.of());
        classes = Objects.requireNonNullElse(classes, List.of());
        onHolidays = Objects.requireNonNullElse(onHolidays, OnHolidays.AS_USUAL);
        overrunMinutes = Objects.requireNonNullElse(overrunMinutes, USUAL_OVERRUN);
    }

    /** The same with other classes. */
    public TimeSheet holding(List<ClassSpan> others) {
        return new TimeSheet(week, days, others, onHolidays, longestMinutes, breakMinutes, overrunMinutes);
    }

    public static TimeSheet of(WeeklyHours week) {
        List<FreeSpan> spans = new ArrayList<>();
        for (DayOfWeek day : DayOfWeek.values()) {
            week.on(day).forEach(span -> spans.add(new FreeSpan(day, span.startInclusive(), span.endExclusive())));
        }
        return new TimeSheet(spans, List.of(), List.of(), OnHolidays.AS_USUAL, null, USUAL_BREAK, USUAL_OVERRUN);
    }

    /** Until a student says otherwise: two hours after school, three at the week-end. */
    public static TimeSheet assumed() {
        Map<DayOfWeek, List<WeeklyHours.Span>> spans = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            boolean weekend = day.getValue() >= DayOfWeek.SATURDAY.getValue();
            spans.put(day, List.of(weekend ? span(10, 13) : span(16, 18)));
        }
        return of(new WeeklyHours(spans));
    }

    private static WeeklyHours.Span span(int from, int to) {
        return new WeeklyHours.Span(LocalTime.of(from, 0), LocalTime.of(to, 0));
    }

    /** @throws app.navlo.core.check.IllegalInput naming every field that doesn't fit */
    public void check() {
        Check check = new Check()
                .that(!week.isEmpty() || !days.isEmpty(), "week", "is empty; leave at least one span, however short")
                .that(
                        days.stream().map(OneDay::date).distinct().count() == days.size(),
                        "days",
                        "has a day twice; put its hours together");
        fits(check, "week", this::weeklyHours);
        fits(check, "days", () -> own(new WeeklyHours(Map.of())));
        fits(check, "classes", () -> classTimes(LocalDate.MIN, LocalDate.MAX));
        check.orThrow();
    }

    private static void fits(Check check, String field, Supplier<?> part) {
        try {
            part.get();
        } catch (IllegalArgumentException wrong) {
            check.that(false, field, "can't be so: " + wrong.getMessage());
        }
    }

    private Availability own(WeeklyHours week) {
        return new Availability(
                week, singleDays(), onHolidays, Set.of(), List.of(), List.of(), pauses(), ZoneOffset.UTC);
    }

    public WeeklyHours weeklyHours() {
        Map<DayOfWeek, List<WeeklyHours.Span>> byDay = new EnumMap<>(DayOfWeek.class);
        week.forEach(span -> byDay.computeIfAbsent(span.day(), day -> new ArrayList<>())
                .add(new WeeklyHours.Span(span.starts(), span.ends())));
        return new WeeklyHours(byDay);
    }

    public Map<LocalDate, List<WeeklyHours.Span>> singleDays() {
        Map<LocalDate, List<WeeklyHours.Span>> byDate = new HashMap<>();
        days.forEach(day -> byDate.put(
                day.date(),
                day.spans().stream()
                        .map(span -> new WeeklyHours.Span(span.starts(), span.ends()))
                        .toList()));
        return byDate;
    }

    /** @param first of the term, in which classes are held */
    public List<ClassTime> classTimes(LocalDate first, LocalDate last) {
        return classes.stream()
                .map(one -> new ClassTime(one.day(), new WeeklyHours.Span(one.starts(), one.ends()), first, last))
                .toList();
    }

    public Pauses pauses() {
        return new Availability.Pauses(longestMinutes, breakMinutes);
    }
}
