package app.navlo.server.people;

import app.navlo.server.account.Person;
import app.navlo.server.account.SignedIn;
import app.navlo.server.problem.Refusal;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** One's password, and where one is signed in. */
@RestController
@RequestMapping("/api/people/me")
class AccountController {
    private final PersonService people;
    private final SignedIn signedIn;

    AccountController(PersonService people, SignedIn signedIn) {
        this.people = people;
        this.signedIn = signedIn;
    }

    /** Changes one's password, and signs one out everywhere else. */
    @PutMapping("/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void password(
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody PersonForms.PasswordForm form,
            HttpServletRequest http) {
        people.changePassword(person, form.current(), form.next(), here(http));
    }

    /** Where one is signed in, the latest used first. */
    @GetMapping("/sessions")
    List<SignedIn.Place> places(@AuthenticationPrincipal Person person, HttpServletRequest http) {
        return signedIn.of(person, here(http));
    }

    /** Signs one out in one place. */
    @DeleteMapping("/sessions/{session}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@AuthenticationPrincipal Person person, @PathVariable String session) {
        if (!signedIn.end(person, session)) {
            throw Refusal.notFound("sign-in");
        }
    }

    /** Signs one out everywhere but here. */
    @DeleteMapping("/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endOthers(@AuthenticationPrincipal Person person, HttpServletRequest http) {
        signedIn.endOthers(person, here(http));
    }

    /** The session that asks; null for none. */
    static @Nullable String here(HttpServletRequest http) {
        HttpSession session = http.getSession(false);
        return session == null ? null : session.getId();
    }
}
