package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What the environment says of data that several instances share. */
public class SharedTest {
    private static final String ADDRESS = "jdbc:postgresql://db.school.example/navlo";

    private static Map<String, String> environment(String... pairs) {
        Map<String, String> all = new HashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            all.put(pairs[i], pairs[i + 1]);
        }
        return all;
    }

    @Test
    public void withoutAnAddressTheDataAreInAFileOfTheirOwn() {
        assertTrue(Shared.of(Map.of()).isEmpty());
        assertTrue(Shared.of(environment("NAVLO_DB", "  ", "NAVLO_KEY", "k")).isEmpty());
    }

    @Test
    public void whatIsSaidIsWhatTheServerOpens() {
        Shared shared = Shared.of(environment(
                        "NAVLO_DB", ADDRESS, "NAVLO_KEY", "k", "NAVLO_DB_USER", "navlo", "NAVLO_DB_PASSWORD", "secret"))
                .orElseThrow();
        Map<String, Object> properties = shared.properties();
        assertEquals(properties.get("spring.datasource.url"), ADDRESS);
        assertEquals(properties.get("spring.datasource.username"), "navlo");
        assertEquals(properties.get("spring.datasource.password"), "secret");
        assertEquals(properties.get("spring.flyway.locations"), "classpath:db/postgresql");
        assertTrue((Long) properties.get("spring.datasource.hikari.max-lifetime") > 0, "connections are made anew");
    }

    @Test
    public void whoSignsInMayStandInTheAddress() {
        Map<String, Object> properties = Shared.of(
                        environment("NAVLO_DB", ADDRESS + "?user=a&password=b", "NAVLO_KEY", "k"))
                .orElseThrow()
                .properties();
        assertEquals(properties.get("spring.datasource.username"), "");
        assertEquals(properties.get("spring.datasource.password"), "");
    }

    @DataProvider
    public static Object[][] refused() {
        return new Object[][] {
            {environment("NAVLO_DB", "db.school.example", "NAVLO_KEY", "k"), "wants the address of a PostgreSQL"},
            {environment("NAVLO_DB", "jdbc:h2:mem:a", "NAVLO_KEY", "k"), "wants the address of a PostgreSQL"},
            {environment("NAVLO_DB", "jdbc:h2:tcp://db:9092/other", "NAVLO_KEY", "k"), "that ./navlo database said"},
            {environment("NAVLO_DB", "jdbc:h2:tcp://db:9092/navlo;INIT=x", "NAVLO_KEY", "k"), "./navlo database said"},
            {environment("NAVLO_DB", "jdbc:h2:tcp://db:9092/navlo"), "each instance needs the same key: set NAVLO_KEY"},
            {environment("NAVLO_DB", "jdbc:h2:tcp://db:9092/navlo", "NAVLO_KEY", "k"), "NAVLO_KEY isn't a key"},
            {environment("NAVLO_DB", ADDRESS), "each instance needs the same key: set NAVLO_KEY"},
            {environment("NAVLO_DB", ADDRESS, "NAVLO_KEY", " "), "openssl rand -base64 32"},
        };
    }

    @Test(dataProvider = "refused")
    public void whatCannotBeIsRefusedWithTheCure(Map<String, String> environment, String words) {
        IllegalArgumentException refused = expectThrows(IllegalArgumentException.class, () -> Shared.of(environment));
        assertTrue(String.valueOf(refused.getMessage()).contains(words), refused.getMessage());
    }

    /** A demo starts anew each time: it must never be what a school's data are in. */
    @Test
    public void aDemoKeepsItsOwnFile() {
        Launch demo =
                Launch.of(List.of("demo", "--data", "/nowhere"), environment("NAVLO_DB", ADDRESS, "NAVLO_KEY", "k"));
        assertEquals(demo.shared(), null);
        assertTrue(
                String.valueOf(demo.properties().get("spring.datasource.url")).startsWith("jdbc:h2:file:"));
        Launch start =
                Launch.of(List.of("start", "--data", "/nowhere"), environment("NAVLO_DB", ADDRESS, "NAVLO_KEY", "k"));
        assertEquals(start.properties().get("spring.datasource.url"), ADDRESS);
    }

    @Test
    public void twoInstancesDontTakeOneFolder() throws Exception {
        Path folder = Files.createTempDirectory("navlo-shared");
        try (FileChannel other = FileChannel.open(
                        folder.resolve("instance.lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock lock = other.lock()) {
            assertTrue(lock.isValid());
            IllegalArgumentException refused = expectThrows(IllegalArgumentException.class, () -> Shared.claim(folder));
            assertTrue(String.valueOf(refused.getMessage()).contains("its own with --data"), refused.getMessage());
        }
        Shared.claim(folder);
        assertThrows(IllegalArgumentException.class, () -> Shared.claim(folder));
    }
}
