package app.navlo.server.timeline;

import java.time.Instant;

/** @param reply whether it answers another's post */
public record PartView(Instant at, boolean reply) {}
