package app.navlo.server.store;

/**
 * A file with its name, kept once by what is in it.
 *
 * @param name only ever a name, never a path
 * @param sha256 of its content, 64 hexadecimal digits
 */
public record StoredFile(String name, String mediaType, long size, String sha256) {}
