package app.navlo.server.workdetail;

import app.navlo.core.course.TwoRecords;
import app.navlo.core.exact.Rational;
import app.navlo.core.reason.Reason;
import app.navlo.core.reason.Sentences;
import app.navlo.core.reconcile.RecordEntry;
import app.navlo.core.work.WorkState;
import app.navlo.server.board.Board;
import app.navlo.server.board.BoardSignals;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.Material;
import app.navlo.server.workdetail.MaterialView.DisagreementView;
import app.navlo.server.workdetail.MaterialView.RecordView;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** Puts the two records of a piece of work side by side. */
final class RecordMapper {
    private RecordMapper() {}

    static RecordView of(Board.Entry entry, Material.OtherRecord other) {
        ZoneId zone = entry.course().details().zone();
        RecordEntry book = BoardSignals.entry(other);
        List<DisagreementView> disagreements = TwoRecords.compare(entry.book(), entry.finding(), book).stream()
                .map(one -> disagreement(one, zone))
                .toList();
        return new RecordView(other.toldBy(), other.toldAt(), here(entry, zone), there(book, zone), disagreements);
    }

    private static DisagreementView disagreement(TwoRecords.Difference one, ZoneId zone) {
        return new DisagreementView(
                Sentences.write(Reason.of(one.kind()), zone),
                one.explained() == null ? null : Sentences.write(Reason.of(one.explained()), zone),
                one.points().isZero() ? null : Figures.text(one.points()),
                Sentences.write(one.advice(), zone));
    }

    private static String here(Board.Entry entry, ZoneId zone) {
        WorkState state = entry.state();
        List<String> words = new ArrayList<>();
        words.add(
                state.handInStands() && state.handedInAt() != null
                        ? "turned in " + Sentences.moment(state.handedInAt(), zone)
                        : "no hand-in");
        Rational raw = entry.finding().outcome().keptRaw();
        Rational kept = entry.finding().outcome().kept();
        words.add(scored(raw));
        if (kept != null && !Objects.equals(kept, raw)) {
            words.add(Sentences.number(kept) + " after the late penalty");
        }
        if (state.missing()) {
            words.add("listed as missing");
        }
        if (state.due() != null) {
            words.add("due " + Sentences.moment(state.due(), zone));
        }
        return String.join(", ", words);
    }

    /** A gradebook often knows of no hand-in at all; that says nothing. */
    private static String there(RecordEntry book, ZoneId zone) {
        List<String> words = new ArrayList<>();
        if (book.handedInAt() != null) {
            words.add("turned in " + Sentences.moment(book.handedInAt(), zone));
        }
        words.add(scored(book.points()));
        if (book.missing()) {
            words.add("listed as missing");
        }
        if (book.due() != null) {
            words.add("due " + Sentences.moment(book.due(), zone));
        }
        return String.join(", ", words);
    }

    private static String scored(@Nullable Rational points) {
        return points == null ? "no score" : "scored " + Sentences.number(points);
    }
}
