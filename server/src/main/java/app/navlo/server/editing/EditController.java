package app.navlo.server.editing;

import app.navlo.server.account.Person;
import app.navlo.server.account.Sights;
import app.navlo.server.change.Changed;
import app.navlo.server.change.UndoService;
import app.navlo.server.change.Writer;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.workdetail.WorkForm;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Courses and work that a student types in, and the log of changes with its undo. */
@RestController
@RequestMapping("/api/students/{student}")
public class EditController {
    private static final int LATEST = 50;

    private final WorkEditor editor;
    private final UndoService undo;
    private final Changes changes;
    private final Sights sights;

    EditController(WorkEditor editor, UndoService undo, Changes changes, Sights sights) {
        this.sights = sights;
        this.editor = editor;
        this.undo = undo;
        this.changes = changes;
    }

    /** @param stands false once it is undone */
    public record ChangeView(
            long id, Instant at, String kind, String source, String summary, boolean stands, boolean undoable) {}

    /**
     * Adds a piece of work that is typed in.
     *
     * @param past when it was handed in, if it was due before now; none if it wasn't
     */
    @PostMapping("/works")
    @ResponseStatus(HttpStatus.CREATED)
    public Changed addWork(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @RequestParam(required = false) @Nullable DoneWhen past,
            @Valid @RequestBody WorkForm form) {
        return of(editor.addWorks(Writer.of(student, person, null, key), List.of(form), past));
    }

    /**
     * @param works one after the other, as work that repeats is
     * @param past when that of it was handed in that was due before now; null for what wasn't
     */
    public record SeveralForm(
            @NotEmpty(message = "Say what to add.") @Size(max = 200, message = "At most 200 at once.")
            List<@Valid WorkForm> works,

            @Nullable DoneWhen past) {}

    /** Adds several pieces of work as one change. */
    @PostMapping("/works/several")
    @ResponseStatus(HttpStatus.CREATED)
    public Changed addWorks(
            @PathVariable long student,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody SeveralForm form) {
        return of(editor.addWorks(Writer.of(student, person, null, key), form.works(), form.past()));
    }

    /** Changes a piece of work. What is set so, no source overwrites. */
    @PutMapping("/works/{work}")
    public Changed editWork(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String version,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody WorkForm form) {
        return of(editor.editWork(Writer.of(student, person, version, key), work, form));
    }

    /** Removes a piece of work. It can be undone. */
    @DeleteMapping("/works/{work}")
    public Changed removeWork(
            @PathVariable long student,
            @PathVariable long work,
            @AuthenticationPrincipal Person person,
            @RequestHeader(HttpHeaders.IF_MATCH) String version,
            @RequestHeader("Idempotency-Key") String key) {
        return of(editor.removeWork(Writer.of(student, person, version, key), work));
    }

    /** The latest changes, newest first. */
    @GetMapping("/changes")
    public List<ChangeView> changes(@PathVariable long student) {
        Set<Long> undone = changes.undone(student);
        boolean messages = sights.of(student).messages();
        return changes.latest(student, LATEST).stream()
                .filter(change -> messages || change.kind() != ChangeKind.MESSAGE)
                .map(change -> new ChangeView(
                        change.id(),
                        change.at(),
                        change.kind().name(),
                        change.source(),
                        change.summary(),
                        !undone.contains(change.id()),
                        change.kind().undoable() && !undone.contains(change.id())))
                .toList();
    }

    /**
     * Undoes a change by one more.
     *
     * @return the change that undid it, and undoes again when it is undone itself
     */
    @PostMapping("/changes/{change}/undo")
    @ResponseStatus(HttpStatus.CREATED)
    public Changed undo(
            @PathVariable long student,
            @PathVariable long change,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return new Changed(undo.undo(Writer.of(student, person, null, key), change), change);
    }

    private static Changed of(WorkEditor.Edited edited) {
        return new Changed(edited.change(), edited.id());
    }
}
