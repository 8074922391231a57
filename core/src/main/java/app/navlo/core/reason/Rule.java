package app.navlo.core.reason;

/** A rule that can decide something. Each room of the core lists its own as an enum. */
public interface Rule {
    String name();

    /** One plain sentence with the names of inputs in braces: {@code "Handed in {at}, by the due of {due}"}. */
    String template();
}
