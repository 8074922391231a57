package app.navlo.server.work;

import app.navlo.server.board.SaidView;
import java.io.IOException;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;

/** The words of the marks, on pages of their own behind the file. */
final class MarkList {
    private static final float MARGIN = 56;
    private static final float SIZE = 10.5f;
    private static final float LEADING = 15;
    private static final float WIDTH = PDRectangle.A4.getWidth() - 2 * MARGIN;

    private final PDDocument document;
    private final PDFont font;

    MarkList(PDDocument document, PDFont font) {
        this.document = document;
        this.font = font;
    }

    void write(List<SaidView> marks, ZoneId zone) throws IOException {
        List<String> lines = new ArrayList<>();
        lines.add(marks.isEmpty() ? "Nobody has marked this file." : "Marks on this file");
        int number = 0;
        for (SaidView said : marks) {
            number++;
            lines.add("");
            lines.addAll(wrapped(MarkedPdf.heading(said, number, zone)));
            for (String paragraph : said.text().split("\\R")) {
                lines.addAll(wrapped(paragraph));
            }
        }
        int perPage = (int) ((PDRectangle.A4.getHeight() - 2 * MARGIN) / LEADING);
        for (int from = 0; from < lines.size(); from += perPage) {
            page(lines.subList(from, Math.min(lines.size(), from + perPage)));
        }
    }

    private void page(List<String> lines) throws IOException {
        PDPage page = new PDPage(PDRectangle.A4);
        document.addPage(page);
        try (PDPageContentStream content = new PDPageContentStream(document, page)) {
            content.beginText();
            content.setFont(font, SIZE);
            content.setLeading(LEADING);
            content.newLineAtOffset(MARGIN, PDRectangle.A4.getHeight() - MARGIN - SIZE);
            for (String line : lines) {
                content.showText(line);
                content.newLine();
            }
            content.endText();
        }
    }

    private List<String> wrapped(String text) throws IOException {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : writable(text).split(" ")) {
            String longer = line.isEmpty() ? word : line + " " + word;
            if (!line.isEmpty() && font.getStringWidth(longer) / 1000 * SIZE > WIDTH) {
                lines.add(line.toString());
                line.setLength(0);
                line.append(word);
            } else {
                line.setLength(0);
                line.append(longer);
            }
        }
        lines.add(line.toString());
        return lines;
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
