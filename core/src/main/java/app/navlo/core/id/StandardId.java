package app.navlo.core.id;

/** Which standard it is. */
public record StandardId(String text) implements PartId {
    @Override
    public String toString() {
        return text;
    }
}
