package app.navlo.core.work;

/** What a teacher can set by hand, against the clock. The last one stands; {@code CLEARED} takes it off. */
public enum Flag {
    LATE,
    ON_TIME,
    MISSING,
    INCOMPLETE,
    COLLECTED,
    CLEARED
}
