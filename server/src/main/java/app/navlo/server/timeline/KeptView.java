package app.navlo.server.timeline;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * @param until the last instant at which it holds; null for always
 * @param share of full points, 0 to 1, as a decimal
 */
public record KeptView(@Nullable Instant until, String share) {}
