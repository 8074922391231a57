package app.navlo.core.id;

/** Which part of a grade it is. */
public sealed interface PartId permits CategoryId, StandardId {
    String text();
}
