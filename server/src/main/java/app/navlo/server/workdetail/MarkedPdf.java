package app.navlo.server.workdetail;

import app.navlo.core.reason.Sentences;
import app.navlo.server.feedback.SaidView;
import app.navlo.server.feedback.SaidView.MarkView;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Files;
import app.navlo.server.store.StoredFile;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.util.Matrix;
import org.springframework.stereotype.Component;

/** Draws the marks of teachers on the pages of a file that was handed in, and lists their words behind it. */
@Component
class MarkedPdf {
    private static final int MOST_PAGES = 400;
    private static final List<String> PICTURES = List.of("image/png", "image/jpeg", "image/gif");

    private static final float BADGE = 9;
    private static final float LINE = 1.6f;
    private static final float[] INK = {0.61f, 0.18f, 0.23f};

    private final Files files;

    MarkedPdf(Files files) {
        this.files = files;
    }

    static String nameOf(StoredFile file) {
        int dot = file.name().lastIndexOf('.');
        return (dot < 0 ? file.name() : file.name().substring(0, dot)) + ", marked.pdf";
    }

    /**
     * @param marks in any order; each stands on a page of this file
     * @throws Refusal if the file is no PDF and no picture, or can't be read as one
     */
    byte[] of(StoredFile file, List<SaidView> marks, ZoneId zone) throws IOException {
        Path copy = java.nio.file.Files.createTempFile("navlo", ".marked");
        try {
            try (OutputStream out = java.nio.file.Files.newOutputStream(copy)) {
                files.copy(file.sha256(), out);
            }
            try (PDDocument document = open(file, copy)) {
                draw(document, inOrder(marks), zone);
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                document.save(out);
                return out.toByteArray();
            }
        } finally {
            java.nio.file.Files.deleteIfExists(copy);
        }
    }

    /** From the first page down, as they are numbered. */
    private static List<SaidView> inOrder(List<SaidView> marks) {
        return marks.stream()
                .sorted(Comparator.<SaidView>comparingInt(said -> mark(said).page())
                        .thenComparingDouble(said -> mark(said).y())
                        .thenComparingLong(SaidView::id))
                .toList();
    }

    private static MarkView mark(SaidView said) {
        return Objects.requireNonNull(said.mark());
    }

    private static PDDocument open(StoredFile file, Path copy) throws IOException {
        if (PICTURES.contains(file.mediaType())) {
            return picture(copy, file);
        }
        if (!file.mediaType().equals("application/pdf")) {
            throw unreadable(file);
        }
        try {
            PDDocument document = Loader.loadPDF(copy.toFile(), IOUtils.createTempFileOnlyStreamCache());
            if (document.isEncrypted() || document.getNumberOfPages() > MOST_PAGES) {
                document.close();
                throw unreadable(file);
            }
            return document;
        } catch (IOException e) {
            throw unreadable(file);
        }
    }

    private static PDDocument picture(Path copy, StoredFile file) throws IOException {
        PDDocument document = new PDDocument();
        try {
            PDImageXObject image =
                    PDImageXObject.createFromByteArray(document, java.nio.file.Files.readAllBytes(copy), file.name());
            float scale = Math.min(
                    PDRectangle.A4.getHeight() / image.getHeight(), PDRectangle.A4.getHeight() / image.getWidth());
            PDPage page = new PDPage(new PDRectangle(image.getWidth() * scale, image.getHeight() * scale));
            document.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                content.drawImage(
                        image,
                        0,
                        0,
                        page.getMediaBox().getWidth(),
                        page.getMediaBox().getHeight());
            }
            return document;
        } catch (IOException | IllegalArgumentException e) {
            document.close();
            throw unreadable(file);
        }
    }

    private static Refusal unreadable(StoredFile file) {
        return Refusal.conflict(
                file.name() + " can't be made into a PDF with its marks",
                "Download it as it was handed in; the marks are listed beside it.");
    }

    private static void draw(PDDocument document, List<SaidView> marks, ZoneId zone) throws IOException {
        PDFont font = PdfPages.font(document);
        int number = 0;
        for (SaidView said : marks) {
            number++;
            if (mark(said).page() <= document.getNumberOfPages()) {
                place(document, document.getPage(mark(said).page() - 1), mark(said), number, font);
            }
        }
        list(new PdfPages(document, font), marks, zone);
    }

    /** The words of the marks, on pages of their own behind the file. */
    private static void list(PdfPages pages, List<SaidView> marks, ZoneId zone) throws IOException {
        pages.add(marks.isEmpty() ? "Nobody has marked this file." : "Marks on this file");
        int number = 0;
        for (SaidView said : marks) {
            number++;
            pages.add("").add(heading(said, number, zone)).add(said.text());
        }
        pages.write();
    }

    private static void place(PDDocument document, PDPage page, MarkView mark, int number, PDFont font)
            throws IOException {
        try (PDPageContentStream content =
                new PDPageContentStream(document, page, PDPageContentStream.AppendMode.APPEND, true, true)) {
            PDRectangle box = page.getCropBox();
            boolean turned = page.getRotation() % 180 != 0;
            float width = turned ? box.getHeight() : box.getWidth();
            float height = turned ? box.getWidth() : box.getHeight();
            content.transform(upright(box, page.getRotation()));
            float left = (float) mark.x() * width;
            float top = height - (float) mark.y() * height;
            content.setStrokingColor(INK[0], INK[1], INK[2]);
            content.setNonStrokingColor(INK[0], INK[1], INK[2]);
            if (mark.width() > 0 && mark.height() > 0) {
                float high = (float) mark.height() * height;
                content.setLineWidth(LINE);
                content.addRect(left, top - high, (float) mark.width() * width, high);
                content.stroke();
            }
            badge(content, left, Math.min(top, height - BADGE), number, font);
        }
    }

    /** From the page as it is looked at to the page as it is kept. */
    private static Matrix upright(PDRectangle box, int rotation) {
        return switch (Math.floorMod(rotation, 360)) {
            case 90 -> new Matrix(0, 1, -1, 0, box.getUpperRightX(), box.getLowerLeftY());
            case 180 -> new Matrix(-1, 0, 0, -1, box.getUpperRightX(), box.getUpperRightY());
            case 270 -> new Matrix(0, -1, 1, 0, box.getLowerLeftX(), box.getUpperRightY());
            default -> new Matrix(1, 0, 0, 1, box.getLowerLeftX(), box.getLowerLeftY());
        };
    }

    private static void badge(PDPageContentStream content, float left, float top, int number, PDFont font)
            throws IOException {
        String words = Integer.toString(number);
        float wide = font.getStringWidth(words) / 1000 * BADGE + 6;
        content.addRect(left, top - 1, wide, BADGE + 3);
        content.fill();
        content.setNonStrokingColor(1f, 1f, 1f);
        content.beginText();
        content.setFont(font, BADGE);
        content.newLineAtOffset(left + 3, top + 2);
        content.showText(words);
        content.endText();
    }

    private static String heading(SaidView said, int number, ZoneId zone) {
        return number + "   page " + mark(said).page() + ", " + said.name() + ", " + Sentences.moment(said.at(), zone);
    }
}
