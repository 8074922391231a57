package app.navlo.core.work;

public enum WorkKind {
    ASSIGNMENT,
    QUIZ,
    TEST,
    PROJECT,
    DISCUSSION,
    PRACTICE;

    /** Whether it is sat in attempts, which can't be handed in as a file or taken back. */
    public boolean byAttempts() {
        return this == QUIZ || this == TEST;
    }
}
