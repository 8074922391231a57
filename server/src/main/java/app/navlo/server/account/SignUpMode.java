package app.navlo.server.account;

/** Who may become a person here. The first one signs up with the code that is printed at the start, whatever the mode. */
public enum SignUpMode {
    /** The first signs up, and all others are invited by link. */
    FIRST,
    /** As {@link #FIRST}, for who wants to say it outright. */
    INVITED,
    /** Whoever finds the page may sign up as a student. */
    OPEN
}
