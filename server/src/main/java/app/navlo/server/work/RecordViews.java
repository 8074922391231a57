package app.navlo.server.work;

import app.navlo.core.course.CourseBook;
import app.navlo.core.exact.Rational;
import app.navlo.core.reason.Reason;
import app.navlo.core.reason.Sentences;
import app.navlo.core.reconcile.Disagreement;
import app.navlo.core.reconcile.Reconciled;
import app.navlo.core.reconcile.RecordEntry;
import app.navlo.core.work.WorkState;
import app.navlo.server.board.Board;
import app.navlo.server.store.Material;
import app.navlo.server.work.MaterialView.DisagreementView;
import app.navlo.server.work.MaterialView.RecordView;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Puts the two records of a piece of work side by side. */
final class RecordViews {
    private RecordViews() {}

    static RecordView of(Board.Entry entry, Material.OtherRecord other) {
        ZoneId zone = entry.course().details().zone();
        RecordEntry site = site(entry);
        RecordEntry book = new RecordEntry(
                other.toldBy(), null, other.title(), other.due(), other.handedIn(), other.points(), other.missing());
        CourseBook course = entry.book();
        Instant settles = course.turnaround().nextGradingDay(course.rules().calendar(), entry.now());
        Reconciled.Said same = new Reconciled.Said(site.id(), book.id(), true);
        List<DisagreementView> disagreements =
                Reconciled.of(List.of(site), List.of(book), List.of(same), settles).disagreements().stream()
                        .map(one -> disagreement(one, other.toldBy(), zone))
                        .toList();
        return new RecordView(other.toldBy(), other.toldAt(), words(site, zone), words(book, zone), disagreements);
    }

    private static RecordEntry site(Board.Entry entry) {
        WorkState state = entry.state();
        return new RecordEntry(
                Long.toString(entry.work().id()),
                null,
                entry.work().definition().title(),
                state.due(),
                state.handInStands() ? state.handedInAt() : null,
                entry.finding().outcome().keptRaw(),
                state.missing());
    }

    private static DisagreementView disagreement(Disagreement one, String toldBy, ZoneId zone) {
        String believe =
                one.kind().believe() == Disagreement.Source.BOOK ? "Believe " + toldBy : "Believe what is here";
        return new DisagreementView(
                Sentences.write(Reason.of(one.kind()), zone),
                believe,
                one.settledBy(),
                one.kind().toDo());
    }

    private static String words(RecordEntry entry, ZoneId zone) {
        List<String> words = new ArrayList<>();
        words.add(
                entry.handedInAt() == null ? "no hand-in" : "turned in " + Sentences.moment(entry.handedInAt(), zone));
        words.add(scored(entry.points()));
        if (entry.missing()) {
            words.add("listed as missing");
        }
        if (entry.due() != null) {
            words.add("due " + Sentences.moment(entry.due(), zone));
        }
        return String.join(", ", words);
    }

    private static String scored(@Nullable Rational points) {
        return points == null ? "no score" : "scored " + Sentences.number(points);
    }
}
