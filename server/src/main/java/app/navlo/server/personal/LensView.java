package app.navlo.server.personal;

/** @param query of the address, without its question mark */
public record LensView(long id, String name, String query) {}
