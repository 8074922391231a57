package app.navlo.server.account;

public enum Role {
    STUDENT,
    GUARDIAN
}
