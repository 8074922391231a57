package app.navlo.formats.csv;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import app.navlo.formats.csv.Mapping.DateOrder;
import app.navlo.formats.csv.Mapping.Decimals;
import app.navlo.formats.csv.Mapping.Field;
import app.navlo.formats.csv.Recogniser.Recognised;
import app.navlo.formats.csv.Recogniser.Unclear;
import app.navlo.formats.table.TableFault;
import app.navlo.formats.table.TextTable;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.formats.told.StateWords.Meaning;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class MappedTableTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");

    private static final MappedTable.Asked ASKED = new MappedTable.Asked(
            ZONE, "My course", LocalDate.of(2026, 11, 24), Map.of("wip 3", Meaning.NOT_HANDED_IN), Map.of());

    private static TextTable.Source source(String text) {
        return () -> new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8));
    }

    private static Recognised recognise(String text) throws Exception {
        return Recogniser.recognise("a.csv", source(text));
    }

    private static SourceSnapshot read(String text) throws Exception {
        return MappedTable.read("a.csv", source(text), recognise(text).mapping(), ASKED);
    }

    @Test
    public void columnsAreRecognisedByTheirHeads() throws Exception {
        Recognised found = recognise("Assignment name,Class,Due date,Points earned,Points possible,Status,Colour\n");
        assertEquals(
                found.mapping().fields(),
                List.of(Field.TITLE, Field.COURSE, Field.DUE, Field.SCORE, Field.POSSIBLE, Field.STATE, Field.NONE));
        assertEquals(found.unclear(), Set.of());
    }

    @DataProvider
    public static Object[][] dates() {
        return new Object[][] {
            {"24/11/2026", DateOrder.DAY_FIRST, false},
            {"11/24/2026", DateOrder.MONTH_FIRST, false},
            {"04/11/2026", DateOrder.DAY_FIRST, true},
            {"2026-11-24", DateOrder.DAY_FIRST, false},
            {"3.12.26", DateOrder.DAY_FIRST, true},
        };
    }

    @Test(dataProvider = "dates")
    public void theOrderOfDatesIsSeenOrAskedFor(String date, DateOrder order, boolean asked) throws Exception {
        Recognised found = recognise("title,due\nEssay," + date + "\n");
        assertEquals(found.mapping().dates(), order);
        assertEquals(found.unclear().contains(Unclear.DATE_ORDER), asked);
    }

    @DataProvider
    public static Object[][] numbers() {
        return new Object[][] {
            {"12,5", Decimals.COMMA, false},
            {"12.5", Decimals.POINT, false},
            {"1,250", Decimals.POINT, true},
            {"12", Decimals.POINT, false},
        };
    }

    @Test(dataProvider = "numbers")
    public void decimalCommasAreSeenOrAskedFor(String number, Decimals decimals, boolean asked) throws Exception {
        Recognised found = recognise("title;score\nEssay;" + number + "\n");
        assertEquals(found.mapping().decimals(), decimals);
        assertEquals(found.unclear().contains(Unclear.DECIMALS), asked);
    }

    @Test
    public void aTableIsReadByItsMapping() throws Exception {
        SourceSnapshot told = read("""
                Title;Course;Due;Score;Max;Status;Comment
                Essay;Soil;24.11.2026 18:00;12,5;20;;Well said
                Lab;Soil;30.11.2026;;1.000;missing;
                Poster;;;;;excused;
                Test;Soil;;;;;
                """);
        assertEquals(told.courses().stream().map(SourceSnapshot.Course::name).toList(), List.of("Soil", "My course"));
        SourceSnapshot.Work essay = told.works().get(0);
        assertEquals(essay.key(), "Soil/Essay");
        assertEquals(essay.due(), Deadline.at(Instant.parse("2026-11-24T17:00:00Z")));
        assertEquals(essay.possible(), Rational.of(20));
        assertEquals(told.works().get(1).due(), Deadline.endOf(LocalDate.of(2026, 11, 30), ZONE));
        assertEquals(told.works().get(1).possible(), Rational.of(1000));
        assertEquals(told.results().get(0).points(), Rational.of(25, 2));
        assertEquals(told.results().get(0).comment(), "Well said");
        assertTrue(told.results().get(1).missing());
        assertEquals(told.results().get(2).status(), SourceSnapshot.Status.EXCUSED);
        assertEquals(told.results().size(), 3, "of the test nothing is said");
        assertEquals(told.troubles(), List.of());
    }

    @DataProvider
    public static Object[][] broken() {
        return new Object[][] {
            {",2026-11-24,5", "a.csv, line 3: its title is missing", List.of("Essay", "Lab")},
            {"Poster,tomorrow,5", "“tomorrow” is no date", List.of("Essay", "Poster", "Lab")},
            {"Poster,2026-02-30,5", "there is no day “2026-02-30”", List.of("Essay", "Poster", "Lab")},
            {"Poster,2026-11-24,many", "“many” is no score", List.of("Essay", "Poster", "Lab")},
            {"Essay,2026-11-24,5", "“Essay” comes twice", List.of("Essay", "Lab")},
        };
    }

    @Test(dataProvider = "broken")
    public void whatIsBrokenIsToldOfAndTheRestIsRead(String row, String words, List<String> titles) throws Exception {
        SourceSnapshot told = read("title,due,score\nEssay,2026-11-24,12\n" + row + "\nLab,2026-11-30,7\n");
        assertEquals(told.works().stream().map(SourceSnapshot.Work::title).toList(), titles);
        SourceSnapshot.Trouble trouble = told.troubles().get(0);
        assertTrue((trouble.where() + ": " + trouble.why()).contains(words), trouble.toString());
    }

    @Test
    public void aTableWithoutTitlesAsksForThem() throws Exception {
        Recognised found = recognise("a,b\n1,2\n");
        assertEquals(found.unclear(), EnumSet.of(Unclear.TITLE));
        TableFault fault = expectThrows(
                TableFault.class, () -> MappedTable.read("a.csv", source("a,b\n1,2\n"), found.mapping(), ASKED));
        assertEquals(fault.getMessage(), "Say which column has the titles of the work.");
    }

    private static SourceSnapshot list(String text) throws Exception {
        TextTable.Source list = TableShape.listOf("a.csv", source(text));
        return MappedTable.read(
                "a.csv", list, Recogniser.recognise("a.csv", list).mapping(), ASKED);
    }

    private static SourceSnapshot.Result result(SourceSnapshot told, String title) {
        return told.results().stream()
                .filter(result -> result.workKey().equals("My course/" + title))
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void aColumnForEachPieceOfWorkIsReadAsAList() throws Exception {
        SourceSnapshot told = list("""
                Student,Email,Quiz 1 (20),"Essay (out of 100)",Lab 1 [10 pts],Course total
                Points possible,,20,100,10,130
                Asta Holm,asta@solheim.example,18,85 %,EX,
                """);
        assertEquals(
                told.works().stream().map(SourceSnapshot.Work::title).toList(),
                List.of("Quiz 1", "Essay", "Lab 1", "Course total"));
        assertEquals(told.works().get(0).possible(), Rational.of(20));
        assertEquals(result(told, "Quiz 1").points(), Rational.of(18));
        assertEquals(result(told, "Essay").points(), Rational.of(85));
        assertEquals(result(told, "Lab 1").status(), SourceSnapshot.Status.EXCUSED);
        assertEquals(told.works().get(3).hint().notWork(), "a total or an average");
    }

    @Test
    public void cellsThatWereCopiedWithoutTheirHeadsAreReadByWhatStandsInThem() throws Exception {
        SourceSnapshot told = list("HW 1\t12 Sep\t9/10\tGraded\nHW 2\t19 Sep\t\tNot submitted\n");
        assertEquals(told.works().stream().map(SourceSnapshot.Work::title).toList(), List.of("HW 1", "HW 2"));
        assertEquals(told.works().get(0).due(), Deadline.endOf(LocalDate.of(2026, 9, 12), ZONE));
        assertEquals(told.works().get(0).possible(), Rational.of(10));
        assertEquals(result(told, "HW 1").points(), Rational.of(9));
        assertEquals(result(told, "HW 2").status(), SourceSnapshot.Status.NOT_HANDED_IN);
    }

    @Test
    public void aListOfWorkStaysAsItIs() throws Exception {
        SourceSnapshot told = list("Title,Due,Score,Points possible\nHW 1,2026-09-12,9,10\n");
        assertEquals(told.works().size(), 1);
    }

    @Test
    public void weightsStandBehindTheNamesOfCategories() throws Exception {
        SourceSnapshot told = read("""
                Title;Category;Score;Max;Status
                HW 1;Homework (30 %);9;10;
                Lab 1;Labs 20%;B+;50;
                HW 8;Homework (30 %);EX;10;
                HW 9;Homework (30 %);;10;wip 3
                HW 10;Homework (30 %);;10;flumped
                """);
        assertEquals(
                told.courses().get(0).categories(),
                List.of(
                        new SourceSnapshot.Category("Homework", Rational.of(30)),
                        new SourceSnapshot.Category("Labs", Rational.of(20))));
        assertEquals(told.works().get(0).category(), "Homework");
        assertEquals(result(told, "Lab 1").points(), Rational.of(44), "a letter counts in the middle of its span");
        assertEquals(told.works().get(1).hint().note(), "B+ is counted as 88 %");
        assertEquals(result(told, "HW 8").status(), SourceSnapshot.Status.EXCUSED);
        assertEquals(told.beside().unknownWords(), List.of("flumped"));
    }
}
