package app.navlo.server.handin;

import app.navlo.core.work.Fact;
import app.navlo.core.work.Stage;
import app.navlo.server.board.Board;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.Writer;
import app.navlo.server.files.FileCheck;
import app.navlo.server.files.Quota;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Drafts;
import app.navlo.server.store.Files;
import app.navlo.server.store.StoredFile;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What lies ready: files and text that aren't handed in. The first of it makes the work a draft. */
@Service
class DraftService {
    static final int LONGEST_TEXT = 200_000;

    private final WorkWrites writes;
    private final Drafts drafts;
    private final Files files;
    private final Quota quota;
    private final LiveFeed live;

    DraftService(WorkWrites writes, Drafts drafts, Files files, Quota quota, LiveFeed live) {
        this.quota = quota;
        this.writes = writes;
        this.drafts = drafts;
        this.files = files;
        this.live = live;
    }

    @Transactional(rollbackFor = IOException.class)
    public void addFile(Writer writer, long work, String name, Path content) throws IOException {
        Board.Entry entry = openForDraft(writer, work);
        StoredFile file = FileCheck.check(entry.work().definition().handling().takes(), name, content);
        Drafts.Draft draft = begin(writer, entry);
        int most = entry.work().definition().handling().takes().maxFiles();
        if (draft.files().size() >= most) {
            throw Refusal.invalid("file", "At most " + most + " files are taken here. Remove one first.");
        }
        boolean there = draft.storedFiles().stream().anyMatch(file::equals);
        if (!there) {
            quota.check(writer.student(), file.size());
            files.keep(file.sha256(), file.size(), content);
            drafts.addFile(work, file);
        }
        live.changed(writer.student());
    }

    @Transactional
    public void removeFile(Writer writer, long work, long file) {
        openForDraft(writer, work);
        if (!drafts.removeFile(work, file)) {
            throw Refusal.notFound("file in this draft");
        }
        live.changed(writer.student());
    }

    /**
     * @param number of the draft as the writer saw it; 0 where there was none
     * @throws Refusal with what lies there now if it was saved elsewhere in the meantime
     */
    @Transactional
    public void saveText(Writer writer, long work, String text, long number) {
        Board.Entry entry = openForDraft(writer, work);
        Drafts.Draft there = drafts.find(work).orElse(null);
        boolean same = there == null
                ? number == 0
                : there.number() == number || there.text().equals(text);
        boolean nothingWritten = there != null && number == 0 && there.text().isEmpty();
        if (!same && !nothingWritten) {
            throw savedElsewhere(there, writes.now());
        }
        if (text.length() > LONGEST_TEXT) {
            throw Refusal.invalid(
                    "text", "The text has " + text.length() + " characters; at most " + LONGEST_TEXT + " are taken.");
        }
        begin(writer, entry);
        drafts.saveText(writer.student(), work, text, writes.now());
        live.changed(writer.student());
    }

    /** @param there null where it was handed in or thrown away */
    static Refusal savedElsewhere(Drafts.@Nullable Draft there, Instant now) {
        return Refusal.savedElsewhere(
                "The draft",
                there == null
                        ? new Refusal.SavedElsewhere("", 0, now)
                        : new Refusal.SavedElsewhere(there.text(), there.number(), there.savedAt()));
    }

    private Board.Entry openForDraft(Writer writer, long work) {
        Board.Entry entry = writes.open(writer, work);
        if (!entry.state().mayHandIn()) {
            throw HandInService.notYours(entry);
        }
        return entry;
    }

    private Drafts.Draft begin(Writer writer, Board.Entry entry) {
        long work = entry.work().id();
        if (drafts.find(work).isEmpty()) {
            drafts.saveText(writer.student(), work, "", writes.now());
        }
        if (entry.state().stage() == Stage.ASSIGNED) {
            String summary = "Began a draft of " + entry.work().definition().title();
            long change = writes.change(writer, ChangeKind.DRAFT, summary);
            writes.add(writer, change, work, Fact.DraftStarted::new);
        }
        return drafts.find(work).orElseThrow();
    }
}
