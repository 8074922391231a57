package app.navlo.server.people;

import app.navlo.server.account.Person;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Leaving this Navlo. */
@RestController
@RequestMapping("/api/people/me/departure")
class DepartureController {
    private final DepartureService departures;

    DepartureController(DepartureService departures) {
        this.departures = departures;
    }

    /** @param word "delete", typed */
    record DepartureForm(
            @NotNull(message = "Type the word delete.") String word) {}

    /** @param leavesAt when everything of this person is deleted */
    record DepartureView(Instant leavesAt) {}

    /** Leaves: seven days from now everything of this person is deleted. Signs them out everywhere else. */
    @PostMapping
    DepartureView leave(
            @AuthenticationPrincipal Person person, @Valid @RequestBody DepartureForm form, HttpServletRequest http) {
        return new DepartureView(departures.leave(person, form.word(), AccountController.here(http)));
    }

    /** Stays after all. */
    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stay(@AuthenticationPrincipal Person person) {
        departures.stay(person);
    }
}
