package app.navlo.core.work;

/** Whose move it is. Every piece of work is in exactly one, so the five counts add up to the total. */
public enum Turn {
    YOURS,
    TEACHERS,
    SETTLED,
    NOT_YET,
    OUT_OF_REACH
}
