package app.navlo.server.standing;

/** @param minutes of effort that are left */
public record CarryView(long work, long minutes) {}
