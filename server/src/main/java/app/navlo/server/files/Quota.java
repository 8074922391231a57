package app.navlo.server.files;

import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Roll;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/** How much space the files of one student may take. */
@Component
public class Quota {
    private static final double MEGABYTE = 1 << 20;

    private final Roll roll;
    private final long bytes;

    /** @param size 0 for as much as there is */
    Quota(Roll roll, @Value("${navlo.quota:0B}") DataSize size) {
        this.roll = roll;
        this.bytes = size.toBytes();
    }

    /** 0 for as much as there is. */
    public long bytes() {
        return bytes;
    }

    /** @throws Refusal if this student's files would take more than they may */
    public void check(long student, long more) {
        if (bytes > 0 && roll.bytesOf(student) + more > bytes) {
            throw Refusal.of(
                    HttpStatus.INSUFFICIENT_STORAGE,
                    "There is no room for this file",
                    "file",
                    "Your files take %.0f of %.0f MB here. Send a smaller one, or ask who runs this Navlo for more room."
                            .formatted(roll.bytesOf(student) / MEGABYTE, bytes / MEGABYTE));
        }
    }
}
