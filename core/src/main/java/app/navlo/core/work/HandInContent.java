package app.navlo.core.work;

/** What was handed in. {@code DONE} is work done elsewhere and reported; {@code ATTEMPT} is a finished quiz or test. */
public enum HandInContent {
    FILES,
    TEXT,
    DONE,
    ATTEMPT
}
