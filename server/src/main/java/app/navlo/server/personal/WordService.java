package app.navlo.server.personal;

import app.navlo.core.feedback.FeedbackStream;
import app.navlo.core.signal.SignalKind;
import app.navlo.core.work.Fact;
import app.navlo.server.board.Board;
import app.navlo.server.change.Done;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.WriteOnce;
import app.navlo.server.change.Writer;
import app.navlo.server.files.Enclosures;
import app.navlo.server.files.Uploads.Upload;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Facts;
import app.navlo.server.store.Feedback;
import app.navlo.server.store.Material;
import app.navlo.server.store.StoredFile;
import app.navlo.server.store.StudentEstimates;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a student says about a piece of work, has read of it, and has spent on it. */
@Service
class WordService {
    private final WorkWrites writes;
    private final StudentEstimates estimates;
    private final Material material;
    private final WriteOnce once;
    private final Feedback feedback;
    private final Enclosures enclosures;

    WordService(
            WorkWrites writes,
            StudentEstimates estimates,
            Material material,
            WriteOnce once,
            Feedback feedback,
            Enclosures enclosures) {
        this.writes = writes;
        this.estimates = estimates;
        this.material = material;
        this.once = once;
        this.feedback = feedback;
        this.enclosures = enclosures;
    }

    /** A private comment, or the answer to one. */
    @Transactional(rollbackFor = IOException.class)
    public Done say(Writer writer, long work, String text, @Nullable Long answers, List<Upload> files)
            throws IOException {
        List<StoredFile> along = enclosures.keep(writer.student(), files);
        String asked = "comment " + work + " " + answers + text + along;
        return once.run(
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), asked, writes.now()),
                Done.class,
                () -> sayNow(writer, work, text, answers, along));
    }

    private Done sayNow(Writer writer, long work, String text, @Nullable Long answers, List<StoredFile> along) {
        Board.Entry entry = writes.open(writer, work);
        boolean answersNothing = answers != null
                && FeedbackStream.of(entry.facts(), writes.now()).stream().noneMatch(said -> said.fact() == answers);
        if (answersNothing) {
            throw Refusal.invalid("answers", "The word that this answers isn't there any more. Reload the page.");
        }
        Fact said = new Fact.Commented(writes.stamp(writer, writes.now()), text.strip(), true, false, false);
        String title = entry.work().definition().title();
        long change = writes.change(writer, ChangeKind.COMMENT, "Commented on " + title);
        long fact = writes.add(writer, change, work, said, Facts.Words.answering(answers));
        feedback.addFiles(fact, along);
        return new Done(change, fact);
    }

    /** Says whether a mark on a page is dealt with. */
    @Transactional
    public Done tick(Writer writer, long work, long mark, boolean done) {
        String asked = "tick " + work + " " + mark + " " + done;
        return once.run(
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), asked, writes.now()),
                Done.class,
                () -> {
                    Board.Entry entry = writes.open(writer, work);
                    boolean stands = feedback.marks(writer.student(), work).containsKey(mark)
                            && FeedbackStream.of(entry.facts(), writes.now()).stream()
                                    .anyMatch(said -> said.fact() == mark);
                    if (!stands) {
                        throw Refusal.notFound("mark");
                    }
                    String title = entry.work().definition().title();
                    long change = writes.change(
                            writer,
                            ChangeKind.OWN,
                            (done ? "Ticked off a mark on " : "Took back the tick of a mark on ") + title);
                    feedback.tick(mark, work, change, done);
                    writes.touch(writer, work, change);
                    return new Done(change, mark);
                });
    }

    @Transactional
    public Done spent(Writer writer, long work, int minutes) {
        return once.run(
                new WriteOnce.Once(
                        writer.student(), writer.person(), writer.key(), "spent " + work + " " + minutes, writes.now()),
                Done.class,
                () -> {
                    Board.Entry entry = writes.open(writer, work);
                    String title = entry.work().definition().title();
                    long change = writes.change(writer, ChangeKind.OWN, "Spent " + minutes + " min on " + title);
                    estimates.addMinutesSpent(writer.student(), work, change, writes.now(), minutes);
                    writes.touch(writer, work, change);
                    return new Done(change, work);
                });
    }

    /** Says that the student knows of a signal, so that it goes until it arises anew. */
    @Transactional
    public Done putAside(Writer writer, long work, SignalKind signal) {
        return once.run(
                new WriteOnce.Once(
                        writer.student(),
                        writer.person(),
                        writer.key(),
                        "put aside " + work + " " + signal,
                        writes.now()),
                Done.class,
                () -> {
                    Board.Entry entry = writes.open(writer, work);
                    String title = entry.work().definition().title();
                    long change = writes.change(writer, ChangeKind.OWN, "Put aside a signal of " + title);
                    long aside = writes.add(writer, change, work, stamp -> new Fact.PutAside(stamp, signal.name()));
                    return new Done(change, aside);
                });
    }

    /** The student has seen what stands now: feedback, and what others wrote in a discussion. */
    @Transactional
    public void markRead(Writer writer, long work) {
        Board.Entry entry = writes.open(writer, work);
        if (entry.feedback().unread() > 0 || hasNewPosts(entry)) {
            String title = entry.work().definition().title();
            long change = writes.change(writer, ChangeKind.READ, "Read feedback on " + title);
            writes.addRead(writer, change, work, Fact.ReadMarked::new);
        }
    }

    private boolean hasNewPosts(Board.Entry entry) {
        if (entry.work().definition().handling().parts() == null) {
            return false;
        }
        Instant seen = FeedbackStream.seen(entry.facts(), writes.now());
        return material.posts(entry.work().id(), Set.of()).stream()
                .anyMatch(post -> post.at().isAfter(seen) && !post.at().isAfter(writes.now()));
    }
}
