package app.navlo.core.work;

/** Who made a fact. */
public enum Actor {
    STUDENT,
    TEACHER,
    SYSTEM,
    GUARDIAN
}
