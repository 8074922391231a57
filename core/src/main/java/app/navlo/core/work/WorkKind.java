package app.navlo.core.work;

public enum WorkKind {
    ASSIGNMENT,
    QUIZ,
    TEST,
    PROJECT,
    DISCUSSION,
    PRACTICE
}
