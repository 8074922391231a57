package app.navlo.server.hours;

import java.time.LocalDate;

public record HolidayView(LocalDate first, LocalDate last, String name) {}
