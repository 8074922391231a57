package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.server.store.Keyring;
import java.io.IOException;
import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.springframework.util.FileSystemUtils;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** One process that has the data of a folder open for others. */
public class DatabaseTest {
    private static final Duration PATIENCE = Duration.ofSeconds(60);

    private static final String KEY = Instances.KEY;
    private static final Map<String, String> KEPT = Map.of("NAVLO_KEY", KEY);

    private Path folder;
    private OtherProcess database;
    private OtherProcess navlo;

    @BeforeClass
    public void serve() throws IOException {
        folder = Files.createTempDirectory("navlo-database");
        database = new OtherProcess(folder, "database");
    }

    @AfterClass(alwaysRun = true)
    public void stop() throws IOException {
        for (OtherProcess process : new OtherProcess[] {navlo, database}) {
            if (process != null) {
                process.close();
            }
        }
        FileSystemUtils.deleteRecursively(folder);
    }

    private String key() throws IOException {
        return Files.readString(folder.resolve("navlo.key")).strip();
    }

    private Map<String, String> environment() throws IOException {
        return environment(database, key());
    }

    private static Map<String, String> environment(OtherProcess database, String key) {
        return Map.of("NAVLO_DB", "jdbc:h2:tcp://localhost:" + database.port() + "/navlo", "NAVLO_KEY", key);
    }

    private Map<String, String> but(String name, String value) throws IOException {
        Map<String, String> changed = new HashMap<>(environment());
        changed.put(name, value);
        return changed;
    }

    /** What is said where nothing starts. */
    private static String refused(OtherProcess.Starting starting) {
        return String.valueOf(
                expectThrows(IllegalStateException.class, () -> starting.start().close())
                        .getMessage());
    }

    private static String refused(Map<String, String> environment) {
        Shared shared = Shared.of(environment).orElseThrow();
        return NavloApplication.why(expectThrows(RuntimeException.class, shared::fits));
    }

    /** Whoever doesn't know what the data are called here gets none, nor anything else of the machine. */
    @DataProvider
    public Object[][] guesses() {
        return new Object[][] {
            {"navlo"},
            {""},
            {folder.resolve("navlo").toString()},
            {"~/other"},
            {"mem:other"},
            {"mem:management_db_9092"}
        };
    }

    @Test(dataProvider = "guesses")
    public void nobodyGetsInWithoutTheKey(String name) {
        String url = "jdbc:h2:tcp://localhost:" + database.port() + "/" + name;
        SQLException refused = expectThrows(SQLException.class, () -> DriverManager.getConnection(url, Launch.USER, "")
                .close());
        assertEquals(refused.getSQLState(), "28000", refused.getMessage());
    }

    @Test
    public void itListensOnThisMachineAlone() throws Exception {
        // An address of this machine at which it doesn't listen; with those of the network, where there are any.
        List<String> others = Stream.concat(
                        Stream.of("127.0.0.2"),
                        NetworkInterface.networkInterfaces()
                                .flatMap(NetworkInterface::inetAddresses)
                                .filter(address -> !address.isLoopbackAddress() && address instanceof Inet4Address)
                                .map(InetAddress::getHostAddress))
                .toList();
        for (String address : others) {
            expectThrows(IOException.class, () -> new Socket(address, database.port()).close());
        }
    }

    @Test
    public void whoComesWithAnotherKeyIsToldSo() throws IOException {
        String said = refused(but("NAVLO_KEY", KEY));
        assertTrue(said.contains("have another key: set NAVLO_KEY"), said);
    }

    @Test
    public void whereNobodyAnswersThatIsSaid() throws IOException {
        int free;
        try (ServerSocket socket = new ServerSocket(0)) {
            free = socket.getLocalPort();
        }
        String said = refused(but("NAVLO_DB", "jdbc:h2:tcp://localhost:" + free));
        assertTrue(said.contains("no ./navlo database answers"), said);
    }

    /** Nobody else takes the folder, another of its kind neither. */
    @Test
    public void theFolderIsTaken() {
        for (String verb : List.of("start", "database")) {
            String said = refused(() -> new OtherProcess(folder, verb));
            assertTrue(said.contains("another Navlo uses this data"), said);
        }
    }

    @Test
    public void aPortThatIsTakenIsNamedAndTheDataGivenBack() throws IOException {
        Path own = Files.createTempDirectory("navlo-database");
        String said = refused(() -> new OtherProcess(own, Map.of(), database.port(), "database"));
        assertTrue(said.contains("port " + database.port() + " is in use"), said);
        assertFalse(isOpen(own));
    }

    @Test
    public void whatIsSaidWrongIsNamed() throws IOException {
        String said = expectThrows(
                        IllegalArgumentException.class,
                        () -> Database.start(List.of(), Map.of("NAVLO_COPIES_DAYS", "a week")))
                .getMessage();
        assertTrue(said.contains("NAVLO_COPIES_DAYS wants a number of days, not 'a week'"), said);
        Path own = Files.createTempDirectory("navlo-database");
        String host = refused(() -> new OtherProcess(own, "database", "--host", "nowhere.invalid"));
        assertTrue(host.contains("this machine has no address nowhere.invalid"), host);
        assertFalse(isOpen(own));
        String key = refused(() -> new OtherProcess(own, Map.of("NAVLO_KEY", "short"), "database"));
        assertTrue(key.contains("NAVLO_KEY isn't a key"), key);
    }

    private static boolean isOpen(Path folder) throws IOException {
        return Files.readString(folder.resolve("navlo.seal")).startsWith("open");
    }

    /** Data of a newer version, or of an older one, aren't touched by an instance. */
    @Test
    public void anotherVersionIsRefused() throws Exception {
        String table = "\"flyway_schema_history\"";
        try (OtherProcess other = new OtherProcess(Files.createTempDirectory("navlo-database"), KEPT, "database")) {
            Map<String, String> environment = environment(other, KEY);
            Shared shared = Shared.of(environment).orElseThrow();
            shared.fits();
            try (Connection db = shared.data().getConnection();
                    Statement statement = db.createStatement()) {
                statement.execute(
                        "INSERT INTO " + table + " SELECT 9999, '9999', \"description\", \"type\", \"script\","
                                + " \"checksum\", \"installed_by\", \"installed_on\", 1, TRUE FROM " + table
                                + " WHERE \"version\" = '1'");
                assertTrue(versions(environment).contains("served by another version"), versions(environment));
                statement.execute("DELETE FROM " + table + " WHERE \"installed_rank\" > 3");
                assertTrue(versions(environment).contains("served by another version"), versions(environment));
            }
        }
    }

    private static String versions(Map<String, String> environment) {
        return expectThrows(
                        IllegalArgumentException.class,
                        () -> Shared.of(environment).orElseThrow().fits())
                .getMessage();
    }

    /** Stopped in peace it seals the file, which is there for who has it alone. */
    @Test
    public void stoppedInPeaceTheDataAreSealed() throws Exception {
        Path own = Files.createTempDirectory("navlo-database");
        OtherProcess other = new OtherProcess(own, KEPT, "database");
        assertTrue(isOpen(own));
        other.stop();
        assertFalse(isOpen(own));
        new Upgrade(own.resolve("navlo.mv.db"), Launch::url).bring();
    }

    private static TestClient.Answer signUp(TestClient client) {
        client.get("/api/session");
        TestClient.Answer answer = client.send("POST", "/api/people", """
                {"name":"Asta","email":"asta@example.org","password":"%s","zone":"Europe/Copenhagen","code":"FIRST-HERE"}
                """.formatted(OwnServer.PASSWORD));
        client.get("/api/session");
        return answer;
    }

    /** @return what was confirmed before; who asks then is told that the data can't be reached */
    private List<String> writtenUntilItIsKilled(TestClient asta, String courses) throws Exception {
        Thread killing = new Thread(database::kill);
        List<String> confirmed = new ArrayList<>();
        for (int i = 0; i < 10_000; i++) {
            int status = asta.post(courses, course("Course " + i)).status();
            if (status != 201) {
                assertEquals(status, 503);
                break;
            }
            confirmed.add("Course " + i);
            if (i == 5) {
                killing.start();
            }
        }
        killing.join();
        return confirmed;
    }

    private static String course(String name) {
        return "{\"name\":\"" + name + "\",\"teacher\":null,\"zone\":\"Europe/Oslo\",\"colour\":\"fern\"}";
    }

    /**
     * What an instance writes is in the file: a copy has it, and who takes the folder next. Killed and started again, the data are
     * served as before, and the instance goes on.
     */
    @Test
    public void anInstanceLivesOnIt() throws Exception {
        navlo = new OtherProcess(Files.createTempDirectory("navlo-instance"), environment(), "start");
        assertFalse(navlo.said().contains(Database.name(Keyring.of(key(), ""))), navlo.said());
        TestClient asta = new TestClient(navlo.port());
        assertEquals(signUp(asta).status(), 201);
        String courses = OwnServer.STUDENT + "/courses";
        assertEquals(asta.post(courses, course("Botany")).status(), 201);

        Path copy = folder.resolveSibling(folder.getFileName() + ".zip");
        String said = new Backup(PATIENCE).backup(List.of(copy.toString(), "--data", folder.toString()));
        Files.delete(copy);
        assertTrue(said.contains("holds 1 people") && said.contains("read back whole"), said);

        int port = database.port();
        List<String> confirmed = writtenUntilItIsKilled(asta, courses);
        database = new OtherProcess(folder, Map.of(), port, "database");
        long until = System.nanoTime() + PATIENCE.toNanos();
        int status = 503;
        while (status != 201 && System.nanoTime() < until) {
            TimeUnit.MILLISECONDS.sleep(200);
            status = asta.post(courses, course("Geology")).status();
        }
        assertEquals(status, 201, "it goes on by itself");
        List<String> there = asta.get(OwnServer.STUDENT + "/board")
                .json()
                .get("courses")
                .valueStream()
                .map(one -> one.get("name").asString())
                .toList();
        assertTrue(there.containsAll(confirmed), confirmed + " of which not all is in " + there);
        assertTrue(there.containsAll(List.of("Botany", "Geology")), there.toString());
    }

    /** The name is of the key alone: every instance finds the same. */
    @Test
    public void everyInstanceFindsThemByTheirKey() throws IOException {
        String key = key();
        assertEquals(
                Database.name(Keyring.of(key, "")),
                Database.name(Keyring.of("", folder.resolve("navlo.key").toString())));
    }
}
