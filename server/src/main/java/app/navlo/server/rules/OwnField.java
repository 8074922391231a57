package app.navlo.server.rules;

/** What a student can set of work that a source told of; no source overwrites it then. */
public enum OwnField {
    TITLE,
    COURSE,
    KIND,
    CATEGORY,
    UNIT,
    REQUIRED,
    POINTS,
    OPENS,
    DUE,
    EFFORT,
    ADDRESS
}
