package app.navlo.server.message;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/** @param words of the teacher, as whoever wrote the message puts them down; blank for no answer */
public record ReplyForm(
        @NotNull(message = "Write what the teacher answered.") @Size(max = 20_000, message = "At most 20000 letters.")
        String words) {}
