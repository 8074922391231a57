package app.navlo.server.hours;

import java.time.Instant;

public record BusyTimeView(Instant start, Instant end, String title) {}
