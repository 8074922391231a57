package app.navlo.core.work;

/** Whether a piece of work waits for other work. */
public enum GateState {
    OPEN,
    SHUT,
    /** What it waits for can't come any more by the student's own doing. */
    SHUT_FOR_GOOD
}
