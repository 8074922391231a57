package app.navlo.server.feed;

/** As what dues are given. */
public enum Dues {
    EVENTS,
    TODOS
}
