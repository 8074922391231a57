package app.navlo.core.reconcile;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import app.navlo.core.exact.Rational;
import app.navlo.core.reconcile.Disagreement.Kind;
import app.navlo.core.reconcile.Disagreement.Source;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;

public class ReconciledTest {
    private static final Instant DUE = Instant.parse("2026-11-20T16:00:00Z");
    private static final Instant WEDNESDAY = Instant.parse("2026-11-24T23:00:00Z");

    @Test
    public void theEndOfADayInTwoWritingsIsNoDifference() {
        Instant midnight = Instant.parse("2026-11-24T23:00:00Z");
        List<RecordEntry> site = List.of(entry("1", "Soil lab 4", midnight));
        assertEquals(
                Reconciled.of(site, List.of(entry("a", "Soil lab 4", midnight.minusSeconds(60))), List.of(), null)
                        .disagreements(),
                List.of());
        assertEquals(
                Reconciled.of(site, List.of(entry("a", "Soil lab 4", midnight.minusSeconds(61))), List.of(), null)
                        .disagreements()
                        .size(),
                1);
    }

    private static RecordEntry entry(String id, String title, Instant due) {
        return new RecordEntry(id, null, title, due, null, null, false);
    }

    private static Reconciled of(RecordEntry site, RecordEntry book, List<Reconciled.Said> said) {
        return Reconciled.of(List.of(site), List.of(book), said, WEDNESDAY);
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
    public void eachRecordIsBelievedForWhatItKnowsBest() {
        RecordEntry site = new RecordEntry("s", "x1", "Lab 3", DUE, DUE, Rational.of(8), false);
        RecordEntry book = new RecordEntry("b", "x1", "Practical", DUE.plusSeconds(3600), null, Rational.of(7), true);
        List<Disagreement> found = of(site, book, List.of()).disagreements();
        assertEquals(
                found.stream().map(Disagreement::kind).toList(),
                List.of(Kind.TURNED_IN_BUT_MISSING, Kind.SCORES_DIFFER, Kind.DUES_DIFFER));
        assertEquals(found.get(0).kind().believe(), Source.SITE);
        assertEquals(found.get(1).kind().believe(), Source.BOOK);
        assertEquals(found.get(0).settledBy(), WEDNESDAY);
    }

    @Test
    public void recordsThatSayTheSameDoNotDisagree() {
        List<RecordEntry> same = List.of(entry("1", "Lab 1", DUE), entry("2", "Lab 2", DUE), entry("3", "Essay", null));
        Reconciled reconciled = Reconciled.of(same, same, List.of(), null);
        assertEquals(reconciled.matches(), Map.of("1", "1", "2", "2", "3", "3"));
        assertTrue(reconciled.disagreements().isEmpty());
    }

    @Test
    public void workOnOneSideOnlyIsNamed() {
        Reconciled reconciled =
                Reconciled.of(List.of(entry("1", "Lab", DUE)), List.of(entry("2", "Essay", DUE)), List.of(), null);
        assertEquals(
                reconciled.disagreements().stream().map(Disagreement::kind).toList(),
                List.of(Kind.ONLY_ON_SITE, Kind.ONLY_IN_BOOK));
    }
}
