package app.navlo.server.workdetail;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Pages of words, put behind those that a document has. */
final class PdfPages {
    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";
    private static final float MARGIN = 56;
    private static final float SIZE = 10.5f;
    private static final float LEADING = 15;
    private static final float WIDTH = PDRectangle.A4.getWidth() - 2 * MARGIN;

    private final PDDocument document;
    private final PDFont font;
    private final List<String> lines = new ArrayList<>();

    PdfPages(PDDocument document, PDFont font) {
        this.document = document;
        this.font = font;
    }

    /** The font that everything here is written in, for a document. */
    static PDFont font(PDDocument document) throws IOException {
        try (InputStream in = Objects.requireNonNull(PDDocument.class.getResourceAsStream(FONT), FONT)) {
            return PDType0Font.load(document, in);
        }
    }

    /** Adds paragraphs, each wrapped; an empty one for a gap. */
    PdfPages add(String text) throws IOException {
        for (String paragraph : text.split("\\R")) {
            lines.addAll(wrapped(paragraph));
        }
        return this;
    }

    void write() throws IOException {
        int perPage = (int) ((PDRectangle.A4.getHeight() - 2 * MARGIN) / LEADING);
        for (int from = 0; from < lines.size(); from += perPage) {
            page(lines.subList(from, Math.min(lines.size(), from + perPage)));
        }
    }

    private void page(List<String> written) throws IOException {
        PDPage page = new PDPage(PDRectangle.A4);
        document.addPage(page);
        try (PDPageContentStream content = new PDPageContentStream(document, page)) {
            content.beginText();
            content.setFont(font, SIZE);
            content.setLeading(LEADING);
            content.newLineAtOffset(MARGIN, PDRectangle.A4.getHeight() - MARGIN - SIZE);
            for (String line : written) {
                content.showText(line);
                content.newLine();
            }
            content.endText();
        }
    }

    private List<String> wrapped(String text) throws IOException {
        List<String> wrapped = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : writable(text).split(" ")) {
            String longer = line.isEmpty() ? word : line + " " + word;
            if (!line.isEmpty() && font.getStringWidth(longer) / 1000 * SIZE > WIDTH) {
                wrapped.add(line.toString());
                line.setLength(0);
                line.append(word);
            } else {
                line.setLength(0);
                line.append(longer);
            }
        }
        wrapped.add(line.toString());
        return wrapped;
    }

    /** Letters that the font doesn't have are written as question marks. */
    private String writable(String text) {
        StringBuilder writable = new StringBuilder();
        text.codePoints().forEach(letter -> {
            String one = Character.isISOControl(letter) ? " " : Character.toString(letter);
            writable.append(canWrite(one) ? one : "?");
        });
        return writable.toString();
    }

    private boolean canWrite(String letter) {
        try {
            font.encode(letter);
            return true;
        } catch (IOException | IllegalArgumentException e) {
            return false;
        }
    }
}
