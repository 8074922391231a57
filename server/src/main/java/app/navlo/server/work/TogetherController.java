package app.navlo.server.work;

import app.navlo.server.account.Person;
import app.navlo.server.rules.Figures;
import app.navlo.server.store.WishList;
import app.navlo.server.work.EditController.EditedView;
import app.navlo.server.work.OwnController.NoteForm;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What is done to several pieces of work at once, as one change. */
@RestController
@RequestMapping("/api/students/{student}/works")
public class TogetherController {
    private final TogetherDesk desk;
    private final ScoreDesk scores;

    TogetherController(TogetherDesk desk, ScoreDesk scores) {
        this.desk = desk;
        this.scores = scores;
    }

    /** @param minutes null takes the student's own estimate away */
    public record EffortForm(
            @Nullable
            @Min(value = 1, message = "At least 1 minute.")
            @Max(value = 6000, message = "At most 6000 minutes.")
            Integer minutes) {}

    /** @param percent null takes the student's own figure away */
    public record ExpectedForm(
            @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
            String percent) {}

    /** @param percent of its points that preparing for it will bring; null takes the student's own figure away */
    public record PreparingForm(
            @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
            String percent) {}

    /**
     * One deed to several pieces of work, as one change. Exactly one of the deeds is given.
     *
     * @param done elsewhere: recorded as handed in
     * @param back whether they have come back, with no score that is known
     * @param remove takes them off the board; undoing brings them back with all that belongs to them
     * @param read marks their feedback as read
     */
    public record TogetherForm(
            @NotEmpty(message = "Choose at least one piece of work.")
            @Size(max = 5_000, message = "At most 5000 at once.")
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

    /** When work was handed in that was done elsewhere. */
    public enum DoneWhen {
        /** At its due; what isn't due yet, or has no due, just now. */
        AT_ITS_DUE,
        /** Within the day after its due. */
        LATE,
        NOW
    }

    public record DoneForm(
            @NotNull(message = "Say when it was handed in.") DoneWhen when) {}

    /**
     * @param notBefore given exactly where it is to wait
     * @param before given exactly where it is to come before that work
     */
    public record WishForm(
            @NotNull(message = "Say what you want.") WishList.Kind kind,
            @Nullable Instant notBefore,
            @Nullable Long before) {}

    /**
     * A score as one writes it down.
     *
     * @param text 18, 18/20, 85 %, A-, EX; empty takes back what was written down by hand
     * @param day on which it came back; null for now
     */
    public record ScoreEntry(
            long work,

            @NotNull @Size(max = 40, message = "At most 40 letters.")
            String text,

            @Nullable LocalDate day) {}

    public record ScoresForm(
            @NotEmpty(message = "Write at least one score.") @Size(max = 1_000, message = "At most 1000 at once.")
            List<@Valid ScoreEntry> scores) {}

    @PostMapping("/together")
    public EditedView together(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody TogetherForm form) {
        return desk.together(Writer.of(student, person, null, key), form);
    }

    /** Writes scores down by hand, any number of them as one change. */
    @PostMapping("/scores")
    public EditedView scores(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody ScoresForm form) {
        return scores.write(Writer.of(student, person, null, key), form.scores());
    }
}
