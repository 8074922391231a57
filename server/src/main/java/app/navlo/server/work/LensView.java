package app.navlo.server.work;

/** @param query of the address, without its question mark */
public record LensView(long id, String name, String query) {}
