package app.navlo.server.standing;

import app.navlo.server.account.Person;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Writer;
import jakarta.validation.Valid;
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
    private final GradeService service;

    GradeController(GradeService service) {
        this.service = service;
    }

    /** @param asof a day that is past: as it was at its end, as Navlo knew it then */
    @GetMapping
    public GradeView read(
            @PathVariable long student,
            @PathVariable long course,
            @RequestParam(required = false) @Nullable LocalDate asof,
            @AuthenticationPrincipal Person reader) {
        return service.read(student, course, asof, reader);
    }

    /** Saves nothing. */
    @PostMapping("/what-if")
    public GradeView whatIf(
            @PathVariable long student, @PathVariable long course, @Valid @RequestBody WhatIfForm form) {
        return service.whatIf(student, course, form);
    }

    /** Saves nothing. */
    @PostMapping("/target")
    public TargetView target(
            @PathVariable long student, @PathVariable long course, @Valid @RequestBody TargetForm form) {
        return service.target(student, course, form);
    }

    /** From the first day on which anything counted to today. */
    @GetMapping("/trend")
    public List<TrendPoint> trend(@PathVariable long student, @PathVariable long course) {
        return service.trend(student, course);
    }

    @GetMapping("/scenarios")
    public List<ScenarioView> scenarios(@PathVariable long student, @PathVariable long course) {
        return service.scenarios(student, course);
    }

    @PostMapping("/scenarios")
    @ResponseStatus(HttpStatus.CREATED)
    public Changed keep(
            @PathVariable long student,
            @PathVariable long course,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody ScenarioForm form) {
        return service.keep(Writer.of(student, person, null, key), course, form);
    }

    @DeleteMapping("/scenarios/{scenario}")
    public Changed throwAway(
            @PathVariable long student,
            @PathVariable long course,
            @PathVariable long scenario,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return service.throwAway(Writer.of(student, person, null, key), course, scenario);
    }
}
