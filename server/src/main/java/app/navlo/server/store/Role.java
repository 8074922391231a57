package app.navlo.server.store;

public enum Role {
    STUDENT,
    GUARDIAN
}
