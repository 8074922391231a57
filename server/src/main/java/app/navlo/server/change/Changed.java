package app.navlo.server.change;

/**
 * @param change to be named when it is undone
 * @param id of the course or the piece of work
 */
public record Changed(long change, long id) {}
