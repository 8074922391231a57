package app.navlo.server.notices;

/**
 * One thing that somebody is told.
 *
 * @param student about whom
 * @param key names it for as long as it is told; unique within a student
 * @param line what it says
 */
record Word(long student, String key, Kind kind, String line) {
    /** In the order in which they stand in a mail. */
    enum Kind {
        LOSS("About to be lost by waiting"),
        ASKED("Asked for, or to be looked into"),
        SCORE("New scores"),
        WEEK("The week ahead");

        private final String title;

        Kind(String title) {
            this.title = title;
        }

        String title() {
            return title;
        }
    }
}
