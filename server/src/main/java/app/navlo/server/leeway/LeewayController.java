package app.navlo.server.leeway;

import app.navlo.core.leeway.Choices;
import app.navlo.server.account.Person;
import app.navlo.server.store.FactKind;
import app.navlo.server.work.EditController.EditedView;
import app.navlo.server.work.Writer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Extensions and tokens: what may be had, what it is worth, and what was done. */
@RestController
@RequestMapping("/api/students/{student}")
public class LeewayController {
    private final LeewayService leeway;
    private final LeewayDesk desk;

    LeewayController(LeewayService leeway, LeewayDesk desk) {
        this.leeway = leeway;
        this.desk = desk;
    }

    /**
     * @param cases work for which something can be had or is asked for, by the time that is left for it
     * @param banks of the courses that give tokens
     * @param history the latest first
     */
    public record LeewayListView(List<LeewayCaseView> cases, List<BankView> banks, List<LeewayEventView> history) {}

    /**
     * @param until when the last of it can be had; null where nothing can any more
     * @param mayAsk whether an extension may be asked for
     * @param askUntil null where it may not
     * @param newDue that an extension gives; null where it may not be asked for
     * @param whyNot why an extension can't be asked for, each in a clause; empty where it may
     * @param mayUse whether a token may be used
     * @param tokenDues that one, two, … tokens give
     * @param pending whether an extension is asked for and not answered
     * @param keyOpened whether the answer key was opened
     * @param rule of the course, in a sentence
     * @param doneAt when it would be finished, by the plan
     * @param choices side by side
     * @param lines what each keeps over time
     */
    public record LeewayCaseView(
            long work,
            @Nullable Instant until,
            boolean mayAsk,
            @Nullable Instant askUntil,
            @Nullable Instant newDue,
            boolean atOnce,
            List<String> whyNot,
            boolean mayUse,
            List<Instant> tokenDues,
            boolean pending,
            boolean keyOpened,
            String rule,
            Instant doneAt,
            String possible,
            List<ChoiceView> choices,
            List<LeewayLineView> lines) {}

    /**
     * @param due null for none
     * @param score expected, in points
     * @param otherwise the score if the teacher says no; null where no answer is waited for
     * @param bars why it can't be chosen; empty where it can
     * @param shuts the kinds that choosing it bars from then on
     */
    public record ChoiceView(
            Choices.Kind kind,
            int tokens,
            @Nullable Instant due,
            String score,
            @Nullable String otherwise,
            List<String> bars,
            List<Choices.Kind> shuts) {}

    /** @param steps each up to its last instant; null for always */
    public record LeewayLineView(Choices.Kind kind, int tokens, List<LeewayStepView> steps) {}

    public record LeewayStepView(@Nullable Instant until, String score) {}

    /**
     * @param uses the best of what is left, over all work of the course
     * @param worth of that, in percent of the course
     */
    public record BankView(long course, int left, int of, List<BankUseView> uses, String worth) {}

    public record BankUseView(long work, int tokens) {}

    /** @param due that was given; null where none was */
    public record LeewayEventView(
            long work,
            FactKind kind,
            Instant at,
            String by,
            @Nullable Instant due) {}

    public record TokensForm(
            @Min(value = 1, message = "At least 1.") @Max(value = 20, message = "At most 20.")
            int tokens) {}

    /** @param due that the teacher gave; null where the teacher declined */
    public record AnswerForm(@Nullable Instant due) {}

    @GetMapping("/leeway")
    public LeewayListView read(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        return leeway.read(student, reader);
    }

    /** Takes down that an extension was asked for; where the course gives it at once, it is given. */
    @PostMapping("/works/{work}/leeway/asking")
    @ResponseStatus(HttpStatus.CREATED)
    public EditedView ask(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return desk.ask(Writer.of(student, person, null, key), work);
    }

    /** Takes down what the teacher answered. */
    @PostMapping("/works/{work}/leeway/answer")
    @ResponseStatus(HttpStatus.CREATED)
    public EditedView answer(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody AnswerForm form) {
        return desk.answer(Writer.of(student, person, null, key), work, form);
    }

    @PostMapping("/works/{work}/leeway/tokens")
    @ResponseStatus(HttpStatus.CREATED)
    public EditedView use(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody TokensForm form) {
        return desk.use(Writer.of(student, person, null, key), work, form);
    }

    /** Takes down that the answer key was opened, which bars the rest. */
    @PostMapping("/works/{work}/leeway/key")
    @ResponseStatus(HttpStatus.CREATED)
    public EditedView openKey(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return desk.openKey(Writer.of(student, person, null, key), work);
    }
}
