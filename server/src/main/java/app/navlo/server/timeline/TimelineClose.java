package app.navlo.server.timeline;

import java.time.Instant;

public record TimelineClose(String name, Instant at) {}
