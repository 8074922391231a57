package app.navlo.server.editing;

import app.navlo.server.store.WishList;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * @param notBefore given exactly where it is to wait until then, or is nailed to that hour
 * @param before given exactly where it is to come before that work
 */
public record WishForm(
        @NotNull(message = "Say what you want.") WishList.Kind kind,
        @Nullable Instant notBefore,
        @Nullable Long before) {}
