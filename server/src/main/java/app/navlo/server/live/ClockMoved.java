package app.navlo.server.live;

/** The clock of the demo was moved on. */
public record ClockMoved() {}
