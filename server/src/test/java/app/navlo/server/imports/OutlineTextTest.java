package app.navlo.server.imports;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.server.problem.Refusal;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The lines of a course outline, as a student gets it: a PDF, a document of a word processor, or plain text. */
public class OutlineTextTest {
    private static final String W = "xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\"";

    private static Path file(byte[] content) throws IOException {
        Path file = Files.createTempFile("outline", ".any");
        file.toFile().deleteOnExit();
        return Files.write(file, content);
    }

    private static Path zip(String entry, String content) throws IOException {
        Path file = file(new byte[0]);
        try (OutputStream out = Files.newOutputStream(file);
                ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry(entry));
            zip.write(content.getBytes(StandardCharsets.UTF_8));
            zip.closeEntry();
        }
        return file;
    }

    private static Path document(String body) throws IOException {
        return zip("word/document.xml", "<w:document " + W + "><w:body>" + body + "</w:body></w:document>");
    }

    private static String paragraph(String... runs) {
        StringBuilder text = new StringBuilder("<w:p>");
        for (String run : runs) {
            text.append("<w:r><w:t>").append(run).append("</w:t></w:r>");
        }
        return text.append("</w:p>").toString();
    }

    private static Path pdf(String password, List<List<String>> pages) throws IOException {
        Path file = file(new byte[0]);
        try (PDDocument document = new PDDocument()) {
            for (List<String> lines : pages) {
                PDPage page = new PDPage();
                document.addPage(page);
                try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                    content.beginText();
                    content.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 12);
                    content.newLineAtOffset(60, 700);
                    for (String line : lines) {
                        content.showText(line);
                        content.newLineAtOffset(0, -20);
                    }
                    content.endText();
                }
            }
            if (password != null) {
                document.protect(new StandardProtectionPolicy("owner", password, new AccessPermission()));
            }
            document.save(file.toFile());
        }
        return file;
    }

    private static List<String> lines(Path content) throws IOException {
        return OutlineText.lines("outline", content);
    }

    private static String refused(Path content) {
        Refusal refusal = expectThrows(Refusal.class, () -> lines(content));
        return refusal.faults().get(0).message();
    }

    @Test
    public void aPdfIsReadLineByLineFromTopToBottom() throws IOException {
        Path outline = pdf(
                null,
                List.of(List.of("Week 1: reading log, due 4 September", "Week 2: essay, 20 points"), List.of("Final")));
        assertEquals(
                lines(outline), List.of("Week 1: reading log, due 4 September", "Week 2: essay, 20 points", "Final"));
    }

    @Test
    public void aDocumentGivesItsParagraphsAndItsRowsOneALine() throws IOException {
        Path outline = document(paragraph("Course ", "outline") + paragraph("") + "<w:tbl><w:tr><w:tc>"
                + paragraph("4 Sep") + "</w:tc><w:tc>" + paragraph("Reading log") + paragraph("two pages")
                + "</w:tc></w:tr><w:tr><w:tc>" + paragraph("11 Sep") + "</w:tc><w:tc>" + paragraph("Essay")
                + "</w:tc></w:tr></w:tbl>"
                + "<w:p><w:r><w:t>Test</w:t><w:tab/><w:t>50 points</w:t></w:r></w:p>");
        assertEquals(
                lines(outline),
                List.of("Course outline", "4 Sep Reading log two pages", "11 Sep Essay", "Test 50 points"));
    }

    @DataProvider
    public static Object[][] encodings() {
        return new Object[][] {
            {StandardCharsets.UTF_8, ""},
            {StandardCharsets.UTF_8, "\uFEFF"},
            {StandardCharsets.UTF_16LE, "\uFEFF"},
            {Charset.forName("windows-1252"), ""},
        };
    }

    @Test(dataProvider = "encodings")
    public void plainTextIsReadInWhateverItWasWritten(Charset encoding, String mark) throws IOException {
        String text = mark + "4. September:\tÜbung 1 – “Böden”\r\n\r\n   \r\n11. September: Übung 2\n";
        assertEquals(
                lines(file(text.getBytes(encoding))),
                List.of("4. September: Übung 1 – “Böden”", "11. September: Übung 2"));
    }

    /** A line is what a title may be at most, and no outline has more lines than a person looks through. */
    @Test
    public void itIsBoundedInLengthAndLines() throws IOException {
        List<String> lines =
                lines(file(("x".repeat(2_000) + "\n" + "Essay\n".repeat(5_000)).getBytes(StandardCharsets.UTF_8)));
        assertEquals(lines.size(), 3_000);
        assertEquals(lines.get(0).length(), 500);
    }

    @Test
    public void aPictureOfAnOutlineIsToldAsOne() throws IOException {
        assertTrue(refused(pdf(null, List.of(List.of()))).contains("is it a picture of one?"));
        assertTrue(refused(file(" \n\t\n".getBytes(StandardCharsets.UTF_8))).contains("has no text"));
        assertTrue(refused(document(paragraph(" "))).contains("has no text"));
    }

    @Test
    public void whatCannotBeReadSaysWhatToDo() throws IOException {
        assertTrue(refused(pdf("secret", List.of(List.of("Essay")))).contains("PDF can't be read"));
        assertTrue(refused(file("%PDF-1.7\nand nothing".getBytes(StandardCharsets.UTF_8)))
                .contains("PDF can't be read"));
        assertTrue(refused(zip("xl/workbook.xml", "<x/>")).contains("Save it as DOCX or PDF"));
        assertTrue(refused(zip("word/document.xml", "<w:document")).contains("document can't be read"));
        assertTrue(refused(file("PK\3\4 half a zip".getBytes(StandardCharsets.UTF_8)))
                .contains("document can't be read"));
    }

    /** A document that names a file of this machine, or grows without end, gives neither. */
    @Test
    public void aHostileDocumentGivesNothing() throws IOException {
        String secret = Files.writeString(Files.createTempFile("secret", ".txt"), "the key")
                .toUri()
                .toString();
        Path naming = zip(
                "word/document.xml",
                "<!DOCTYPE d [<!ENTITY e SYSTEM \"" + secret + "\">]><w:document " + W
                        + "><w:p><w:r><w:t>a&e;</w:t></w:r></w:p></w:document>");
        try {
            assertFalse(lines(naming).toString().contains("the key"));
        } catch (Refusal refused) {
            assertTrue(refused.faults().get(0).message().contains("can't be read"));
        }
        Path growing = document(paragraph("x".repeat(1 << 20)).repeat(22));
        assertTrue(Files.size(growing) < 200_000, "it is small as it comes");
        assertTrue(refused(growing).contains("too long"), refused(growing));
    }
}
