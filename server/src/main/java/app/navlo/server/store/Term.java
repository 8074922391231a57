package app.navlo.server.store;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A term with its days off and grading closes.
 *
 * @param closes in order of time
 */
public record Term(
        long id,
        String name,
        String school,
        ZoneId zone,
        LocalDate firstDay,
        LocalDate lastDay,
        List<DaysOff> daysOff,
        List<GradingPeriod> closes) {

    /** Both days included. */
    public record DaysOff(LocalDate first, LocalDate last, String name) {}

    public record GradingPeriod(String name, Instant closesAt) {}

    public Term {
        daysOff = List.copyOf(daysOff);
        closes = closes.stream()
                .sorted(Comparator.comparing(GradingPeriod::closesAt))
                .toList();
    }

    /** The close that work due then falls under: the first at or after it; of undated work the last. Null for none. */
    public @Nullable Instant closeFor(@Nullable Instant due) {
        if (closes.isEmpty()) {
            return null;
        }
        return closes.stream()
                .map(GradingPeriod::closesAt)
                .filter(close -> due != null && !close.isBefore(due))
                .findFirst()
                .orElse(closes.get(closes.size() - 1).closesAt());
    }
}
