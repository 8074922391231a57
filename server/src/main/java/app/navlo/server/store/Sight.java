package app.navlo.server.store;

/**
 * What somebody sees of a student beside work and grades, which every guardian sees.
 *
 * @param words what was said about the work, what was handed in, and every file
 * @param messages letters to teachers
 */
public record Sight(boolean words, boolean messages) {
    public static final Sight ALL = new Sight(true, true);

    /** Work and grades alone. */
    public static final Sight NARROWEST = new Sight(false, false);
}
