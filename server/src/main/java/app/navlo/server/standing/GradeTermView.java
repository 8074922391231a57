package app.navlo.server.standing;

/** @param work its number, or the name of an added one */
public record GradeTermView(String work, String earned, String possible, boolean extra, boolean dropped) {}
