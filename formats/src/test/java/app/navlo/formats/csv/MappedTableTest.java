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
import app.navlo.formats.told.Told;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class MappedTableTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");

    private static TextTable.Source source(String text) {
        return () -> new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8));
    }

    private static Recognised recognise(String text) throws Exception {
        return Recogniser.recognise("a.csv", source(text));
    }

    private static Told read(String text) throws Exception {
        return MappedTable.read("a.csv", source(text), recognise(text).mapping(), ZONE, "My course");
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
        Told told = read("""
                Title;Course;Due;Score;Max;Status;Comment
                Essay;Soil;24.11.2026 18:00;12,5;20;;Well said
                Lab;Soil;30.11.2026;;1.000;missing;
                Poster;;;;;excused;
                Test;Soil;;;;;
                """);
        assertEquals(told.courses().stream().map(Told.Course::name).toList(), List.of("Soil", "My course"));
        Told.Work essay = told.works().get(0);
        assertEquals(essay.key(), "Soil/Essay");
        assertEquals(essay.due(), Deadline.at(Instant.parse("2026-11-24T17:00:00Z")));
        assertEquals(essay.possible(), Rational.of(20));
        assertEquals(told.works().get(1).due(), Deadline.endOf(LocalDate.of(2026, 11, 30), ZONE));
        assertEquals(told.works().get(1).possible(), Rational.of(1000));
        assertEquals(told.results().get(0).points(), Rational.of(25, 2));
        assertEquals(told.results().get(0).comment(), "Well said");
        assertTrue(told.results().get(1).missing());
        assertEquals(told.results().get(2).status(), Told.Status.EXCUSED);
        assertEquals(told.results().size(), 3, "of the test nothing is said");
        assertEquals(told.troubles(), List.of());
    }

    @DataProvider
    public static Object[][] broken() {
        return new Object[][] {
            {",2026-11-24,5", "a.csv, line 3: its title is missing"},
            {"Poster,tomorrow,5", "“tomorrow” is no date"},
            {"Poster,2026-02-30,5", "there is no day “2026-02-30”"},
            {"Poster,2026-11-24,many", "“many” is no number"},
            {"Essay,2026-11-24,5", "“Essay” comes twice"},
        };
    }

    @Test(dataProvider = "broken")
    public void aBrokenRowIsToldOfAndTheOthersAreRead(String row, String words) throws Exception {
        Told told = read("title,due,score\nEssay,2026-11-24,12\n" + row + "\nLab,2026-11-30,7\n");
        assertEquals(told.works().stream().map(Told.Work::title).toList(), List.of("Essay", "Lab"));
        Told.Trouble trouble = told.troubles().get(0);
        assertTrue((trouble.where() + ": " + trouble.why()).contains(words), trouble.toString());
    }

    @Test
    public void aTableWithoutTitlesAsksForThem() throws Exception {
        Recognised found = recognise("a,b\n1,2\n");
        assertEquals(found.unclear(), EnumSet.of(Unclear.TITLE));
        TableFault fault = expectThrows(
                TableFault.class,
                () -> MappedTable.read("a.csv", source("a,b\n1,2\n"), found.mapping(), ZONE, "My course"));
        assertEquals(fault.getMessage(), "Say which column has the titles of the work.");
    }
}
