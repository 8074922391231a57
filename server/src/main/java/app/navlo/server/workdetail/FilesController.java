package app.navlo.server.workdetail;

import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.feedback.SaidMapper;
import app.navlo.server.feedback.SaidView;
import app.navlo.server.files.Downloads;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Drafts;
import app.navlo.server.store.Feedback;
import app.navlo.server.store.FileShelf;
import app.navlo.server.store.Material;
import app.navlo.server.store.StoredFile;
import app.navlo.server.time.ServerClock;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Files of a student: all of them in one list, and each as a download. */
@RestController
@RequestMapping("/api/students/{student}")
@ReadBoard
public class FilesController {
    private final Boards boards;
    private final WorkDetailService details;
    private final FileShelf shelf;
    private final Material material;
    private final Drafts drafts;
    private final Feedback feedback;
    private final Changes changes;
    private final Receipts receipts;
    private final Downloads downloads;
    private final MarkedPdf markedPdf;
    private final ServerClock clock;

    FilesController(
            Boards boards,
            WorkDetailService details,
            FileShelf shelf,
            Material material,
            Drafts drafts,
            Feedback feedback,
            Changes changes,
            Receipts receipts,
            Downloads downloads,
            MarkedPdf markedPdf,
            ServerClock clock) {
        this.boards = boards;
        this.details = details;
        this.shelf = shelf;
        this.material = material;
        this.drafts = drafts;
        this.feedback = feedback;
        this.changes = changes;
        this.receipts = receipts;
        this.downloads = downloads;
        this.markedPdf = markedPdf;
        this.clock = clock;
    }

    /**
     * One of the student's own files.
     *
     * @param at when it was handed in, or the draft was last saved
     * @param handIn the hand-in that it is in; null where it lies in the draft
     * @param position in that hand-in, from 1; in a draft, its number there
     * @param marks of teachers on its pages
     */
    public record FileView(
            long work,
            Instant at,
            @Nullable Long handIn,
            long position,
            String name,
            String mediaType,
            long size,
            String sha256,
            int marks) {}

    /** The latest first; files of works that are gone are left out. */
    @GetMapping("/files")
    public List<FileView> all(@PathVariable long student) {
        return shelf.all(student, changes.undone(student), clock.instant()).stream()
                .map(one -> new FileView(
                        one.work(),
                        one.at(),
                        one.handIn(),
                        one.position(),
                        one.file().name(),
                        one.file().mediaType(),
                        one.file().size(),
                        one.file().sha256(),
                        one.marks()))
                .toList();
    }

    /** A file that came with the work from the teacher. */
    @GetMapping("/works/{work}/attachments/{attachment}")
    public void attachment(
            @PathVariable long student,
            @PathVariable long work,
            @PathVariable long attachment,
            HttpServletResponse response)
            throws IOException {
        boards.one(student, work, clock.instant());
        StoredFile file = material.attachments(work, changes.undone(student)).stream()
                .filter(one -> one.id() == attachment)
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("file"))
                .file();
        downloads.send(file, response);
    }

    /** A file that goes with a word of the student. @param position of it there, from 1 */
    @GetMapping("/works/{work}/comments/{word}/files/{position}")
    public void enclosed(
            @PathVariable long student,
            @PathVariable long work,
            @PathVariable long word,
            @PathVariable int position,
            HttpServletResponse response)
            throws IOException {
        Board.Entry entry = boards.one(student, work, clock.instant());
        List<StoredFile> files = feedback.files(student, work).getOrDefault(word, List.of());
        boolean stands = entry.recorded().stream().anyMatch(recorded -> recorded.id() == word);
        if (!stands || position < 1 || position > files.size()) {
            throw Refusal.notFound("file");
        }
        downloads.send(files.get(position - 1), response);
    }

    /** A file that lies ready, to see that it is the right one. */
    @GetMapping("/works/{work}/draft/files/{file}")
    public void draftFile(
            @PathVariable long student, @PathVariable long work, @PathVariable long file, HttpServletResponse response)
            throws IOException {
        boards.one(student, work, clock.instant());
        StoredFile lying = drafts.find(work).stream()
                .flatMap(draft -> draft.files().stream())
                .filter(one -> one.id() == file)
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("file in this draft"))
                .file();
        downloads.send(lying, response);
    }

    /** The file as it was handed in. */
    @GetMapping("/works/{work}/hand-ins/{handIn}/files/{position}")
    public void file(
            @PathVariable long student,
            @PathVariable long work,
            @PathVariable long handIn,
            @PathVariable int position,
            HttpServletResponse response)
            throws IOException {
        downloads.send(handedIn(student, work, handIn, position), response);
    }

    /** The file as a PDF with the marks of teachers drawn on its pages, and their words listed behind them. */
    @GetMapping("/works/{work}/hand-ins/{handIn}/files/{position}/marked")
    public void marked(
            @PathVariable long student,
            @PathVariable long work,
            @PathVariable long handIn,
            @PathVariable int position,
            HttpServletResponse response)
            throws IOException {
        StoredFile file = handedIn(student, work, handIn, position);
        Board.Entry entry = boards.one(student, work, clock.instant());
        List<SaidView> marks = SaidMapper.read(feedback, student, work, changes.undone(student)).of(entry).stream()
                .filter(said -> said.mark() != null
                        && said.mark().handIn() == handIn
                        && said.mark().position() == position)
                .toList();
        byte[] pdf = markedPdf.of(file, marks, entry.course().details().zone());
        downloads.sendPdf(MarkedPdf.nameOf(file), pdf, response);
    }

    /** The receipt of a hand-in as a PDF, to be shown to a teacher. */
    @GetMapping("/works/{work}/hand-ins/{handIn}/receipt")
    public void receipt(
            @PathVariable long student,
            @PathVariable long work,
            @PathVariable long handIn,
            HttpServletResponse response)
            throws IOException {
        Receipts.Written written = receipts.write(student, work, handIn);
        downloads.sendPdf(written.name(), written.pdf(), response);
    }

    private StoredFile handedIn(long student, long work, long handIn, int position) {
        return details.receipt(student, work, handIn).files().stream()
                .filter(one -> one.position() == position)
                .findFirst()
                .map(one -> new StoredFile(one.name(), one.mediaType(), one.size(), one.sha256()))
                .orElseThrow(() -> Refusal.notFound("file"));
    }
}
