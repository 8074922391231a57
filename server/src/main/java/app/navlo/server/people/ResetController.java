package app.navlo.server.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** A new password for who forgot theirs. */
@RestController
@RequestMapping("/api/password-resets")
class ResetController {
    private final ResetService resets;

    ResetController(ResetService resets) {
        this.resets = resets;
    }

    /** The address with which somebody signs in. */
    record ForgottenForm(
            @NotBlank(message = "Type your address.") @Size(max = 254, message = "At most 254 letters.")
            String email) {}

    record NewPasswordForm(
            @NotNull(message = "Choose a password.") String password) {}

    /** Mails the way to a new password, if somebody signs in with this address; the answer is the same if nobody does. */
    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void ask(@Valid @RequestBody ForgottenForm form) {
        resets.ask(form.email());
    }

    /** Sets the new password by the secret that was mailed, and ends every sign-in. */
    @PutMapping("/{secret}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(@PathVariable String secret, @Valid @RequestBody NewPasswordForm form) {
        resets.set(secret, form.password());
    }
}
