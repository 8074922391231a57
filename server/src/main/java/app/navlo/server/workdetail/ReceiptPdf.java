package app.navlo.server.workdetail;

import app.navlo.core.reason.Sentences;
import app.navlo.core.work.Timing;
import app.navlo.server.workdetail.WorkDetail.Receipt;
import app.navlo.server.workdetail.WorkDetail.ReceiptFile;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Calendar;
import java.util.Locale;
import java.util.TimeZone;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Writes the receipt of a hand-in as a file that can be shown to a teacher: when, what, how large, with checksums. */
final class ReceiptPdf {
    private ReceiptPdf() {}

    /** Named by the number that everybody calls the receipt by. */
    static String nameOf(Receipt receipt) {
        return "Receipt " + receipt.id() + ", "
                + receipt.title()
                        .replaceAll("[\\p{Cntrl}/\\\\:*?\"<>|\\s]+", " ")
                        .strip() + ".pdf";
    }

    /**
     * The same bytes for the same receipt.
     *
     * @param student the name of who handed it in
     */
    static byte[] of(Receipt receipt, String student) {
        try (PDDocument document = new PDDocument()) {
            Calendar made = Calendar.getInstance(TimeZone.getTimeZone("UTC"), Locale.ROOT);
            made.setTimeInMillis(receipt.at().toEpochMilli());
            document.getDocumentInformation().setTitle("Receipt of a hand-in");
            document.getDocumentInformation().setCreationDate(made);
            document.setDocumentId(receipt.id());
            PdfPages pages = new PdfPages(document, PdfPages.font(document));
            write(pages, receipt, student);
            pages.write();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("a receipt can't be written", e);
        }
    }

    private static void write(PdfPages pages, Receipt receipt, String student) throws IOException {
        ZoneId zone = ZoneId.of(receipt.zone());
        pages.add("Receipt of a hand-in, number " + receipt.id()).add("");
        pages.add("Student: " + student);
        pages.add("Course: " + receipt.courseName());
        pages.add("Work: " + receipt.title() + ", attempt " + receipt.attempt()).add("");
        pages.add("Handed in: " + exact(receipt.at(), zone));
        if (receipt.due() != null) {
            pages.add("Due then: " + exact(receipt.due(), zone));
        }
        pages.add("Judged then: " + judged(receipt.timing()));
        if (receipt.school() != null) {
            pages.add("Taken by " + receipt.school() + " under its number " + receipt.number());
        }
        if (!receipt.stands()) {
            pages.add("It no longer stands: it was taken back, sent back or handed in anew since.");
        }
        content(pages, receipt);
    }

    private static String exact(Instant at, ZoneId zone) {
        return Sentences.moment(at, zone) + " (" + zone + "), " + at + " UTC";
    }

    private static String judged(Timing timing) {
        return switch (timing) {
            case ON_TIME -> "on time";
            case LATE -> "late";
            default -> "no due";
        };
    }

    private static void content(PdfPages pages, Receipt receipt) throws IOException {
        for (ReceiptFile file : receipt.files()) {
            pages.add("");
            pages.add(file.position() + ". " + file.name());
            pages.add("    " + file.size() + " bytes, " + file.mediaType());
            pages.add("    SHA-256 " + file.sha256());
        }
        if (receipt.note() != null) {
            pages.add("").add("Note that went with it: " + receipt.note());
        }
        if (receipt.text() != null) {
            pages.add("").add("Text that was handed in:").add("").add(receipt.text());
        }
    }
}
