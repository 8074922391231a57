package app.navlo.server.standing;

import java.time.Instant;
import java.util.List;

/** A course on a past day, as it was. */
public record TrendPoint(Instant at, List<TrendFigure> figures) {}
