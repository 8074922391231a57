package app.navlo.server.message;

/** How far a message has come. */
public enum Sending {
    WAITING,
    SENT,
    GIVEN_UP
}
