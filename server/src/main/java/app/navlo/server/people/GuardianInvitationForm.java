package app.navlo.server.people;

import app.navlo.server.store.Sight;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.jspecify.annotations.Nullable;

/**
 * Who is let in as a guardian.
 *
 * @param words as in {@link SightForm}
 * @param messages as in {@link SightForm}
 * @param email to whom the link is mailed; null to hand it over oneself
 */
record GuardianInvitationForm(
        @NotNull(message = "Say whether they see words and files.")
        Boolean words,

        @NotNull(message = "Say whether they see messages.") Boolean messages,

        @Nullable
        @Email(message = "This isn't an e-mail address; one looks like name@example.org.")
        @Size(min = 1, max = 254, message = "Type an address of at most 254 letters.")
        String email) {
    Sight sight() {
        return new Sight(words, messages);
    }
}
