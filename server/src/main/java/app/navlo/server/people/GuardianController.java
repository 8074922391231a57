package app.navlo.server.people;

import app.navlo.server.account.Person;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.GuardianRequests;
import app.navlo.server.store.Guardianships;
import app.navlo.server.store.Role;
import app.navlo.server.store.Sight;
import jakarta.validation.Valid;
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
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Who may see a student's work: the student's to say, and each guardian's to end. */
@RestController
class GuardianController {
    private static final Logger LOG = LoggerFactory.getLogger(GuardianController.class);

    private final InvitationService invitations;
    private final Guardianships guardianships;
    private final AskingService asking;
    private final KeptService kept;

    GuardianController(
            InvitationService invitations, Guardianships guardianships, AskingService asking, KeptService kept) {
        this.invitations = invitations;
        this.guardianships = guardianships;
        this.asking = asking;
        this.kept = kept;
    }

    /** An invitation that can still be used; its link was shown when it was made. */
    record OpenInvitation(long id, Role role, Sight sees, Instant madeAt, Instant endsAt) {}

    /**
     * @param invitations those that can still be used
     * @param requests of guardians who ask to be let in
     */
    record GuardiansView(
            List<Guardianships.Guardian> guardians,
            List<OpenInvitation> invitations,
            List<GuardianRequests.Asking> requests) {}

    /** Who may see this student's work, when they last looked, and who is invited. For the student alone. */
    @GetMapping("/api/students/{student}/guardians")
    GuardiansView list(@PathVariable long student, @AuthenticationPrincipal Person person) {
        return new GuardiansView(
                guardianships.of(student),
                invitations.open(person, student).stream()
                        .map(one -> new OpenInvitation(one.id(), one.role(), one.sees(), one.madeAt(), one.endsAt()))
                        .toList(),
                asking.to(student));
    }

    /** Invites a guardian, who may read what is shown of this student's work and never change it; all of it unless said. The link's secret is shown once. */
    @PostMapping("/api/students/{student}/guardians/invitations")
    @ResponseStatus(HttpStatus.CREATED)
    InvitationService.MadeInvitation invite(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody(required = false) @Nullable GuardianInvitationForm form) {
        return form == null
                ? invitations.make(person, Role.GUARDIAN, student, Sight.ALL, null)
                : invitations.make(person, Role.GUARDIAN, student, form.sight(), form.email());
    }

    /** Says what a guardian sees beside work and grades. */
    @PutMapping("/api/students/{student}/guardians/{guardian}/sight")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void show(@PathVariable long student, @PathVariable long guardian, @Valid @RequestBody SightForm form) {
        kept.checkFree(guardian, student);
        if (!guardianships.show(student, guardian, form.sight())) {
            throw Refusal.notFound("guardian");
        }
        LOG.info("person {} sees {} of {}", guardian, form.sight(), student);
    }

    /** Takes an invitation back: nobody can join by it any more. */
    @DeleteMapping("/api/students/{student}/guardians/invitations/{invitation}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(@PathVariable long student, @PathVariable long invitation, @AuthenticationPrincipal Person person) {
        invitations.withdraw(person, invitation);
    }

    /** Ends that somebody may see this student's work. */
    @DeleteMapping("/api/students/{student}/guardians/{guardian}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable long student, @PathVariable long guardian) {
        over(guardian, student);
    }

    /** Stops seeing a student's work. */
    @DeleteMapping("/api/people/me/students/{student}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void leave(@PathVariable long student, @AuthenticationPrincipal Person person) {
        over(person.id(), student);
    }

    private void over(long guardian, long student) {
        kept.checkFree(guardian, student);
        if (!guardianships.end(guardian, student)) {
            throw Refusal.notFound("guardian");
        }
        LOG.info("person {} may no longer see the work of {}", guardian, student);
    }
}
