package app.navlo.server.pace;

import java.time.LocalDate;

public record DayOffView(LocalDate first, LocalDate last, String name) {}
