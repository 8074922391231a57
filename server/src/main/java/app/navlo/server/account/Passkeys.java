package app.navlo.server.account;

import app.navlo.server.problem.Refusal;
import app.navlo.server.store.PasskeyRows;
import app.navlo.server.store.People;
import app.navlo.server.time.ServerClock;
import jakarta.servlet.http.HttpSession;
import java.io.Serializable;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.web.webauthn.api.AuthenticatorAssertionResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorAttestationResponse;
import org.springframework.security.web.webauthn.api.AuthenticatorSelectionCriteria;
import org.springframework.security.web.webauthn.api.PublicKeyCredential;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialCreationOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRequestOptions;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialRpEntity;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.api.ResidentKeyRequirement;
import org.springframework.security.web.webauthn.api.UserVerificationRequirement;
import org.springframework.security.web.webauthn.jackson.WebauthnJacksonModule;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialCreationOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutablePublicKeyCredentialRequestOptionsRequest;
import org.springframework.security.web.webauthn.management.ImmutableRelyingPartyRegistrationRequest;
import org.springframework.security.web.webauthn.management.RelyingPartyAuthenticationRequest;
import org.springframework.security.web.webauthn.management.RelyingPartyPublicKey;
import org.springframework.security.web.webauthn.management.WebAuthnRelyingPartyOperations;
import org.springframework.security.web.webauthn.management.Webauthn4JRelyingPartyOperations;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Signing in with a device instead of a password (W3C Web Authentication). What is asked of a device, and what it answers, is JSON as
 * browsers give and take it. A question is answered once, within ten minutes, in the session that asked.
 */
@Component
@Transactional
public class Passkeys {
    private static final Logger LOG = LoggerFactory.getLogger(Passkeys.class);
    private static final String MAKING = "navlo.passkey.making";
    private static final String ENTERING = "navlo.passkey.entering";
    private static final Duration STANDS = Duration.ofMinutes(10);
    private static final int MOST = 12;

    private final PasskeyRecords records;
    private final PasskeyRows rows;
    private final People people;
    private final OwnAddress address;
    private final ServerClock clock;
    private final JsonMapper json =
            JsonMapper.builder().addModule(new WebauthnJacksonModule()).build();

    Passkeys(PasskeyRecords records, PasskeyRows rows, People people, OwnAddress address, ServerClock clock) {
        this.records = records;
        this.rows = rows;
        this.people = people;
        this.address = address;
        this.clock = clock;
    }

    /** Where this Navlo is, is known when it listens. */
    private WebAuthnRelyingPartyOperations party() {
        Webauthn4JRelyingPartyOperations party = new Webauthn4JRelyingPartyOperations(
                records,
                records,
                PublicKeyCredentialRpEntity.builder()
                        .id(address.host())
                        .name("Navlo")
                        .build(),
                Set.of(address.origin()));
        party.setCustomizeCreationOptions(
                options -> options.authenticatorSelection(AuthenticatorSelectionCriteria.builder()
                        .residentKey(ResidentKeyRequirement.REQUIRED)
                        .userVerification(UserVerificationRequirement.REQUIRED)
                        .build()));
        party.setCustomizeRequestOptions(options -> options.userVerification(UserVerificationRequirement.REQUIRED));
        return party;
    }

    private record Asked<T extends Serializable>(T options, Instant at) implements Serializable {}

    public List<PasskeyRows.Passkey> of(Person person) {
        return rows.of(person.id());
    }

    /** What a device is asked that is to become a passkey. @throws Refusal if there are too many already */
    public String askForNew(Person person, HttpSession session) {
        if (rows.of(person.id()).size() >= MOST) {
            throw Refusal.conflict("There are " + MOST + " passkeys already", "Remove one that isn't needed.");
        }
        PublicKeyCredentialCreationOptions options = party().createPublicKeyCredentialCreationOptions(
                        new ImmutablePublicKeyCredentialCreationOptionsRequest(
                                UsernamePasswordAuthenticationToken.authenticated(
                                        person, null, person.getAuthorities())));
        session.setAttribute(MAKING, new Asked<>(options, clock.instant()));
        return json.writeValueAsString(options);
    }

    /** @throws Refusal if the answer isn't one to what was asked */
    public void add(String name, String answer, HttpSession session) {
        PublicKeyCredentialCreationOptions options = asked(session, MAKING);
        checked(Passkeys::notMade, () -> party().registerCredential(new ImmutableRelyingPartyRegistrationRequest(
                options,
                new RelyingPartyPublicKey(
                        json.readValue(
                                answer, new TypeReference<PublicKeyCredential<AuthenticatorAttestationResponse>>() {}),
                        name.strip()))));
    }

    /** What a device is asked with which somebody signs in: whichever of its passkeys for this Navlo they choose. */
    public String askToEnter(HttpSession session) {
        PublicKeyCredentialRequestOptions options =
                party().createCredentialRequestOptions(new ImmutablePublicKeyCredentialRequestOptionsRequest(null));
        session.setAttribute(ENTERING, new Asked<>(options, clock.instant()));
        return json.writeValueAsString(options);
    }

    /** Whose passkey answered. @throws Refusal if none did that is known here, or nobody who may sign in */
    public Person enter(String answer, HttpSession session) {
        PublicKeyCredentialRequestOptions options = asked(session, ENTERING);
        PublicKeyCredentialUserEntity user =
                checked(Passkeys::unknown, () -> party().authenticate(new RelyingPartyAuthenticationRequest(
                        options,
                        json.readValue(
                                answer, new TypeReference<PublicKeyCredential<AuthenticatorAssertionResponse>>() {}))));
        return people.find(Objects.requireNonNull(user).getName())
                .map(row -> new Person(row.id(), row.email(), row.name(), row.role(), row.zone(), ""))
                .orElseThrow(Passkeys::unknown);
    }

    @SuppressWarnings("unchecked")
    private <T extends Serializable> T asked(HttpSession session, String what) {
        Asked<T> asked = (Asked<T>) session.getAttribute(what);
        session.removeAttribute(what);
        if (asked == null || asked.at().plus(STANDS).isBefore(clock.instant())) {
            throw Refusal.conflict("It took too long", "Begin once more.");
        }
        return asked.options();
    }

    private static <T> T checked(Supplier<Refusal> otherwise, Supplier<T> act) {
        try {
            return act.get();
        } catch (DataAccessException ours) {
            throw ours;
        } catch (RuntimeException wrong) {
            // What is no answer at all makes the reading of it fail in many ways.
            LOG.debug("a device's answer can't be used", wrong);
            throw otherwise.get();
        }
    }

    private static Refusal notMade() {
        return Refusal.invalid("json", "The device's answer can't be used. Begin once more.");
    }

    private static Refusal unknown() {
        return Refusal.of(
                HttpStatus.UNAUTHORIZED,
                "Not signed in",
                "passkey",
                "This passkey isn't known here. Sign in with your password, and make a new one under your name.");
    }

    /** @throws Refusal if this person has no such passkey */
    public void remove(Person person, long id) {
        if (!rows.remove(person.id(), id)) {
            throw Refusal.notFound("passkey");
        }
    }
}
