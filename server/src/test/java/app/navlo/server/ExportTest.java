package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.formats.csv.MappedTable;
import app.navlo.formats.csv.Recogniser;
import app.navlo.formats.csv.Recogniser.Recognised;
import app.navlo.formats.oneroster.OneRosterReader;
import app.navlo.formats.oneroster.Roster;
import app.navlo.formats.oneroster.ZipBundle;
import app.navlo.formats.table.TextTable;
import app.navlo.formats.told.SourceSnapshot;
import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What goes out in open formats is what is here, read again by the readers of those formats. */
public class ExportTest extends DemoServer {
    private static final String EXPORTS = STUDENT + "/exports";
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");

    private static SourceSnapshot roster(byte[] content) throws Exception {
        Path file = Files.createTempFile("out", ".zip");
        Files.write(file, content);
        try (ZipBundle bundle = ZipBundle.open(file, 1 << 26)) {
            OneRosterReader reader = OneRosterReader.of(bundle);
            Roster.User student = reader.students().get(0);
            assertEquals(student.name(), "Mira Solheim");
            return reader.read(student.id(), ZONE);
        } finally {
            Files.delete(file);
        }
    }

    @Test
    public void aBundleHoldsEveryPieceOfWorkAndEveryFinalScore() throws Exception {
        TestClient mira = mira();
        SourceSnapshot told = roster(mira.get(EXPORTS + "/oneroster.zip").raw().body());
        assertEquals(told.troubles().size(), 0, told.troubles().toString());
        JsonNode board = board(mira);
        assertEquals(told.works().size(), board.get("works").size());
        assertEquals(told.courses().size(), board.get("courses").size());
        Map<String, SourceSnapshot.Result> results =
                told.results().stream().collect(Collectors.toMap(SourceSnapshot.Result::workKey, Function.identity()));
        int scores = 0;
        for (JsonNode work : board.get("works")) {
            SourceSnapshot.Result result = results.get("work-" + work.get("id").asLong());
            boolean isFinal = work.at("/score/mark").asString().equals("FINAL");
            assertEquals(result.points() != null, isFinal, work.toString());
            if (isFinal) {
                assertEquals(
                        result.points(), Rational.parse(work.at("/score/points").asString()), work.toString());
                scores++;
            }
            assertEquals(result.missing(), work.get("missing").asBoolean(), work.toString());
        }
        assertTrue(scores > 50, scores + " scores");
    }

    private static MappedTable.Asked asked() {
        return new MappedTable.Asked(
                ZONE, "", java.time.LocalDate.of(2026, 11, 24), java.util.Map.of(), java.util.Map.of());
    }

    @Test
    public void aTableHoldsTheRowsThatAreAskedForInTheirOrder() throws Exception {
        TestClient mira = mira();
        long lab = work(mira, "Soil lab 1").get("id").asLong();
        long essay = work(mira, "Soil essay, second").get("id").asLong();
        byte[] csv = mira.get(EXPORTS + "/works.csv?works=" + essay + "," + lab + "-" + lab)
                .raw()
                .body();
        TextTable.Source source = () -> new ByteArrayInputStream(csv);
        Recognised recognised = Recogniser.recognise("navlo-work.csv", source);
        assertEquals(recognised.unclear().size(), 0, recognised.toString());
        SourceSnapshot told = MappedTable.read("navlo-work.csv", source, recognised.mapping(), asked());
        assertEquals(
                told.works().stream().map(SourceSnapshot.Work::title).toList(),
                java.util.List.of("Soil essay, second draft", "Soil lab 1: digging a profile pit"));
        assertEquals(told.works().get(1).possible(), Rational.of(50));
        assertEquals(told.results().get(told.results().size() - 1).points(), Rational.of(43));
        assertEquals(
                told.works().get(0).due().instant().toString(),
                work(mira, "Soil essay, second").get("due").asString());
        int all = mira.get(EXPORTS + "/works.csv").body().split("\r\n").length - 1;
        assertEquals(all, board(mira).get("works").size());
    }

    @DataProvider
    public static Object[][] wrong() {
        return new Object[][] {{"x"}, {"1-"}, {"1;2"}, {"1-999999999"}};
    }

    @Test(dataProvider = "wrong")
    public void whatAreNoNumbersIsRefused(String works) {
        TestClient.Answer refused = mira().get(EXPORTS + "/works.csv?works=" + works);
        assertEquals(refused.status(), 422, refused.body());
        assertTrue(refused.body().contains("\"field\":\"works\""), refused.body());
    }
}
