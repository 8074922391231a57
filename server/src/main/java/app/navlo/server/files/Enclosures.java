package app.navlo.server.files;

import app.navlo.server.files.Uploads.Upload;
import app.navlo.server.store.Files;
import app.navlo.server.store.StoredFile;
import app.navlo.server.store.Work;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** Keeps files that go with words or with a message. */
@Component
public class Enclosures {
    /** At once. */
    public static final int MOST = 6;

    /** Pictures of what was handed in elsewhere. */
    public static final Work.Takes PHOTOS =
            new Work.Takes(true, false, false, List.of("jpg", "jpeg", "png", "webp"), MOST, 10L << 20);

    /** What goes with a comment or a message. */
    public static final Work.Takes ANY = new Work.Takes(true, false, false, List.of(), MOST, 10L << 20);

    private final Files files;
    private final Quota quota;

    Enclosures(Files files, Quota quota) {
        this.quota = quota;
        this.files = files;
    }

    /** @throws app.navlo.server.problem.Refusal if one is empty, a program, more than 10 MB, or not what its name says */
    public List<StoredFile> keep(long student, List<Upload> uploads) throws IOException {
        return keep(student, ANY, uploads);
    }

    public List<StoredFile> keep(long student, Work.Takes takes, List<Upload> uploads) throws IOException {
        List<StoredFile> stored = new ArrayList<>();
        long bytes = 0;
        for (Upload upload : uploads) {
            StoredFile file = FileCheck.check(takes, upload.name(), upload.content());
            bytes += file.size();
            quota.check(student, bytes);
            files.keep(file.sha256(), file.size(), upload.content());
            stored.add(file);
        }
        return stored;
    }
}
