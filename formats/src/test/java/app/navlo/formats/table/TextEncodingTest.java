package app.navlo.formats.table;

import static org.testng.Assert.assertEquals;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.Reader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Tables as programs of all ages write them: whatever the encoding, the letters are the same. */
public class TextEncodingTest {
    private static final Charset WESTERN = Charset.forName("windows-1252");
    private static final String WORDS = "Grøn; “Blåbær” – 5 €";

    private static byte[] marked(byte[] mark, String text, Charset charset) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        bytes.writeBytes(mark);
        bytes.writeBytes(text.getBytes(charset));
        return bytes.toByteArray();
    }

    @DataProvider
    public static Object[][] texts() {
        byte[] none = {};
        byte[] utf8 = {(byte) 0xEF, (byte) 0xBB, (byte) 0xBF};
        byte[] big = {(byte) 0xFE, (byte) 0xFF};
        byte[] little = {(byte) 0xFF, (byte) 0xFE};
        return new Object[][] {
            {marked(none, WORDS, StandardCharsets.UTF_8), WORDS},
            {marked(utf8, WORDS, StandardCharsets.UTF_8), WORDS},
            {marked(big, WORDS, StandardCharsets.UTF_16BE), WORDS},
            {marked(little, WORDS, StandardCharsets.UTF_16LE), WORDS},
            {marked(none, WORDS, WESTERN), WORDS},
            {marked(none, "plain", StandardCharsets.US_ASCII), "plain"},
            {none, ""},
            {utf8, ""},
            {marked(none, "x", StandardCharsets.UTF_8), "x"},
        };
    }

    private static String read(byte[] content) throws IOException {
        try (Reader reader = TextEncoding.read(() -> new ByteArrayInputStream(content))) {
            StringBuilder text = new StringBuilder();
            for (int letter = reader.read(); letter >= 0; letter = reader.read()) {
                text.append((char) letter);
            }
            return text.toString();
        }
    }

    @Test(dataProvider = "texts")
    public void theLettersAreTheSame(byte[] content, String text) throws IOException {
        assertEquals(read(content), text);
    }

    /** The only letter that tells may come late, or stand across the edge of what is read at once. */
    @Test
    public void aLateLetterTells() throws IOException {
        for (int before : new int[] {(1 << 16) - 1, 1 << 16, (1 << 16) + 1, 200_001}) {
            String text = "a".repeat(before) + "é!";
            assertEquals(read(text.getBytes(StandardCharsets.UTF_8)), text, before + " letters before");
            assertEquals(read(text.getBytes(WESTERN)), text, before + " letters before, Western");
        }
    }
}
