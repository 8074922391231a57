package app.navlo.server.workdetail;

import app.navlo.server.store.Files;
import app.navlo.server.store.People;
import app.navlo.server.store.Sha256;
import app.navlo.server.store.StoredFile;
import app.navlo.server.workdetail.WorkDetail.Receipt;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;

/** Receipts of hand-ins as files that can be shown and sent along. */
@Component
public class Receipts {
    private final WorkDetailService details;
    private final People people;
    private final Files files;

    Receipts(WorkDetailService details, People people, Files files) {
        this.details = details;
        this.people = people;
        this.files = files;
    }

    /** @param name with its ending */
    record Written(String name, byte[] pdf) {}

    Written write(long student, long work, long handIn) {
        Receipt receipt = details.receipt(student, work, handIn);
        String name = people.student(student).orElseThrow().name();
        return new Written(ReceiptPdf.nameOf(receipt), ReceiptPdf.of(receipt, name));
    }

    /** Writes it and keeps it, to go with something. */
    public StoredFile keep(long student, long work, long handIn) {
        Written written = write(student, work, handIn);
        String sha256 = Sha256.of(written.pdf());
        files.keep(sha256, written.pdf());
        return new StoredFile(written.name(), MediaType.APPLICATION_PDF_VALUE, written.pdf().length, sha256);
    }
}
