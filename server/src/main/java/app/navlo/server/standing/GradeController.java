package app.navlo.server.standing;

import app.navlo.core.grade.By;
import app.navlo.core.grade.Reading;
import app.navlo.server.account.Person;
import app.navlo.server.rules.Figures;
import app.navlo.server.work.EditController.EditedView;
import app.navlo.server.work.MaterialView.ClassFiguresView;
import app.navlo.server.work.Writer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** A course's grade, down to the fraction, as it is and as it would be. */
@RestController
@RequestMapping("/api/students/{student}/courses/{course}/grade")
public class GradeController {
    private final GradeDesk desk;

    GradeController(GradeDesk desk) {
        this.desk = desk;
    }

    /**
     * @param items in the order of the course; practice and excused work isn't among them
     * @param undone required work on the way to completion that isn't done; empty for a course graded otherwise
     */
    public record GradeView(List<GradeReadingView> readings, List<GradeItemView> items, List<Long> undone) {}

    /** @param belowLine standards under the line that none may be below */
    public record GradeReadingView(
            Reading reading,
            @Nullable String figure,
            @Nullable String letter,
            int counted,
            List<String> belowLine,
            List<GradePartView> parts) {}

    /**
     * @param name empty for a course that has neither categories nor standards
     * @param weight share of 100 of the weights that count; null where it has none
     * @param by null for a standard
     * @param earned of the items kept: points, or by mean the sum of percents
     * @param possible of the items kept: points, or by mean their count
     * @param only whether dropping other items would leave less
     */
    public record GradePartView(
            String id,
            String name,
            @Nullable String figure,
            @Nullable String weight,
            @Nullable By by,
            String earned,
            String possible,
            boolean only,
            List<GradeTermView> terms) {}

    /** @param work its number, or the name of an added one */
    public record GradeTermView(String work, String earned, String possible, boolean extra, boolean dropped) {}

    /**
     * @param work its number, or the name of an added one
     * @param score kept, after penalties; null while there is none
     * @param expected points that it will likely bring
     * @param most points that it can still come to; null where that is left out of the ceiling
     * @param open whether a target varies it
     * @param counts whether it counts in what is expected; what doesn't has no forecast
     * @param missing whether it is missing; then it is taken until {@code takenUntil}
     * @param takenUntil when acceptance ends of what is still to be handed in; null for no end, and for anything else
     * @param taken whether it may be handed in now
     */
    public record GradeItemView(
            String work,
            @Nullable String category,
            List<String> standards,
            String possible,
            boolean extra,
            boolean required,
            @Nullable String score,
            String expected,
            @Nullable String most,
            boolean open,
            boolean counts,
            boolean missing,
            boolean taken,
            @Nullable Instant takenUntil,
            @Nullable ClassFiguresView classFigures) {}

    /**
     * What isn't so. Null leaves that as it is.
     *
     * @param points raw, before any penalty
     */
    public record ChangeForm(
            @NotNull(message = "Say which piece of work.") Long work,

            @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
            String points,

            @Nullable Boolean excused,
            @Nullable Instant handedIn) {}

    /** @param category by its name; null where the course has none */
    public record AddedForm(
            @NotBlank(message = "Give it a name.") @Size(max = 80, message = "At most 80 letters.")
            String name,

            @Nullable String category,
            @NotNull List<String> standards,

            @NotNull(message = "Say how many points it has.")
            @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
            String possible,

            @NotNull(message = "Say how many points it would bring.")
            @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
            String points) {}

    public record WhatIfForm(
            @NotNull @Size(max = 500, message = "At most 500 at once.")
            List<@Valid ChangeForm> changes,

            @NotNull @Size(max = 50, message = "At most 50.")
            List<@Valid AddedForm> added) {}

    /** @param on the one piece of work that is to carry it; null for all that is open */
    public record TargetForm(
            @Valid @NotNull WhatIfForm whatIf,

            @NotNull(message = "Say what is to be reached.")
            @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
            String target,

            @Nullable Long on) {}

    /**
     * @param percent least raw percent with which it is reached; null when out of reach
     * @param why in words, where the target can't be asked of that piece of work; null otherwise
     * @param atMost the figure with full points; null where there is none
     * @param carry the pieces of work that would carry it with the least effort, each at what is expected of it; null where
     *     they can't
     */
    public record TargetView(
            @Nullable String percent,
            @Nullable String why,
            @Nullable String atMost,
            @Nullable List<CarryView> carry) {}

    /** @param minutes of effort that are left */
    public record CarryView(long work, long minutes) {}

    /** A course on a past day, as it was. */
    public record TrendPoint(Instant at, List<TrendFigure> figures) {}

    public record TrendFigure(Reading reading, String figure) {}

    public record ScenarioForm(
            @NotBlank(message = "Give it a name.") @Size(max = 80, message = "At most 80 letters.")
            String name,

            @NotNull @Valid WhatIfForm whatIf) {}

    public record ScenarioView(long id, String name, WhatIfForm whatIf) {}

    /** @param asof a day that is past: as it was at its end, as Navlo knew it then */
    @GetMapping
    public GradeView read(
            @PathVariable long student,
            @PathVariable long course,
            @RequestParam(required = false) @Nullable LocalDate asof,
            @AuthenticationPrincipal Person reader) {
        return desk.read(student, course, asof, reader);
    }

    /** Saves nothing. */
    @PostMapping("/what-if")
    public GradeView whatIf(
            @PathVariable long student, @PathVariable long course, @Valid @RequestBody WhatIfForm form) {
        return desk.whatIf(student, course, form);
    }

    /** Saves nothing. */
    @PostMapping("/target")
    public TargetView target(
            @PathVariable long student, @PathVariable long course, @Valid @RequestBody TargetForm form) {
        return desk.target(student, course, form);
    }

    /** From the first day on which anything counted to today. */
    @GetMapping("/trend")
    public List<TrendPoint> trend(@PathVariable long student, @PathVariable long course) {
        return desk.trend(student, course);
    }

    @GetMapping("/scenarios")
    public List<ScenarioView> scenarios(@PathVariable long student, @PathVariable long course) {
        return desk.scenarios(student, course);
    }

    @PostMapping("/scenarios")
    @ResponseStatus(HttpStatus.CREATED)
    public EditedView keep(
            @PathVariable long student,
            @PathVariable long course,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody ScenarioForm form) {
        return desk.keep(Writer.of(student, person, null, key), course, form);
    }

    @DeleteMapping("/scenarios/{scenario}")
    public EditedView throwAway(
            @PathVariable long student,
            @PathVariable long course,
            @PathVariable long scenario,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return desk.throwAway(Writer.of(student, person, null, key), course, scenario);
    }
}
