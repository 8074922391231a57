package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.File;
import java.io.IOException;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.springframework.session.SessionRepository;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * That the list of licences names all that is locked for the page, and what it names of the server in the version that runs;
 * {@code ./navlo licences} writes it anew.
 */
public class LicencesTest {
    private static final Path LIST = Path.of("../docs/licences.md");
    private static final Path LOCK = Path.of("../web/package-lock.json");
    private static final String MODULES = "node_modules/";
    private static final List<String> NOT_SHIPPED = List.of("dev", "optional", "devOptional");
    private static final String REPOSITORY = "/repository/";

    private record Row(String name, String version, String licence, String where) {}

    private final List<Row> rows = new ArrayList<>();

    @BeforeClass
    public void read() throws IOException {
        for (String line : Files.readAllLines(LIST)) {
            String[] cells = line.split("\\|");
            if (cells.length == 5 && !line.startsWith("| name") && !line.startsWith("| ---")) {
                rows.add(new Row(cells[1].strip(), cells[2].strip(), cells[3].strip(), cells[4].strip()));
            }
        }
        assertTrue(rows.size() > 200, "too few rows: " + rows.size());
    }

    private TreeSet<String> named(String where) {
        TreeSet<String> names = new TreeSet<>();
        rows.stream()
                .filter(row -> row.where().equals(where))
                .forEach(row -> names.add(row.name() + " " + row.version()));
        return names;
    }

    @Test
    public void eachSaysItsLicence() {
        rows.forEach(
                row -> assertTrue(!row.licence().isEmpty() && !row.licence().contains("none"), row.toString()));
    }

    @Test
    public void whatShipsWithThePageIsNamedAsItIsLocked() throws IOException {
        JsonNode packages = JsonMapper.shared().readTree(Files.readString(LOCK)).get("packages");
        TreeSet<String> shipped = new TreeSet<>();
        packages.propertyStream().forEach(one -> {
            JsonNode about = one.getValue();
            boolean left =
                    NOT_SHIPPED.stream().anyMatch(flag -> about.path(flag).asBoolean(false));
            int at = one.getKey().lastIndexOf(MODULES);
            if (at >= 0 && !left) {
                shipped.add(one.getKey().substring(at + MODULES.length()) + " "
                        + about.path("version").asString());
            }
        });
        TreeSet<String> missing = new TreeSet<>(shipped);
        missing.removeAll(named("page"));
        assertTrue(missing.isEmpty(), "run ./navlo licences, which names too little: " + missing);
    }

    @Test
    public void whatShipsWithTheServerIsNamedInItsVersion() {
        Map<String, String> listed = new HashMap<>();
        rows.stream().filter(row -> row.where().equals("server")).forEach(row -> listed.put(row.name(), row.version()));
        int seen = 0;
        for (String jar : System.getProperty("java.class.path").split(File.pathSeparator)) {
            int at = jar.indexOf(REPOSITORY);
            if (at < 0) {
                continue;
            }
            Path version = Path.of(jar.substring(at + REPOSITORY.length())).getParent();
            Path artifact = version.getParent();
            String name = artifact.getParent().toString().replace('/', '.') + ":" + artifact.getFileName();
            if (listed.containsKey(name)) {
                assertEquals(version.getFileName().toString(), listed.get(name), name + ": run ./navlo licences");
                seen++;
            }
        }
        assertTrue(seen > 80, "too few are on the class path: " + seen);
    }

    /** It is told under another name; what it encloses is what holds. */
    @Test
    public void springSessionEnclosesTheLicenceThatTheListNames() throws Exception {
        for (Class<?> one : List.of(SessionRepository.class, JdbcIndexedSessionRepository.class)) {
            Path jar = Path.of(
                    one.getProtectionDomain().getCodeSource().getLocation().toURI());
            try (FileSystem in = FileSystems.newFileSystem(jar)) {
                String text = Files.readString(in.getPath("META-INF", "LICENSE.txt"));
                assertEquals(
                        text.lines()
                                .map(String::strip)
                                .filter(line -> !line.isEmpty())
                                .limit(2)
                                .toList(),
                        List.of("Apache License", "Version 2.0, January 2004"));
            }
        }
    }
}
