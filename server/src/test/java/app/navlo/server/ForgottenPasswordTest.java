package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.server.account.ForgottenPassword;
import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import app.navlo.server.store.SignIns;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Who has forgotten their password, and has the machine: a new one is set while no Navlo runs on the data. */
public class ForgottenPasswordTest {
    private JdbcClient db;
    private People people;
    private long ida;

    @BeforeClass
    public void aNavloThatWasStopped() throws IOException {
        Path data = Files.createTempDirectory("navlo-password");
        Launch launch = Launch.of(List.of("start", "--data", data.toString()));
        launch.prepare();
        db = JdbcClient.create(new DriverManagerDataSource(launch.url(), Launch.USER, ""));
        people = new People(db);
        ida = people.add(new People.NewPerson(
                "Ida@Example.org", "forgotten", "Ida Falk", Role.STUDENT, "Europe/Copenhagen", Instant.now()));
    }

    private void signedIn(String id, long person) {
        db.sql("""
                INSERT INTO spring_session (primary_id, session_id, creation_time, last_access_time, max_inactive_interval,
                    expiry_time, principal_name)
                VALUES (:id, :id, 1, 1, 1800, 9999999999999, :person)
                """).param("id", id).param("person", Long.toString(person)).update();
    }

    @Test
    public void aNewOneIsSetAndEverySignInEnds() {
        signedIn("0001", ida);
        signedIn("0002", ida);
        signedIn("0003", ida + 1);
        String before = people.passwordOf(ida);
        String said = new ForgottenPassword(people, new SignIns(db)).set(" ida@EXAMPLE.org ", "mild grey owl");
        assertEquals(said, "Ida Falk signs in with the new password from now on; 2 sign-ins were ended.");
        assertFalse(people.passwordOf(ida).equals(before));
        assertFalse(people.passwordOf(ida).contains("owl"), "it is kept as a hash");
        assertEquals(
                db.sql("SELECT COUNT(*) FROM spring_session")
                        .query(Integer.class)
                        .single(),
                Integer.valueOf(1),
                "somebody else's stays");
    }

    @DataProvider
    public static Object[][] refused() {
        return new Object[][] {
            {"nobody@example.org", "mild grey owl", "nobody signs in with the address 'nobody@example.org'"},
            {"ida@example.org", "", "10 to 200"},
            {"ida@example.org", "idafalk123", "guess"},
        };
    }

    @Test(dataProvider = "refused")
    public void whatCannotBeIsSaidInALineAndChangesNothing(String email, String password, String words) {
        String before = people.passwordOf(ida);
        IllegalArgumentException wrong =
                expectThrows(IllegalArgumentException.class, () -> new ForgottenPassword(people, new SignIns(db))
                        .set(email, password));
        assertTrue(String.valueOf(wrong.getMessage()).contains(words), wrong.getMessage());
        assertEquals(people.passwordOf(ida), before);
    }
}
