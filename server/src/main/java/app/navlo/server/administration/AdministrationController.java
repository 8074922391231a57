package app.navlo.server.administration;

import app.navlo.server.account.Person;
import app.navlo.server.people.SecretWay;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** This Navlo, for who administers it. It shows nothing of anybody's work. */
@RestController
@RequestMapping("/api/administration")
class AdministrationController {
    private final AdministrationService administration;
    private final CopyService copies;

    AdministrationController(AdministrationService administration, CopyService copies) {
        this.copies = copies;
        this.administration = administration;
    }

    record PersonStateForm(
            @NotNull(message = "Say whether they administer this Navlo.")
            Boolean administrator,

            @NotNull(message = "Say whether they can't sign in.")
            Boolean disabled) {}

    /**
     * Its people, how they come to be here, its mail and its space.
     *
     * @param q sought in names and addresses
     */
    @GetMapping
    AdministrationView view(@RequestParam(defaultValue = "") String q) {
        return administration.view(q);
    }

    /** Says whether somebody else administers, and whether they can sign in. */
    @PutMapping("/people/{person}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(
            @PathVariable("person") long id,
            @AuthenticationPrincipal Person me,
            @Valid @RequestBody PersonStateForm form) {
        administration.set(me, id, form.administrator(), form.disabled());
    }

    /** A way to a new password for somebody, to be handed to them. Its secret is shown once and holds for a day. */
    @PostMapping("/people/{person}/password-resets")
    @ResponseStatus(HttpStatus.CREATED)
    SecretWay help(@PathVariable("person") long id, @AuthenticationPrincipal Person me) {
        return administration.help(me, id);
    }

    /** Ends that somebody sees the work of a student. */
    @DeleteMapping("/guardianships/{guardian}/{student}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable long guardian, @PathVariable long student, @AuthenticationPrincipal Person me) {
        administration.endGuardianship(me, guardian, student);
    }

    /** Makes a copy of all data beside it. It stays on the machine: it holds everybody's work. */
    @PostMapping("/copies")
    @ResponseStatus(HttpStatus.CREATED)
    CopyService.Copy copy() {
        return copies.make();
    }

    /** Sends a mail to who asks, to try out the mail server. */
    @PostMapping("/test-mails")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void testMail(@AuthenticationPrincipal Person me) {
        administration.testMail(me);
    }
}
