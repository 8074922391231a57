package app.navlo.server.editing;

import app.navlo.server.personal.NoteForm;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One deed to several pieces of work, as one change. Exactly one of the deeds is given.
 *
 * @param done elsewhere: recorded as handed in
 * @param back whether they have come back, with no score that is known
 * @param remove takes them off the board; undoing brings them back with all that belongs to them
 * @param read marks their feedback as read
 */
public record TogetherForm(
        @NotEmpty(message = "Choose at least one piece of work.") @Size(max = 5_000, message = "At most 5000 at once.")
        List<Long> works,

        @Nullable @Valid EffortForm effort,
        @Nullable @Valid ExpectedForm expected,
        @Nullable @Valid PreparingForm preparing,
        @Nullable @Valid NoteForm note,
        @Nullable @Valid WishForm wish,
        @Nullable @Valid WorkEdit edit,
        @Nullable @Valid DoneForm done,
        boolean back,
        boolean remove,
        boolean read) {}
