package app.navlo.server.handin;

import app.navlo.core.reason.Sentences;
import app.navlo.core.work.Fact;
import app.navlo.core.work.HandInContent;
import app.navlo.core.work.HandInRules;
import app.navlo.core.work.WorkState;
import app.navlo.server.board.Board;
import app.navlo.server.change.Done;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.WriteOnce;
import app.navlo.server.change.Writer;
import app.navlo.server.files.Enclosures;
import app.navlo.server.files.Uploads.Upload;
import app.navlo.server.outbox.SchoolBox;
import app.navlo.server.outbox.SchoolCommand.Payload;
import app.navlo.server.outbox.SchoolCommands;
import app.navlo.server.outbox.SchoolCommands.Prepared;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Drafts;
import app.navlo.server.store.Facts;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.Material;
import app.navlo.server.store.Outbox;
import app.navlo.server.store.StoredFile;
import app.navlo.server.store.Work;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Hands in what lies ready, takes it back, and adds the parts of a discussion. Each is there whole or not at all. */
@Service
public class HandInService {
    private final WorkWrites writes;
    private final Drafts drafts;

    private final HandIns handIns;
    private final Enclosures enclosures;
    private final Material material;
    private final WriteOnce once;
    private final SchoolBox school;
    private final SchoolCommands commands;

    HandInService(
            WorkWrites writes,
            Drafts drafts,
            HandIns handIns,
            Enclosures enclosures,
            Material material,
            WriteOnce once,
            SchoolBox school,
            SchoolCommands commands) {
        this.commands = commands;
        this.school = school;
        this.enclosures = enclosures;
        this.material = material;
        this.writes = writes;
        this.drafts = drafts;
        this.handIns = handIns;
        this.once = once;
    }

    /**
     * What the person confirmed.
     *
     * @param files the draft's files by number, as the confirmation listed them
     * @param draft the number of the draft that the confirmation showed; null where nothing lies ready
     * @param note a line to go with it; null for none
     */
    public record HandIn(
            HandInContent content,
            List<Long> files,
            @Nullable Long draft,
            @Nullable String note) {}

    static Refusal notYours(Board.Entry entry) {
        String why = Sentences.write(
                entry.state().because().move(), entry.course().details().zone());
        String stage = Sentences.write(
                entry.state().because().stage(), entry.course().details().zone());
        return Refusal.conflict("This isn't yours to hand in now", why + ". " + stage + ".");
    }

    public Done handIn(Writer writer, long work, HandIn request) {
        String asked = "hand in " + work + " " + request;
        return commands.run(Outbox.Kind.HAND_IN, writer, work, asked, () -> {
            Board.Entry entry = writes.open(writer, work);
            if (!entry.state().mayHandIn()) {
                throw notYours(entry);
            }
            HandIns.Content content = content(entry.work(), request);
            long draft = request.draft() == null ? 0 : request.draft();
            Payload payload = new Payload(request.content().name(), content, draft, 0);
            return new Prepared(payload, school.takes(writer.student(), work, Outbox.Kind.HAND_IN));
        });
    }

    private HandIns.Content content(Work work, HandIn request) {
        Work.Takes takes = work.definition().handling().takes();
        String note = request.note() == null || request.note().isBlank()
                ? null
                : request.note().strip();
        if (request.content() == HandInContent.DONE || request.content() == HandInContent.ATTEMPT) {
            if (!takes.done()
                    || request.content()
                            != HandInRules.ownWord(work.definition().kind())) {
                throw Refusal.invalid("content", "This work can't be handed in so. Reload the page and choose again.");
            }
            return new HandIns.Content(null, note, List.of());
        }
        Drafts.Draft draft = drafts.find(work.id())
                .filter(d -> !d.isEmpty())
                .orElseThrow(() -> Refusal.invalid(
                        "content", "Nothing lies ready to hand in. Choose a file or write a text first."));
        List<Long> lying = draft.files().stream().map(Drafts.DraftFile::id).toList();
        boolean seen = request.draft() != null && request.draft() == draft.number();
        if (!seen || !lying.equals(request.files())) {
            throw DraftService.savedElsewhere(draft, writes.now());
        }
        List<StoredFile> files = draft.storedFiles();
        if (request.content() == HandInContent.FILES && files.isEmpty()) {
            throw Refusal.invalid("files", "No file lies ready. Choose one first.");
        }
        if (request.content() == HandInContent.TEXT
                && (!takes.text() || draft.text().isBlank())) {
            throw Refusal.invalid("text", "The text is empty. Write it first.");
        }
        return new HandIns.Content(draft.text().isBlank() ? null : draft.text(), note, files);
    }

    /** Records work that was handed in on paper or in another place. */
    @Transactional(rollbackFor = IOException.class)
    public Done elsewhere(Writer writer, long work, LocalDateTime at, String note, List<Upload> photos)
            throws IOException {
        HandIns.Content content =
                new HandIns.Content(null, note, enclosures.keep(writer.student(), Enclosures.PHOTOS, photos));
        return once.run(
                new WriteOnce.Once(
                        writer.student(),
                        writer.person(),
                        writer.key(),
                        "elsewhere " + work + at + content,
                        writes.now()),
                Done.class,
                () -> elsewhereNow(writer, work, at, content));
    }

    private Done elsewhereNow(Writer writer, long work, LocalDateTime local, HandIns.Content content) {
        Board.Entry entry = writes.open(writer, work);
        Instant at = local.atZone(entry.course().details().zone()).toInstant();
        refuseUnlessOpenThen(entry, at);
        String title = entry.work().definition().title();
        long change = writes.change(writer, ChangeKind.HAND_IN, "Recorded that " + title + " was handed in elsewhere");
        int attempt = HandInRules.attempt(entry.state());
        long fact =
                writes.add(writer, change, work, at, stamp -> new Fact.HandedIn(stamp, attempt, HandInContent.DONE));
        handIns.add(fact, content);
        return new Done(change, fact);
    }

    /** It must have been the student's to hand in at that instant, and nothing may have come of it since. */
    private void refuseUnlessOpenThen(Board.Entry entry, Instant at) {
        if (at.isAfter(writes.now())) {
            throw Refusal.invalid("day", "This is still to come. Say when it was handed in.");
        }
        if (HandInRules.wentOnSince(entry.facts(), at, writes.now())) {
            throw Refusal.invalid("day", "It was handed in, sent back or returned after that. Say a time since then.");
        }
        Duration soon = Duration.ofHours(entry.course().rules().soonHours());
        WorkState then = HandInRules.then(entry.finding().item(), entry.facts(), soon, at);
        if (!then.mayHandIn() || entry.work().definition().handling().parts() != null) {
            throw Refusal.invalid(
                    "day",
                    "It wasn't open then: "
                            + Sentences.write(
                                    then.because().move(),
                                    entry.course().details().zone()) + ".");
        }
    }

    public Done withdraw(Writer writer, long work) {
        return commands.run(Outbox.Kind.WITHDRAW, writer, work, "withdraw " + work, () -> {
            Board.Entry entry = writes.open(writer, work);
            Long standing = entry.standingHandIn();
            if (standing == null || !entry.mayWithdraw()) {
                throw Refusal.conflict(
                        "There is nothing to withdraw",
                        "Only what is with the teacher and not graded yet can be taken back.");
            }
            boolean atSchool = isAtSchool(standing);
            if (atSchool && !school.takes(writer.student(), work, Outbox.Kind.WITHDRAW)) {
                throw Refusal.conflict(
                        "The school has it, and can't be told",
                        "No link takes a withdrawal there now. Go on with the link in Links, or ask the teacher to send it"
                                + " back.");
            }
            return new Prepared(Payload.NOTHING, atSchool);
        });
    }

    private boolean isAtSchool(long handIn) {
        return handIns.receiptOf(handIn).isPresent() || school.has(handIn);
    }

    @Transactional
    public Done post(Writer writer, long work, Post post) {
        return once.run(
                new WriteOnce.Once(
                        writer.student(), writer.person(), writer.key(), "post " + work + post, writes.now()),
                Done.class,
                () -> postNow(writer, work, post));
    }

    private Done postNow(Writer writer, long work, Post post) {
        Board.Entry entry = writes.open(writer, work);
        if (entry.state().parts() == null) {
            throw Refusal.invalid("part", "This work has no posts and replies.");
        }
        if (!HandInRules.mayPost(entry.finding().item(), entry.state())) {
            throw notYours(entry);
        }
        String title = entry.work().definition().title();
        boolean answersNothing = post.answers() != null
                && material.posts(work, Set.of()).stream().noneMatch(one -> one.id() == post.answers());
        if (answersNothing) {
            throw Refusal.invalid("answers", "The post that this answers isn't there any more. Reload the page.");
        }
        String what = post.part() == Fact.Posted.Part.POST ? "Posted in " : "Replied in ";
        long change = writes.change(writer, ChangeKind.POST, what + title);
        long fact = writes.add(
                writer,
                change,
                work,
                new Fact.Posted(writes.stamp(writer, writes.now()), post.part()),
                new Facts.Words(post.text(), null, post.answers()));
        return new Done(change, fact);
    }
}
