package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Passkeys without a device: what is asked, and that nothing but an answer to it is taken. */
public class PasskeyTest extends DemoServer {
    private static final JsonMapper JSON = new JsonMapper();
    private static final String MAKE = "/api/people/me/passkeys";

    private static JsonNode asked(TestClient.Answer answer) {
        assertEquals(answer.status(), 200, answer.body());
        return JSON.readTree(answer.json().get("json").asString());
    }

    private static String password(String password) {
        return "{\"password\":\"" + password + "\"}";
    }

    private TestClient atTheDoor() {
        TestClient nobody = new TestClient(port);
        nobody.get("/api/session");
        return nobody;
    }

    @Test
    public void theDeviceIsAskedWhoHoldsItAndForThisPlaceAlone() {
        JsonNode entering = asked(atTheDoor().post("/api/passkeys/questions", ""));
        assertEquals(entering.get("rpId").asString(), "localhost");
        assertEquals(entering.get("userVerification").asString(), "required");
        assertTrue(entering.get("allowCredentials").isEmpty(), "nobody learns who has one");

        JsonNode making = asked(mira().post(MAKE + "/questions", password(TestSettings.MIRAS_PASSWORD)));
        assertEquals(making.at("/rp/id").asString(), "localhost");
        assertEquals(making.at("/authenticatorSelection/userVerification").asString(), "required");
        assertEquals(making.at("/authenticatorSelection/residentKey").asString(), "required");
        assertEquals(making.at("/user/name").asString(), TestSettings.MIRA);
        String handle = making.at("/user/id").asString();
        JsonNode again = asked(mira().post(MAKE + "/questions", password(TestSettings.MIRAS_PASSWORD)));
        assertEquals(again.at("/user/id").asString(), handle, "a device knows her by one handle");
        assertFalse(again.get("challenge").equals(making.get("challenge")), "no question is asked twice");
        JsonNode tobias = asked(tobias().post(MAKE + "/questions", password(TestSettings.TOBIAS_PASSWORD)));
        assertFalse(tobias.at("/user/id").asString().equals(handle));
    }

    @Test
    public void aPasswordIsAskedForBeforeOneIsMade() {
        TestClient.Answer refused = mira().post(MAKE + "/questions", password("not hers"));
        assertEquals(refused.status(), 422);
        assertEquals(refused.json().at("/faults/0/field").asString(), "password");
        assertEquals(mira().post(MAKE, "{\"name\":\"x\",\"json\":\"{}\"}").status(), 409, "nothing was asked");
    }

    @DataProvider
    public static Object[][] noAnswers() {
        String none = "\\\"AAAA\\\"";
        String response = "\\\"response\\\":{\\\"clientDataJSON\\\":" + none + ",\\\"authenticatorData\\\":" + none
                + ",\\\"signature\\\":" + none + ",\\\"userHandle\\\":" + none + "}";
        return new Object[][] {
            {"{}"},
            {"[]"},
            {"null"},
            {"no json"},
            {"{\\\"id\\\":1}"},
            {"{\\\"id\\\":\\\"!!\\\",\\\"rawId\\\":\\\"!!\\\",\\\"type\\\":\\\"public-key\\\"," + response + "}"},
            {"{\\\"id\\\":\\\"AAAA\\\",\\\"rawId\\\":\\\"AAAA\\\",\\\"type\\\":\\\"public-key\\\"," + response + "}"},
            {"{\\\"id\\\":\\\"AAAA\\\",\\\"rawId\\\":\\\"AAAA\\\",\\\"type\\\":\\\"public-key\\\",\\\"response\\\":{}}"
            },
        };
    }

    @Test(dataProvider = "noAnswers")
    public void whatIsNoAnswerSignsNobodyIn(String json) {
        TestClient nobody = atTheDoor();
        asked(nobody.post("/api/passkeys/questions", ""));
        TestClient.Answer refused = nobody.post("/api/passkeys/answers", "{\"json\":\"" + json + "\"}");
        assertEquals(refused.status(), 401, refused.body());
        assertEquals(
                nobody.post("/api/passkeys/answers", "{\"json\":\"" + json + "\"}")
                        .status(),
                409,
                "a question is answered once");
        assertTrue(nobody.get("/api/session").json().get("person").isNull());

        TestClient mira = mira();
        asked(mira.post(MAKE + "/questions", password(TestSettings.MIRAS_PASSWORD)));
        TestClient.Answer unmade = mira.post(MAKE, "{\"name\":\"x\",\"json\":\"" + json + "\"}");
        assertEquals(unmade.status(), 422, unmade.body());
        assertTrue(mira.get(MAKE).json().isEmpty());
    }

    @Test
    public void nobodyRemovesWhatIsNotTheirs() {
        assertEquals(mira().send("DELETE", MAKE + "/1", "").status(), 404);
    }
}
