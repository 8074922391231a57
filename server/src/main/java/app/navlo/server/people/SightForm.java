package app.navlo.server.people;

import app.navlo.server.store.Sight;
import jakarta.validation.constraints.NotNull;
import org.jspecify.annotations.Nullable;

/**
 * What a guardian is to see beside work and grades.
 *
 * @param words what was said about the work, what was handed in, and files
 * @param messages letters to teachers
 */
record SightForm(
        @NotNull(message = "Say whether they see words and files.")
        Boolean words,

        @NotNull(message = "Say whether they see messages.") Boolean messages) {
    Sight sight() {
        return new Sight(words, messages);
    }

    /** All of it where nothing is said. */
    static Sight sight(@Nullable SightForm form) {
        return form == null ? Sight.ALL : form.sight();
    }
}
