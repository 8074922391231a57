package app.navlo.server.board;

import app.navlo.core.time.WeeklyHours;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.FreeHours;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DayOfWeek;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The hours of the week that a student keeps free, against which the tideline measures the load. */
@RestController
public class FreeHoursController {
    private final FreeHours hours;
    private final LiveFeed live;

    FreeHoursController(FreeHours hours, LiveFeed live) {
        this.hours = hours;
        this.live = live;
    }

    /** @param assumed whether the student has never said */
    public record FreeHoursView(boolean assumed, List<FreeSpan> spans) {}

    /** @param ends 00:00 is the end of the day */
    public record FreeSpan(
            @NotNull DayOfWeek day,
            @NotNull LocalTime starts,
            @NotNull LocalTime ends) {}

    public record FreeHoursForm(
            @NotNull @Size(max = 70, message = "At most 70 spans a week.")
            List<@Valid FreeSpan> spans) {}

    @GetMapping("/api/students/{student}/free-hours")
    public FreeHoursView read(@PathVariable long student) {
        return hours.find(student)
                .map(set -> new FreeHoursView(false, spans(set)))
                .orElseGet(() -> new FreeHoursView(true, spans(BoardViews.assumedHours())));
    }

    @PutMapping("/api/students/{student}/free-hours")
    @Transactional
    public FreeHoursView set(@PathVariable long student, @Valid @RequestBody FreeHoursForm form) {
        Map<DayOfWeek, List<WeeklyHours.Span>> byDay = new EnumMap<>(DayOfWeek.class);
        if (form.spans().isEmpty()) {
            throw Refusal.invalid("spans", "Leave at least one span, however short.");
        }
        try {
            form.spans().forEach(span -> byDay.computeIfAbsent(span.day(), day -> new ArrayList<>())
                    .add(new WeeklyHours.Span(span.starts(), span.ends())));
            hours.set(student, new WeeklyHours(byDay));
        } catch (IllegalArgumentException wrong) {
            throw Refusal.invalid("spans", String.valueOf(wrong.getMessage()));
        }
        live.changed(student);
        return read(student);
    }

    private static List<FreeSpan> spans(WeeklyHours hours) {
        List<FreeSpan> spans = new ArrayList<>();
        for (DayOfWeek day : DayOfWeek.values()) {
            hours.spans()
                    .getOrDefault(day, List.of())
                    .forEach(span -> spans.add(new FreeSpan(day, span.startInclusive(), span.endExclusive())));
        }
        return spans;
    }
}
