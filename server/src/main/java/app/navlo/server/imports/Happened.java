package app.navlo.server.imports;

import app.navlo.core.work.Fact;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.server.board.Board;
import app.navlo.server.imports.SyncDelta.ToldDeed;
import app.navlo.server.store.FactKind;
import app.navlo.server.store.Sha256;
import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;

/** Tells whether what a source tells of happened here already. */
final class Happened {
    private Happened() {}

    /** Whether the same happened here at the same instant: told by another way, and no second thing. */
    static boolean isHere(ToldDeed deed, Board.@Nullable Entry entry) {
        return entry != null
                && entry.recorded().stream()
                        .anyMatch(one -> one.fact().stamp().at().equals(deed.at()) && isSame(one.fact(), deed));
    }

    private static boolean isSame(Fact fact, ToldDeed deed) {
        boolean saysSame = !(fact instanceof Fact.Commented comment)
                || comment.text().equals(deed.body().path("say").asString(""));
        boolean ofSameAttempt = !(fact instanceof Fact.AnswersReleased released)
                || released.attempt() == deed.body().path("attempt").asInt(1);
        return FactKind.of(fact).name().equals(deed.kind()) && saysSame && ofSameAttempt;
    }

    /** The same for as long as a result says the same. */
    static String resultKey(SourceSnapshot.Result result) {
        String points = result.points() == null ? "" : result.points().toString();
        return "result " + result.workKey() + " " + result.status() + " " + points + " " + result.missing() + " "
                + result.late() + " " + Sha256.of(result.comment().getBytes(StandardCharsets.UTF_8));
    }
}
