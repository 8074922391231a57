package app.navlo.server.change;

/** The change, and the fact that stands for the hand-in. */
public record Done(long change, long fact) {}
