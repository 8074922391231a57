package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.server.store.Notices;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Invitations that go by mail, and addresses that are proved by it; as the demo sends mail, everybody in it is known. */
@DirtiesContext
public class AddressTest extends DemoServer {
    private static final String AGAIN = "/api/people/me/confirmations";

    @Autowired
    private Notices notices;

    private TestClient atTheDoor() {
        TestClient nobody = new TestClient(port);
        nobody.get("/api/session");
        return nobody;
    }

    private static JsonNode me(TestClient who) {
        return who.get("/api/session").json().get("person");
    }

    private static boolean unconfirmed(TestClient who) {
        return me(who).get("unconfirmed").asBoolean();
    }

    private TestClient.Answer invite(String email) {
        return mira().post(
                        STUDENT + "/guardians/invitations",
                        "{\"words\":true,\"messages\":true,\"email\":\"" + email + "\"}");
    }

    private TestClient joined(String secret, String name) {
        TestClient client = atTheDoor();
        TestClient.Answer in =
                client.post("/api/invitations/" + secret + "/people", OwnServer.newPerson(name, OwnServer.PASSWORD));
        assertEquals(in.status(), 201, in.body());
        client.get("/api/session");
        return client;
    }

    private int confirm(String secret) {
        return atTheDoor().post("/api/confirmations/" + secret, "").status();
    }

    private static String changed(String name, String email) {
        return "{\"name\":\"" + name + "\",\"email\":\"" + email
                + "\",\"zone\":\"UTC\",\"hour12\":null,\"firstWeekday\":null,\"dateOrder\":null}";
    }

    @Test
    public void whoComesByTheLinkThatWasMailedToThemIsKnown() throws Exception {
        assertEquals(invite("aunt@example.org").status(), 201);
        String letter = MailBox.of(mira()).letter("Navlo: Mira Solheim invites you", "aunt@example.org");
        assertTrue(letter.contains("to see their work at school"), letter);
        TestClient aunt = joined(MailBox.after("/join/", letter), "Aunt");
        assertFalse(unconfirmed(aunt), "she read what was sent to her address");
        assertEquals(aunt.get(STUDENT + "/board").status(), 200);
        assertEquals(aunt.post(AGAIN, "").status(), 409, "there is nothing to confirm");
    }

    @Test
    public void anInvitationGoesNowhereButToAnAddress() {
        for (String odd : new String[] {"nobody", "a@b.example\\r\\nBcc: c@d.example", "a@b.example,c@d.example"}) {
            TestClient.Answer refused = invite(odd);
            assertEquals(refused.status(), 422, refused.body());
            assertEquals(refused.json().at("/faults/0/field").asString(), "email");
        }
    }

    @Test
    public void whoComesWithAnotherAddressFollowsALinkFirst() throws Exception {
        String secret = invite("somebody.else@example.org").json().get("secret").asString();
        TestClient cousin = joined(secret, "Cousin");
        assertTrue(unconfirmed(cousin));
        cousin.send(
                "PUT",
                "/api/people/me/notices",
                "{\"losses\":true,\"asked\":true,\"scores\":true,\"weekDay\":null,\"quietFrom\":\"22:00\",\"quietUntil\":\"07:00\"}");
        long id = me(cousin).get("id").asLong();
        assertTrue(notices.readers().stream().noneMatch(reader -> reader.person() == id), "no word comes before");

        String link =
                MailBox.after("/confirm/", MailBox.of(mira()).letter("Navlo: is this your", "cousin@example.org"));
        assertEquals(confirm("made-up"), 410);
        assertEquals(confirm(link), 204);
        assertFalse(unconfirmed(cousin));
        assertTrue(notices.readers().stream().anyMatch(reader -> reader.person() == id));

        assertEquals(
                cousin.send("PUT", "/api/people/me", changed("Cousin", "COUSIN@example.org"))
                        .status(),
                200);
        assertFalse(unconfirmed(cousin), "the same address written otherwise");
        assertEquals(
                cousin.send("PUT", "/api/people/me", changed("Cousin", "kin@example.org"))
                        .status(),
                200);
        assertTrue(unconfirmed(cousin), "another address is another question");
        assertEquals(confirm(link), 410, "what proved the first proves nothing of the second");
        assertEquals(cousin.post(AGAIN, "").status(), 202);
        assertEquals(cousin.post(AGAIN, "").status(), 202);
        assertEquals(cousin.post(AGAIN, "").status(), 409, "three an hour");
        String second = MailBox.after("/confirm/", MailBox.of(mira()).letter("Navlo: is this your", "kin@example.org"));
        assertEquals(confirm(second), 204);
        assertFalse(unconfirmed(cousin));
    }

    /** A student sees of who asks whether the address is theirs. */
    @Test(dependsOnMethods = "whoComesWithAnotherAddressFollowsALinkFirst")
    public void aStudentSeesWhetherTheAddressOfWhoAsksIsTheirs() {
        String secret = mira().post(STUDENT + "/guardians/invitations", "")
                .json()
                .get("secret")
                .asString();
        TestClient stranger = joined(secret, "Stranger");
        assertEquals(
                stranger.post("/api/people/me/requests", "{\"email\":\"" + TestSettings.ANDERS + "\"}")
                        .status(),
                202);
        JsonNode asking =
                anders().get("/api/students/" + ANDERS + "/guardians").json().at("/requests/0");
        assertEquals(asking.get("name").asString(), "Stranger");
        assertFalse(asking.get("confirmed").asBoolean());
    }
}
