package app.navlo.server.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertSame;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javax.sql.DataSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What was written for H2 is said to PostgreSQL in its own words, and everything else as it is. */
public class InPostgresTest {
    private static final Instant AT = Instant.parse("2026-11-24T15:20:00.123456Z");

    /** What a driver was asked, in order: texts of statements, and parameters with their kinds. */
    private final List<String> asked = new ArrayList<>();

    private SQLException fault;
    private DataSource data;

    @BeforeMethod
    public void listen() {
        asked.clear();
        fault = null;
        data = new InPostgres(new SingleConnectionDataSource(connection(), true));
    }

    private Connection connection() {
        return (Connection) Proxy.newProxyInstance(
                getClass().getClassLoader(), new Class<?>[] {Connection.class}, (self, method, args) -> {
                    if (fault != null) {
                        throw fault;
                    }
                    if (method.getName().equals("prepareStatement")) {
                        asked.add((String) args[0]);
                        return statement();
                    }
                    return method.getReturnType() == boolean.class ? false : null;
                });
    }

    private PreparedStatement statement() {
        return (PreparedStatement) Proxy.newProxyInstance(
                getClass().getClassLoader(), new Class<?>[] {PreparedStatement.class}, (self, method, args) -> {
                    if (method.getName().startsWith("set") && args != null && args.length > 1) {
                        asked.add(method.getName() + " "
                                + (args[1] instanceof String text
                                        ? text
                                        : args[1].getClass().getSimpleName()));
                    }
                    return method.getReturnType() == int.class ? 1 : null;
                });
    }

    @DataProvider
    public static Object[][] said() {
        return new Object[][] {
            {
                "MERGE INTO draft (work_id, text) KEY (work_id) VALUES (?, ?)",
                "INSERT INTO draft (work_id, text) VALUES (?, ?) ON CONFLICT (work_id) DO UPDATE SET text = EXCLUDED.text"
            },
            {
                "MERGE INTO seen (person_id, item, seen) KEY (person_id, item)\nVALUES (?, ?, ?)\n",
                "INSERT INTO seen (person_id, item, seen) VALUES (?, ?, ?)"
                        + " ON CONFLICT (person_id, item) DO UPDATE SET seen = EXCLUDED.seen"
            },
            {
                "MERGE INTO known (person_id) KEY (person_id) VALUES (?)",
                "INSERT INTO known (person_id) VALUES (?) ON CONFLICT (person_id) DO NOTHING"
            },
            {
                "MERGE INTO draft (work_id, number) KEY (work_id) VALUES (?, NEXT VALUE FOR draft_number)",
                "INSERT INTO draft (work_id, number) VALUES (?, nextval('draft_number'))"
                        + " ON CONFLICT (work_id) DO UPDATE SET number = EXCLUDED.number"
            },
            {
                "UPDATE draft SET number = NEXT VALUE FOR draft_number WHERE work_id = ?",
                "UPDATE draft SET number = nextval('draft_number') WHERE work_id = ?"
            },
            {"SELECT id FROM person WHERE id = ? FOR UPDATE", "SELECT id FROM person WHERE id = ? FOR NO KEY UPDATE"},
        };
    }

    @Test(dataProvider = "said")
    public void itIsSaidInPostgresWords(String written, String said) {
        assertEquals(InPostgres.said(written), said);
    }

    @DataProvider
    public static Object[][] both() {
        return new Object[][] {
            {"SELECT name FROM person WHERE id = ?"},
            {"INSERT INTO note (body) VALUES ('MERGE INTO it, FOR UPDATE or not')"},
            {"MERGE INTO kept USING (SELECT 1 AS id) AS said ON (kept.id = said.id) WHEN MATCHED THEN UPDATE SET a = 1"
            },
            {"UPDATE work SET version = ? WHERE id = ?"},
        };
    }

    @Test(dataProvider = "both")
    public void whatBothSpeakIsLeftAsItIs(String sql) {
        assertEquals(InPostgres.said(sql), sql);
    }

    @Test
    public void statementsAndTheirParametersAreSaidSo() {
        JdbcClient db = JdbcClient.create(data);
        InputStream content = new ByteArrayInputStream(new byte[] {1});
        db.sql("MERGE INTO stored (sha, at, content) KEY (sha) VALUES (:sha, :at, :content)")
                .param("sha", "ab")
                .param("at", AT)
                .param("content", content)
                .update();
        assertEquals(
                asked,
                List.of(
                        "INSERT INTO stored (sha, at, content) VALUES (?, ?, ?)"
                                + " ON CONFLICT (sha) DO UPDATE SET at = EXCLUDED.at, content = EXCLUDED.content",
                        "setString ab",
                        "setObject OffsetDateTime",
                        "setBinaryStream ByteArrayInputStream"));
    }

    /** A table out of an old program may have such characters; no write is refused for one. */
    @Test
    public void aTextWithACharacterThatItDoesntKeepIsKeptWithASignOfIt() {
        JdbcClient.create(data)
                .sql("UPDATE note SET body = :body")
                .param("body", "a\0b")
                .update();
        assertEquals(asked, List.of("UPDATE note SET body = ?", "setString a\uFFFDb"));
    }

    @Test
    public void aFaultOfTheDriverComesThroughAsItIs() throws SQLException {
        try (Connection connection = data.getConnection()) {
            fault = new SQLException("deadlock detected", "40P01");
            SQLException met = null;
            try {
                connection.prepareStatement("SELECT 1");
            } catch (SQLException thrown) {
                met = thrown;
            }
            assertSame(met, fault);
            assertThrows(SQLException.class, connection::commit);
            fault = null;
        }
    }

    @Test
    public void onlyAddressesOfPostgresLeadThere() {
        assertTrue(InPostgres.speaks("jdbc:postgresql://db.school.example/navlo"));
        for (String other : Arrays.asList("jdbc:h2:mem:a", "jdbc:h2:file:/data/jdbc:postgresql:", "", null)) {
            assertFalse(InPostgres.speaks(other), other);
        }
    }
}
