package app.navlo.server.exports;

/** As what dues are given. */
public enum Dues {
    EVENTS,
    TODOS
}
