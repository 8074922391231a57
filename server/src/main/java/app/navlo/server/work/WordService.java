package app.navlo.server.work;

import app.navlo.core.feedback.FeedbackStream;
import app.navlo.core.signal.SignalKind;
import app.navlo.server.board.Board;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.FactKind;
import app.navlo.server.store.Material;
import app.navlo.server.store.Own;
import app.navlo.server.store.WriteOnce;
import app.navlo.server.work.HandInService.Done;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a student says about a piece of work, has read of it, and has spent on it. */
@Service
class WordService {
    private final WorkDesk desk;
    private final Own own;
    private final Material material;
    private final WriteOnce once;

    WordService(WorkDesk desk, Own own, Material material, WriteOnce once) {
        this.desk = desk;
        this.own = own;
        this.material = material;
        this.once = once;
    }

    /** A private comment, or the answer to one. */
    @Transactional
    public Done say(Writer writer, long work, WorkController.Comment comment) {
        return once.run(
                new WriteOnce.Once(
                        writer.student(), writer.person(), writer.key(), "comment " + work + comment, desk.now()),
                Done.class,
                () -> sayNow(writer, work, comment));
    }

    private Done sayNow(Writer writer, long work, WorkController.Comment comment) {
        Board.Entry entry = desk.open(writer, work);
        boolean answersNothing = comment.answers() != null
                && FeedbackStream.of(entry.facts(), desk.now()).stream()
                        .noneMatch(said -> said.fact() == comment.answers());
        if (answersNothing) {
            throw Refusal.invalid("answers", "The word that this answers isn't there any more. Reload the page.");
        }
        Map<String, Object> columns = new HashMap<>();
        columns.put("body", comment.text().strip());
        columns.put("is_private", true);
        columns.put("in_file", false);
        columns.put("answers_fact", comment.answers());
        String title = entry.work().definition().title();
        long change = desk.change(writer, ChangeKind.COMMENT, "Commented on " + title);
        return new Done(change, desk.add(writer, change, work, FactKind.COMMENTED, columns));
    }

    @Transactional
    public Done spent(Writer writer, long work, int minutes) {
        return once.run(
                new WriteOnce.Once(
                        writer.student(), writer.person(), writer.key(), "spent " + work + " " + minutes, desk.now()),
                Done.class,
                () -> {
                    Board.Entry entry = desk.open(writer, work);
                    String title = entry.work().definition().title();
                    long change = desk.change(writer, ChangeKind.OWN, "Spent " + minutes + " min on " + title);
                    own.addMinutesSpent(writer.student(), work, change, desk.now(), minutes);
                    desk.touch(writer, work, change);
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
                        desk.now()),
                Done.class,
                () -> {
                    Board.Entry entry = desk.open(writer, work);
                    String title = entry.work().definition().title();
                    long change = desk.change(writer, ChangeKind.OWN, "Put aside a signal of " + title);
                    Map<String, Object> columns = Map.of("body", signal.name());
                    return new Done(change, desk.add(writer, change, work, FactKind.PUT_ASIDE, columns));
                });
    }

    /** The student has seen what stands now: feedback, and what others wrote in a discussion. */
    @Transactional
    public void markRead(Writer writer, long work) {
        Board.Entry entry = desk.open(writer, work);
        if (entry.feedback().unread() > 0 || hasNewPosts(entry)) {
            String title = entry.work().definition().title();
            long change = desk.change(writer, ChangeKind.READ, "Read feedback on " + title);
            desk.add(writer, change, work, FactKind.READ_MARKED, Map.of());
        }
    }

    private boolean hasNewPosts(Board.Entry entry) {
        if (entry.work().definition().parts() == null) {
            return false;
        }
        Instant seen = FeedbackStream.seen(entry.facts(), desk.now());
        return material.posts(entry.work().id(), Set.of()).stream()
                .anyMatch(post -> post.at().isAfter(seen) && !post.at().isAfter(desk.now()));
    }
}
