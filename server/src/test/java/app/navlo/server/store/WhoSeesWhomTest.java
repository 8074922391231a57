package app.navlo.server.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.server.TestSettings;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** What the store keeps of who lets in whom, and by what they prove who they are. */
@SpringBootTest(properties = TestSettings.MEMORY)
public class WhoSeesWhomTest extends AbstractTestNGSpringContextTests {
    private static final Instant NOW = Instant.parse("2026-11-24T15:20:00Z");
    private static final AtomicInteger NUMBER = new AtomicInteger();

    @Autowired
    private People people;

    @Autowired
    private Guardianships guardianships;

    @Autowired
    private Invitations invitations;

    @Autowired
    private GuardianRequests requests;

    @Autowired
    private Confirmations confirmations;

    @Autowired
    private PasskeyRows passkeys;

    private long student;
    private long guardian;

    private static String address() {
        return "somebody-" + NUMBER.incrementAndGet() + "@example.org";
    }

    private long person(Role role, String email) {
        return people.add(new People.NewPerson(email, "none", "Somebody", role, "UTC", NOW));
    }

    @BeforeMethod
    public void twoPeople() {
        student = person(Role.STUDENT, address());
        guardian = person(Role.GUARDIAN, address());
    }

    private static String hash(String secret) {
        return Sha256.of(secret + NUMBER.get());
    }

    @Test
    public void whoIsLetInTwiceSeesWhatTheySaw() {
        guardianships.accept(student, guardian, new Sight(false, true), NOW);
        guardianships.accept(student, guardian, Sight.ALL, NOW.plusSeconds(60));
        List<Guardianships.Guardian> all = guardianships.of(student);
        assertEquals(all.size(), 1);
        assertEquals(all.get(0).sees(), new Sight(false, true), "an old link widens nothing");
        assertEquals(all.get(0).since(), NOW);
        assertEquals(guardianships.sights(guardian), Map.of(student, new Sight(false, true)));
    }

    @Test
    public void whatIsShownIsOfOneStudentAndOneGuardian() {
        long other = person(Role.STUDENT, address());
        long aunt = person(Role.GUARDIAN, address());
        guardianships.accept(student, guardian, Sight.ALL, NOW);
        guardianships.accept(other, guardian, Sight.ALL, NOW);
        guardianships.accept(student, aunt, Sight.ALL, NOW);
        assertTrue(guardianships.show(student, guardian, Sight.NARROWEST));
        assertEquals(guardianships.sights(guardian), Map.of(student, Sight.NARROWEST, other, Sight.ALL));
        assertEquals(guardianships.sights(aunt), Map.of(student, Sight.ALL));
        assertFalse(guardianships.show(other, aunt, Sight.ALL), "she sees nothing of that one");
        assertTrue(guardianships.end(guardian, student));
        assertFalse(guardianships.end(guardian, student), "it has ended");
        assertEquals(guardianships.sights(guardian), Map.of(other, Sight.ALL));
    }

    @Test
    public void aLookIsNotedOfWhoMayLook() {
        assertEquals(guardianships.looked(guardian, student), Optional.empty());
        guardianships.accept(student, guardian, Sight.ALL, NOW);
        assertEquals(guardianships.looked(guardian, student), Optional.of(new Guardianships.Looked(null)));
        guardianships.looks(guardian, student, NOW.plusSeconds(5));
        assertEquals(guardianships.of(student).get(0).lookedAt(), NOW.plusSeconds(5));
    }

    private long invite(String secret, Instant ends, String email) {
        return invitations.add(new Invitations.NewInvitation(
                hash(secret), student, Role.GUARDIAN, student, new Sight(true, false), email, NOW, ends));
    }

    @Test
    public void anInvitationIsUsedOnceWithinItsTime() {
        Instant ends = NOW.plus(Duration.ofDays(7));
        long id = invite("once", ends, " Aunt@Example.org ");
        Invitations.Invitation found = invitations.find(hash("once")).orElseThrow();
        assertEquals(found.sees(), new Sight(true, false));
        assertEquals(found.emailKey(), "aunt@example.org");
        assertTrue(found.isOpen(ends.minusNanos(1)));
        assertFalse(found.isOpen(ends), "its end is past it");
        assertFalse(invitations.use(id, guardian, ends), "nor is it used then");
        assertTrue(invitations.use(id, guardian, NOW));
        assertFalse(invitations.use(id, guardian, NOW), "once");
        assertFalse(invitations.withdraw(id, student, NOW), "what was used isn't taken back");
        assertEquals(invitations.find(hash("another")), Optional.empty());
    }

    @Test
    public void whatIsTakenBackLetsNobodyIn() {
        long id = invite("taken back", NOW.plus(Duration.ofDays(7)), null);
        assertFalse(invitations.withdraw(id, guardian, NOW), "by who made it alone");
        assertTrue(invitations.withdraw(id, student, NOW));
        assertFalse(invitations.use(id, guardian, NOW));
        assertEquals(invitations.find(hash("taken back")).orElseThrow().emailKey(), null);
    }

    @Test
    public void aRequestFindsItsStudentByTheAddressHoweverItIsWritten() {
        String email = address();
        long asked = person(Role.STUDENT, email);
        assertTrue(requests.add(guardian, "  " + email.toUpperCase(java.util.Locale.ROOT), NOW));
        assertFalse(requests.add(guardian, email, NOW), "the same was asked");
        assertTrue(requests.add(guardian, "nobody@example.org", NOW), "of nobody here, too");
        assertEquals(requests.to(student), List.of());
        GuardianRequests.Asking asking = requests.to(asked).get(0);
        assertEquals(asking.guardian(), guardian);
        assertFalse(asking.confirmed());
        confirmations.confirm(guardian, NOW);
        assertTrue(requests.to(asked).get(0).confirmed());
        assertFalse(requests.withdraw(asked, asking.id()), "by who asked alone");
        assertTrue(requests.withdraw(guardian, asking.id()));
        assertEquals(requests.to(asked), List.of());
    }

    @Test
    public void anAddressIsProvedByItsOwnSecretWhileItIsTheAddress() {
        String email = address();
        long person = person(Role.STUDENT, email);
        String mine = hash("mine");
        assertFalse(confirmations.isConfirmed(person));
        confirmations.add(mine, person, email, NOW, NOW.plus(Duration.ofDays(7)));
        assertEquals(confirmations.madeSince(person, NOW.minusSeconds(1)), 1);
        assertEquals(confirmations.madeSince(person, NOW), 0);
        assertEquals(confirmations.find(mine, NOW), Optional.of(person));
        assertEquals(confirmations.find(mine, NOW.plus(Duration.ofDays(7))), Optional.empty());
        assertEquals(confirmations.find(hash("another"), NOW), Optional.empty());
        people.change(person, "Somebody", address(), "UTC", new People.Formats(null, null, null));
        assertEquals(confirmations.find(mine, NOW), Optional.empty(), "the address is another");
        confirmations.confirm(person, NOW);
        assertTrue(confirmations.isConfirmed(person));
        confirmations.forget(person);
        assertFalse(confirmations.isConfirmed(person));
        assertEquals(confirmations.madeSince(person, Instant.EPOCH), 0);
    }

    private static PasskeyRows.Key key(String credential, long signatures) {
        return new PasskeyRows.Key(credential, "cHVi", "YXR0", "hybrid,internal", signatures, true, true, false);
    }

    @Test
    public void devicesKnowAPersonByOneHandle() {
        String fresh = hash("handle");
        assertEquals(passkeys.handle(student), Optional.empty());
        assertEquals(passkeys.handle(student, fresh), fresh);
        assertEquals(passkeys.handle(student, hash("a second")), fresh, "the first stays");
        assertEquals(passkeys.personOf(fresh), Optional.of(student));
        assertEquals(passkeys.personOf("nobody's"), Optional.empty());
        expectThrows(DuplicateKeyException.class, () -> passkeys.handle(guardian, fresh));
    }

    @Test
    public void aPasskeyIsFoundByItsCredentialAndItsUseIsNoted() {
        String handle = passkeys.handle(student, hash("handle"));
        String credential = hash("credential");
        long id = passkeys.add(student, "Phone", key(credential, 0), NOW);
        PasskeyRows.Passkey made = passkeys.find(credential).orElseThrow();
        assertEquals(made.id(), id);
        assertEquals(made.handle(), handle);
        assertEquals(made.key(), key(credential, 0));
        assertEquals(made.usedAt(), null);
        passkeys.used(key(credential, 5), NOW.plusSeconds(9));
        PasskeyRows.Passkey used = passkeys.find(credential).orElseThrow();
        assertEquals(used.key().signatureCount(), 5);
        assertEquals(used.usedAt(), NOW.plusSeconds(9));
        assertEquals(used.madeAt(), NOW);
        expectThrows(DuplicateKeyException.class, () -> passkeys.add(student, "Again", key(credential, 0), NOW));
    }

    @Test
    public void aPasskeyIsRemovedByItsPersonAlone() {
        passkeys.handle(student, hash("handle"));
        long phone = passkeys.add(student, "Phone", key(hash("phone"), 0), NOW);
        long laptop = passkeys.add(student, "Laptop", key(hash("laptop"), 0), NOW);
        assertFalse(passkeys.remove(guardian, phone));
        assertTrue(passkeys.remove(student, phone));
        assertFalse(passkeys.remove(student, phone), "it is gone");
        assertEquals(passkeys.of(student).stream().map(PasskeyRows.Passkey::id).toList(), List.of(laptop));
        assertEquals(passkeys.find(hash("phone")), Optional.empty());
    }
}
