package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import app.navlo.server.store.Links;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Who has a copy of the data has nobody's way in; and what was damaged in it is known. */
@DirtiesContext
public class StoredSecretsTest extends DemoServer {
    @Autowired
    private JdbcTemplate db;

    @Autowired
    private Links links;

    /** All texts of all tables, looked through for one. */
    private boolean isStored(String secret) {
        List<String[]> columns = db.query("""
                SELECT table_name, column_name FROM information_schema.columns
                WHERE LOWER(table_schema) = 'public' AND UPPER(data_type) LIKE 'CHARACTER%'
                  AND table_name <> 'flyway_schema_history'
                """, (row, n) -> new String[] {row.getString(1), row.getString(2)});
        assertTrue(columns.size() > 100, "all columns are looked at");
        return columns.stream().anyMatch(column -> {
            Long found = db.queryForObject(
                    "SELECT COUNT(*) FROM \"" + column[0] + "\" WHERE \"" + column[1] + "\" LIKE ?",
                    Long.class,
                    "%" + secret + "%");
            return found != null && found > 0;
        });
    }

    @Test
    public void noWayInIsStored() {
        TestClient mira = mira();
        String session = mira.cookie("navlo");
        String number = new String(java.util.Base64.getDecoder().decode(session), StandardCharsets.US_ASCII);
        String feed =
                mira.post(STUDENT + "/calendar-feed", "").json().get("address").asString();
        String secret = feed.replaceFirst(".*/calendar/", "").replaceFirst("\\.ics$", "");
        String token = mira.post("/api/people/me/tokens", "{\"name\":\"script\",\"scope\":\"READ\"}")
                .json()
                .get("token")
                .asString();
        String link = mira.post(STUDENT + "/guardians/invitations", "")
                .json()
                .get("secret")
                .asString();
        assertEquals(mira.get("/calendar/" + secret + ".ics").status(), 200, "it is the secret");
        for (String way : List.of(session, number, secret, token, link)) {
            assertTrue(way.length() >= 20, way);
            assertFalse(isStored(way), "stored as it is: " + way);
        }
        assertTrue(isStored("Mira Solheim"), "what is stored would be found");
    }

    /** The same address again, as long as nobody makes a new one. */
    @Test(dependsOnMethods = "noWayInIsStored")
    public void theAddressOfACalendarIsShownAgain() {
        TestClient mira = mira();
        String first =
                mira.get(STUDENT + "/calendar-feed").json().get("address").asString();
        assertEquals(mira.get(STUDENT + "/calendar-feed").json().get("address").asString(), first);
        assertEquals(
                tobias().get(STUDENT + "/calendar-feed").json().get("address").isNull(), true);
        db.update("UPDATE calendar_feed SET digest = ? WHERE student_id = 1", "0".repeat(64));
        assertTrue(mira.get(STUDENT + "/calendar-feed").json().get("address").isNull(), "made with another key");
    }

    /** And what lay open before there was a key is sealed at the next start. */
    @Test
    public void keysOfLinksAreSealed() {
        List<String> stored = db.queryForList("SELECT token FROM link WHERE token IS NOT NULL", String.class);
        assertFalse(stored.isEmpty());
        stored.forEach(token -> assertTrue(token.startsWith("sealed:"), token));
        List<Links.Link> mine = links.of(MIRA, Set.of());
        assertTrue(mine.stream().anyMatch(link -> link.access().token() != null), "the link has its key");

        db.update("UPDATE link SET token = 'plain-as-before' WHERE student_id = 1 AND token IS NOT NULL");
        links.sealTokens();
        assertFalse(isStored("plain-as-before"));
        assertEquals(
                links.of(MIRA, Set.of()).stream()
                        .filter(link -> "plain-as-before".equals(link.access().token()))
                        .count(),
                mine.stream().filter(link -> link.access().token() != null).count());
    }

    /** A flipped byte in a stored file: it isn't given out as if it were what was handed in, and the archive goes without it. */
    @Test
    public void whatWasDamagedInTheStoreIsntHandedOut() {
        TestClient mira = mira();
        JsonNode files = mira.get(STUDENT + "/files").json();
        String text = files.toString().toLowerCase(Locale.ROOT);
        assertTrue(text.contains("soil-lab-1-profile.pdf"), text);
        JsonNode receipt = mira.get(path(work(mira, "Soil lab 1"))).json();
        long handIn = receipt.at("/handIns/0/id").asLong();
        String file = path(work(mira, "Soil lab 1")) + "/hand-ins/" + handIn + "/files/1";
        assertEquals(mira.get(file).status(), 200, mira.get(file).body());

        String sha256 = db.queryForObject(
                "SELECT sha256 FROM hand_in_file WHERE fact_id = ? AND position = 1", String.class, handIn);
        db.update("UPDATE stored_file SET content = ? WHERE sha256 = ?", new byte[] {0, 17, 34, 51}, sha256);
        TestClient.Answer damaged = mira.get(file);
        assertEquals(damaged.status(), 410, damaged.body());
        assertTrue(damaged.body().contains("damaged"), damaged.body());
        TestClient.Answer archive = mira.get(STUDENT + "/archive");
        assertEquals(archive.status(), 200);
        assertTrue(archive.body().contains("damaged-files.txt"), "it says what is missing");
    }
}
