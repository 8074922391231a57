package app.navlo.server.people;

import app.navlo.server.account.Person;
import app.navlo.server.store.Role;
import app.navlo.server.store.Sight;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotNull;
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
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Who is let in, by who administers this Navlo. It shows nothing of anybody's work. */
@RestController
@RequestMapping("/api/administration/invitations")
class NewcomerController {
    private final InvitationService invitations;

    NewcomerController(InvitationService invitations) {
        this.invitations = invitations;
    }

    /**
     * @param role that who joins gets
     * @param email to whom the link is mailed; null to hand it over oneself
     */
    record InvitationForm(
            @NotNull(message = "Say whether a student or a guardian is invited.")
            Role role,

            @Nullable
            @Email(message = "This isn't an e-mail address; one looks like name@example.org.")
            @Size(min = 1, max = 254, message = "Type an address of at most 254 letters.")
            String email) {}

    /** Invitations of people of their own that can still be used. */
    @GetMapping
    List<GuardianController.OpenInvitation> list(@AuthenticationPrincipal Person person) {
        return invitations.open(person, null).stream()
                .map(one -> new GuardianController.OpenInvitation(
                        one.id(), one.role(), one.sees(), one.madeAt(), one.endsAt()))
                .toList();
    }

    /** Invites somebody new. The link's secret is shown once. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    InvitationService.MadeInvitation invite(
            @AuthenticationPrincipal Person person, @Valid @RequestBody InvitationForm form) {
        return invitations.make(person, form.role(), null, Sight.ALL, form.email());
    }

    /** Takes an invitation back. */
    @DeleteMapping("/{invitation}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@AuthenticationPrincipal Person person, @PathVariable long invitation) {
        invitations.withdraw(person, invitation);
    }
}
