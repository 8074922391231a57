package app.navlo.formats.table;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class TextTableTest {
    private static TextTable open(byte[] content) throws IOException, TableFault {
        return TextTable.open("a.csv", () -> new ByteArrayInputStream(content));
    }

    private static List<String> column(byte[] content, String head) throws IOException, TableFault {
        List<String> values = new ArrayList<>();
        try (TextTable table = open(content)) {
            table.forEach(row -> values.add(row.get(head)));
        }
        return values;
    }

    @DataProvider
    public static Object[][] encodings() {
        return new Object[][] {
            {StandardCharsets.UTF_8, ""},
            {StandardCharsets.UTF_8, "\uFEFF"},
            {StandardCharsets.UTF_16LE, "\uFEFF"},
            {StandardCharsets.UTF_16BE, "\uFEFF"},
            {Charset.forName("windows-1252"), ""},
        };
    }

    @Test(dataProvider = "encodings")
    public void aTableIsReadInItsOwnEncoding(Charset charset, String mark) throws Exception {
        String text = mark + "title,points\r\nÉtude of kråkebær,12\r\nPlain,3\r\n";
        assertEquals(column(text.getBytes(charset), "title"), List.of("Étude of kråkebær", "Plain"));
    }

    /** A letter of more than one byte may lie across any boundary of the reading. */
    @Test
    public void aLongTextInUtf8IsntTakenForAnOlderOne() throws Exception {
        for (int shift = 0; shift < 4; shift++) {
            String text = "title\n" + "x".repeat(shift) + "ø€𝄞".repeat(30_000) + "\n";
            assertEquals(
                    column(text.getBytes(StandardCharsets.UTF_8), "title")
                            .get(0)
                            .length(),
                    shift + 120_000);
        }
    }

    @DataProvider
    public static Object[][] delimiters() {
        return new Object[][] {{"a;b\n1,5;x\n"}, {"a,b\n\"1,5\",x\n"}, {"a\tb\n1,5\tx\n"}, {"\"a\",\"b\"\n\"1,5\",x"}};
    }

    @Test(dataProvider = "delimiters")
    public void theDelimiterIsTheOneOfTheHeads(String text) throws Exception {
        assertEquals(column(text.getBytes(StandardCharsets.UTF_8), "A"), List.of("1,5"));
        assertEquals(column(text.getBytes(StandardCharsets.UTF_8), " b "), List.of("x"));
    }

    @Test
    public void brokenRowsAreReadAsFarAsTheyGo() throws Exception {
        String text = "a,b,c\n1,2\n1,2,3,4\n\n\"x\"y,2,3\n\"never closed,2,3\n";
        assertEquals(column(text.getBytes(StandardCharsets.UTF_8), "c").subList(0, 3), List.of("", "3", "3"));
    }

    @Test
    public void whatHasNoHeadsIsRefusedByName() {
        TableFault fault = expectThrows(TableFault.class, () -> open(new byte[0]));
        assertEquals(fault.getMessage(), "a.csv is empty. Export it again.");
        TableFault twice = expectThrows(TableFault.class, () -> open("a,a\n1,2\n".getBytes(StandardCharsets.UTF_8)));
        assertEquals(twice.getMessage(), "a.csv has two columns of one name. Rename one of them.");
    }

    @DataProvider
    public static Object[][] formulas() {
        return new Object[][] {
            {"=HYPERLINK(\"x\")", "'=HYPERLINK(\"x\")"},
            {"+cmd", "'+cmd"},
            {"@SUM(A1)", "'@SUM(A1)"},
            {"-2+3", "'-2+3"},
            {"-2.5", "-2.5"},
            {"+40", "+40"},
            {"'tis", "'tis"},
            {"Essay", "Essay"},
        };
    }

    @Test(dataProvider = "formulas")
    public void aFormulaIsWrittenAsTextAndReadBackAsItWas(String value, String written) throws Exception {
        assertEquals(Disarm.text(value), written);
        StringWriter out = new StringWriter();
        TableWriter writer = new TableWriter(out, "v");
        writer.row(value);
        writer.flush();
        assertEquals(column(out.toString().getBytes(StandardCharsets.UTF_8), "v"), List.of(value));
    }
}
