package app.navlo.server.people;

import app.navlo.server.account.Passkeys;
import app.navlo.server.account.Person;
import app.navlo.server.account.SignedIn;
import app.navlo.server.problem.OneLine;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Signing in with a device instead of a password, and one's devices. */
@RestController
class PasskeyController {
    private static final Logger LOG = LoggerFactory.getLogger(PasskeyController.class);

    private final Passkeys passkeys;
    private final PersonService persons;
    private final SignedIn signedIn;

    PasskeyController(Passkeys passkeys, PersonService persons, SignedIn signedIn) {
        this.passkeys = passkeys;
        this.persons = persons;
        this.signedIn = signedIn;
    }

    /** @param usedAt null for never */
    record PasskeyView(
            long id, String name, Instant madeAt, @Nullable Instant usedAt) {}

    /** @param json as a browser's own call takes it */
    record DeviceQuestionView(String json) {}

    record NewPasskeyAskForm(
            @NotBlank(message = "Type your password.") @Size(max = 200, message = "At most 200 letters.")
            String password) {}

    /** @param json that the browser gave back */
    record NewPasskeyForm(
            @NotBlank(message = "Give it a name, like the device it is on.")
            @Size(max = 60, message = "At most 60 letters.")
            @OneLine
            String name,

            @NotBlank(message = "Send what the device answered.")
            @Size(max = 40_000, message = "No answer is that long.")
            String json) {}

    record DeviceAnswerForm(
            @NotBlank(message = "Send what the device answered.")
            @Size(max = 40_000, message = "No answer is that long.")
            String json) {}

    /** One's passkeys, the oldest first. */
    @GetMapping("/api/people/me/passkeys")
    List<PasskeyView> list(@AuthenticationPrincipal Person person) {
        return passkeys.of(person).stream()
                .map(one -> new PasskeyView(one.id(), one.name(), one.madeAt(), one.usedAt()))
                .toList();
    }

    /** Begins to make a passkey: what the device is to be asked. One's password is asked for once more. */
    @PostMapping("/api/people/me/passkeys/questions")
    DeviceQuestionView askForNew(
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody NewPasskeyAskForm form,
            HttpServletRequest http) {
        persons.checkPassword(person, "password", form.password());
        return new DeviceQuestionView(passkeys.askForNew(person, http.getSession()));
    }

    /** Keeps the passkey that the device made. */
    @PostMapping("/api/people/me/passkeys")
    @ResponseStatus(HttpStatus.CREATED)
    void add(@AuthenticationPrincipal Person person, @Valid @RequestBody NewPasskeyForm form, HttpServletRequest http) {
        passkeys.add(form.name(), form.json(), http.getSession());
        LOG.info("person {} made a passkey", person.id());
    }

    /** Nobody signs in with it any more. */
    @DeleteMapping("/api/people/me/passkeys/{passkey}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@AuthenticationPrincipal Person person, @PathVariable("passkey") long id) {
        passkeys.remove(person, id);
        LOG.info("person {} removed a passkey", person.id());
    }

    /** Begins to sign in with a passkey: what the device is to be asked. */
    @PostMapping("/api/passkeys/questions")
    DeviceQuestionView askToEnter(HttpServletRequest http) {
        return new DeviceQuestionView(passkeys.askToEnter(http.getSession()));
    }

    /** Signs in who the device answers for. */
    @PostMapping("/api/passkeys/answers")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void enter(@Valid @RequestBody DeviceAnswerForm form, HttpServletRequest request, HttpServletResponse response) {
        Person person = passkeys.enter(form.json(), request.getSession());
        signedIn.begin(person, request, response);
        LOG.info("person {} signed in with a passkey", person.id());
    }
}
