package app.navlo.core.id;

import org.jspecify.annotations.Nullable;

/** Which category it is. */
public record CategoryId(String text) implements PartId {
    /** @return null for none */
    public static @Nullable CategoryId orNull(@Nullable String text) {
        return text == null ? null : new CategoryId(text);
    }

    @Override
    public String toString() {
        return text;
    }
}
