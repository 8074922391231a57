package app.navlo.server.people;

import app.navlo.server.account.Person;
import app.navlo.server.problem.OneLine;
import app.navlo.server.store.KeptAccounts;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Accounts of young children: a guardian makes and keeps them, the child takes theirs over. */
@RestController
class KeptController {
    private final KeptService kept;

    KeptController(KeptService kept) {
        this.kept = kept;
    }

    /** @param signsInAs the name with which the child signs in */
    record ChildForm(
            @NotBlank(message = "Type the child's name.") @Size(max = 120, message = "At most 120 letters.") @OneLine
            String name,

            @NotNull(message = "Choose a name to sign in with.")
            @Pattern(
                    regexp = "[\\p{L}\\p{N}][\\p{L}\\p{N}.-]{2,39}",
                    message = "Three to forty letters and digits, with dots and dashes between.")
            String signsInAs,

            @NotNull(message = "Choose a password.") String password,
            @NotBlank(message = "Choose a time zone.") String zone) {}

    record NewPasswordForm(
            @NotNull(message = "Choose a password.") String password) {}

    record TakingOverForm(
            @NotBlank(message = "Type your address.")
            @Email(message = "This isn't an e-mail address; one looks like name@example.org.")
            @Size(max = 254, message = "At most 254 letters.")
            String email,

            @NotNull(message = "Choose a password.") String password) {}

    /** @param id of the new student */
    record ChildMade(long id) {}

    /** What a link hands over. */
    record HandOverView(String name, Instant endsAt) {}

    /** The children whose accounts one keeps. */
    @GetMapping("/api/people/me/children")
    List<KeptAccounts.Child> list(@AuthenticationPrincipal Person person) {
        return kept.of(person);
    }

    /** Makes the account of a young child, whose work one sees from then on. */
    @PostMapping("/api/people/me/children")
    @ResponseStatus(HttpStatus.CREATED)
    ChildMade add(@AuthenticationPrincipal Person person, @Valid @RequestBody ChildForm form) {
        return new ChildMade(kept.add(
                person, new PersonService.NewPerson(form.name(), form.signsInAs(), form.password(), form.zone())));
    }

    /** Sets the password of a child whose account one keeps, and signs them out. */
    @PutMapping("/api/people/me/children/{child}/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void setPassword(
            @PathVariable("child") long id,
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody NewPasswordForm form) {
        kept.setPassword(person, id, form.password());
    }

    /** Makes the link by which a child takes their account over. Its secret is shown once and holds for seven days. */
    @PostMapping("/api/people/me/children/{child}/hand-over")
    @ResponseStatus(HttpStatus.CREATED)
    SecretWay handOver(@PathVariable("child") long id, @AuthenticationPrincipal Person person) {
        return kept.handOver(person, id);
    }

    /** Whose account this link hands over. */
    @GetMapping("/api/hand-overs/{secret}")
    HandOverView look(@PathVariable String secret) {
        KeptAccounts.HandOver way = kept.look(secret);
        return new HandOverView(way.name(), way.endsAt());
    }

    /** Takes the account over, with an address and a password of one's own. */
    @PutMapping("/api/hand-overs/{secret}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeOver(@PathVariable String secret, @Valid @RequestBody TakingOverForm form) {
        kept.takeOver(secret, form.email(), form.password());
    }
}
