package app.navlo.core.reconcile;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ReconciledTest {
    private static final Instant DUE = Instant.parse("2026-11-20T16:00:00Z");

    private static RecordEntry entry(String id, String title, Instant due) {
        return new RecordEntry(id, null, title, due, null, null, false);
    }

    private static Reconciled of(RecordEntry site, RecordEntry book, List<Reconciled.Said> said) {
        return Reconciled.of(List.of(site), List.of(book), said);
    }

    @Test
    public void likeTitlesAndNearDuesMatchAndThePersonHasTheLastWord() {
        RecordEntry site = entry("s", "Lab 3: Texture by hand", DUE);
        RecordEntry book = entry("b", "LAB 3 texture by hand", DUE.plusSeconds(3600));
        assertEquals(of(site, book, List.of()).matches(), Map.of("s", "b"));
        assertTrue(of(site, book, List.of(new Reconciled.Said("s", "b", false)))
                .matches()
                .isEmpty());
        RecordEntry unlike = entry("b", "Something else", DUE.plusSeconds(900_000));
        assertTrue(of(site, unlike, List.of()).matches().isEmpty());
        assertEquals(
                of(site, unlike, List.of(new Reconciled.Said("s", "b", true))).matches(), Map.of("s", "b"));
    }

    @Test
    public void recordsThatSayTheSameDoNotDisagree() {
        List<RecordEntry> same = List.of(entry("1", "Lab 1", DUE), entry("2", "Lab 2", DUE), entry("3", "Essay", null));
        Reconciled reconciled = Reconciled.of(same, same, List.of());
        assertEquals(reconciled.matches(), Map.of("1", "1", "2", "2", "3", "3"));
        assertTrue(reconciled.onlyOnSite().isEmpty() && reconciled.onlyInBook().isEmpty());
    }

    @Test
    public void workOnOneSideOnlyIsNamed() {
        RecordEntry lab = entry("1", "Lab", DUE);
        RecordEntry essay = entry("2", "Essay", DUE);
        Reconciled reconciled = Reconciled.of(List.of(lab), List.of(essay), List.of());
        assertEquals(reconciled.onlyOnSite(), List.of(lab));
        assertEquals(reconciled.onlyInBook(), List.of(essay));
    }

    @DataProvider
    public static Object[][] numbered() {
        return new Object[][] {
            {"Soil lab 3", "Soil lab 4", false},
            {"Unit 5 reading quiz", "Unit 6 reading quiz", false},
            {"Table 5/3", "Table 14/3", false},
            {"Unit 5 quiz 6", "Unit 6 quiz 5", false},
            {"Sketchbook week 2 part 1", "Sketchbook week 2 part 3", false},
            {"Soil lab 3", "Soil Lab 03", true},
            {"Soil lab 3", "Soil lab 3 (20 points)", true},
            {"Soil lab report, week3", "Soil lab report week 3", true},
            {"Soil lab report", "Soil lab report 3", true},
        };
    }

    /** A score of the fourth lab on the third would be the worst that a second record can do. */
    @Test(dataProvider = "numbered")
    public void whatIsNumberedOtherwiseIsOtherWork(String site, String book, boolean same) {
        for (Instant due : Arrays.asList(DUE, null)) {
            Reconciled reconciled = of(entry("s", site, DUE), entry("b", book, due), List.of());
            assertEquals(reconciled.matches(), same ? Map.of("s", "b") : Map.of(), site + " and " + book);
        }
    }
}
