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

    /**
     * A course in all readings, down to the terms of each.
     *
     * @param asof a day that is past: as it was at its end, as Navlo knew it then
     */
    @GetMapping
    public GradeView read(
            @PathVariable long student,
            @PathVariable long course,
            @RequestParam(required = false) @Nullable LocalDate asof,
            @AuthenticationPrincipal Person reader) {
        return service.read(student, course, asof, reader);
    }

    /** A course as it would stand with other scores. Saves nothing. */
    @PostMapping("/what-if")
    public GradeView whatIf(
            @PathVariable long student, @PathVariable long course, @Valid @RequestBody WhatIfForm form) {
        return service.whatIf(student, course, form);
    }

    /** What it takes to reach a target. Saves nothing. */
    @PostMapping("/target")
    public TargetView target(
            @PathVariable long student, @PathVariable long course, @Valid @RequestBody TargetForm form) {
        return service.target(student, course, form);
    }

    /** How a course stood from the first day on which anything counted to today. */
    @GetMapping("/trend")
    public List<TrendPoint> trend(@PathVariable long student, @PathVariable long course) {
        return service.trend(student, course);
    }

    /** The what-if scenarios of a course that were kept. */
    @GetMapping("/scenarios")
    public List<ScenarioView> scenarios(@PathVariable long student, @PathVariable long course) {
        return service.scenarios(student, course);
    }

    /** Keeps a what-if scenario under a name. */
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

    /** Throws a kept scenario away. It can be undone. */
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
