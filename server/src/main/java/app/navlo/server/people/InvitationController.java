package app.navlo.server.people;

import app.navlo.server.account.Person;
import app.navlo.server.account.SignedIn;
import app.navlo.server.store.Invitations.Invitation;
import app.navlo.server.store.Role;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The other end of an invitation: who has its link. */
@RestController
@RequestMapping("/api/invitations/{secret}")
class InvitationController {
    private final InvitationService invitations;
    private final SignedIn signedIn;

    InvitationController(InvitationService invitations, SignedIn signedIn) {
        this.invitations = invitations;
        this.signedIn = signedIn;
    }

    /**
     * What an invitation is to.
     *
     * @param by who made it
     * @param role that who joins gets
     * @param student whose work can be seen by it; null for nobody's
     */
    record InvitationView(String by, Role role, @Nullable String student, Instant endsAt) {
        static InvitationView of(Invitation one) {
            return new InvitationView(one.maker(), one.role(), one.student(), one.endsAt());
        }
    }

    /** What this invitation is to. */
    @GetMapping
    InvitationView look(@PathVariable String secret) {
        return InvitationView.of(invitations.look(secret));
    }

    /** Joins as who one is signed in as. */
    @PostMapping("/acceptance")
    InvitationView join(@PathVariable String secret, @AuthenticationPrincipal Person person) {
        return InvitationView.of(invitations.join(secret, person));
    }

    /** Becomes a person here and joins, all or nothing, and is signed in. */
    @PostMapping("/people")
    @ResponseStatus(HttpStatus.CREATED)
    InvitationView signUp(
            @PathVariable String secret,
            @Valid @RequestBody PersonForms.NewPersonForm form,
            HttpServletRequest http,
            HttpServletResponse response) {
        InvitationService.Joined joined = invitations.joinAsNew(secret, form.person());
        signedIn.begin(joined.person(), http, response);
        return InvitationView.of(joined.invitation());
    }
}
