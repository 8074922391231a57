package app.navlo.server.sheet;

/** What a student can set of work that a source told of; no source overwrites it then. */
public enum EditableField {
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
    ADDRESS,
    /** The standards that it is evidence of. */
    EVIDENCE,
    EXTRA
}
