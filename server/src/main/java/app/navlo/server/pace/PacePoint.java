package app.navlo.server.pace;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** @param done null for days to come */
public record PacePoint(LocalDate day, int due, @Nullable Integer done) {}
