package app.navlo.server.people;

import app.navlo.server.account.Person;
import app.navlo.server.store.GuardianRequests;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** A guardian asks to see a student's work; the student says yes or no. */
@RestController
class AskingController {
    private final AskingService asking;

    AskingController(AskingService asking) {
        this.asking = asking;
    }

    record RequestForm(
            @NotBlank(message = "Type the student's address.")
            @Email(message = "This isn't an e-mail address; one looks like name@example.org.")
            @Size(max = 254, message = "At most 254 letters.")
            String email) {}

    /** What one asked that nobody has answered. */
    @GetMapping("/api/people/me/requests")
    List<GuardianRequests.Asked> list(@AuthenticationPrincipal Person person) {
        return asking.by(person);
    }

    /** Asks to see the work of who signs in with an address. The answer is the same whether anybody does. */
    @PostMapping("/api/people/me/requests")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void ask(@AuthenticationPrincipal Person person, @Valid @RequestBody RequestForm form) {
        asking.ask(person, form.email());
    }

    /** Asks no longer. */
    @DeleteMapping("/api/people/me/requests/{request}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable("request") long id, @AuthenticationPrincipal Person person) {
        asking.withdraw(person, id);
    }

    /** Lets a guardian who asks see this student's work; all of it unless said. */
    @PostMapping("/api/students/{student}/guardians/requests/{request}/acceptance")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void accept(
            @PathVariable long student,
            @PathVariable("request") long id,
            @Valid @RequestBody(required = false) @Nullable SightForm form) {
        asking.accept(student, id, SightForm.sight(form));
    }

    /** Says no to a guardian who asks. They aren't told. */
    @DeleteMapping("/api/students/{student}/guardians/requests/{request}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void decline(@PathVariable long student, @PathVariable("request") long id) {
        asking.decline(student, id);
    }
}
