package app.navlo.server.handin;

import app.navlo.core.work.Fact;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.jspecify.annotations.Nullable;

/**
 * @param text of the post or reply
 * @param answers the post of another that it answers; null for none
 */
public record Post(
        @NotNull(message = "Say whether it is a post or a reply.")
        Fact.Posted.Part part,

        @NotBlank(message = "Write something first.") @Size(max = 20000, message = "At most 20000 letters.")
        String text,

        @Nullable Long answers) {}
