package app.navlo.server.standing;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * @param percent least raw percent with which it is reached; null when out of reach
 * @param why in words, where the target can't be asked of that piece of work; null otherwise
 * @param atMost the figure with full points; null where there is none
 * @param carry the pieces of work that would carry it with the least effort, each at what is expected of it; null where
 *     they can't
 */
public record TargetView(
        @Nullable String percent,
        @Nullable String why,
        @Nullable String atMost,
        @Nullable List<CarryView> carry) {}
