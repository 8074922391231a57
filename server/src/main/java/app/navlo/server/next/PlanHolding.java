package app.navlo.server.next;

import app.navlo.core.id.WorkId;
import app.navlo.core.next.Held;
import app.navlo.core.next.NextPlan;
import app.navlo.server.store.Changes;
import app.navlo.server.store.HeldPlans;
import app.navlo.server.store.HeldPlans.Earlier;
import app.navlo.server.store.HeldPlans.HeldPlan;
import app.navlo.server.store.HeldPlans.Turned;
import app.navlo.server.store.Sha256;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the plan that holds, so that it stays while only minutes pass, and is the same on two devices. */
@Component
class PlanHolding {
    /** For so long it is said what changed last. */
    private static final Duration SAID = Duration.ofHours(3);

    private static final int PARTS_OF_LEFT = 3;

    private final HeldPlans plans;
    private final Changes changes;

    PlanHolding(HeldPlans plans, Changes changes) {
        this.plans = plans;
        this.changes = changes;
    }

    /**
     * @param seen names what is stored of the student now
     * @param asked names what is asked of the plan now
     * @param row null for none yet
     */
    record Holding(String seen, String asked, @Nullable HeldPlan row) {
        Holding with(HeldPlan held) {
            return new Holding(seen, asked, held);
        }

        /** Null where none was made of what is asked. */
        @Nullable
        Held held() {
            if (row == null) {
                return null;
            }
            if (row.asked().equals(asked)) {
                return read(row.works(), !row.seen().equals(seen));
            }
            Earlier earlier = row.earlier();
            return earlier == null || !earlier.asked().equals(asked) ? null : read(earlier.works(), false);
        }

        private Optional<NextPlan.Turn> turn(NextPlan plan) {
            return row == null ? Optional.empty() : plan.turned(read(row.works(), true));
        }
    }

    /**
     * As the plan is read, in the transaction of the board.
     *
     * @param asked all that is asked of the plan
     */
    Holding of(long student, String asked) {
        Changes.Mark mark = changes.mark(student);
        return new Holding(mark.last() + " " + mark.count(), Sha256.of(asked), row(student));
    }

    @Nullable
    HeldPlan row(long student) {
        return plans.of(student).orElse(null);
    }

    /** What was turned over last stays news until then; null where nothing is. */
    static @Nullable Instant saidUntil(@Nullable Turned turned) {
        return turned == null ? null : turned.at().plus(SAID);
    }

    /** What was turned over last, if that is still news and planned or left out as it was. */
    Optional<Turned> turned(Holding holding, NextPlan plan, Instant now) {
        Optional<Turned> last = Optional.ofNullable(holding.row())
                .map(HeldPlan::turned)
                .filter(one -> !one.at().isAfter(now) && one.at().plus(SAID).isAfter(now))
                .filter(one -> stillSo(one, plan));
        return holding.turn(plan)
                .map(turn -> new Turned(turn.kind().name(), turn.work().number(), now))
                .or(() -> last);
    }

    private static boolean stillSo(Turned last, NextPlan plan) {
        WorkId work = WorkId.of(last.work());
        return last.how().equals(NextPlan.Turn.Kind.UP.name())
                ? plan.planned().stream().anyMatch(one -> one.work().equals(work))
                : plan.left().stream().anyMatch(one -> one.work().equals(work));
    }

    /** Keeps a plan where it is another than the one that holds. @return what holds then */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public HeldPlan keep(long student, Holding holding, NextPlan plan, @Nullable Turned turned, Instant now) {
        String works = write(plan.held());
        HeldPlan row = holding.row();
        if (row != null
                && row.works().equals(works)
                && row.seen().equals(holding.seen())
                && row.asked().equals(holding.asked())) {
            return row;
        }
        HeldPlan kept = new HeldPlan(student, now, holding.seen(), holding.asked(), works, earlier(holding), turned);
        plans.keep(kept, row);
        return kept;
    }

    private static @Nullable Earlier earlier(Holding holding) {
        HeldPlan row = holding.row();
        if (row == null) {
            return null;
        }
        return row.asked().equals(holding.asked()) ? row.earlier() : new Earlier(row.asked(), row.works());
    }

    /** "57:3:0:0 64:2:0 61:1:1:1": all in order, each with its losses that lie ahead, its way, and its place if it is planned. */
    private static String write(Held held) {
        return held.pieces().stream()
                .map(piece -> piece.work() + ":" + piece.losses() + ":" + piece.mode()
                        + (piece.place() < 0 ? "" : ":" + piece.place()))
                .collect(Collectors.joining(" "));
    }

    private static Held read(String works, boolean changed) {
        List<Held.Piece> pieces = new ArrayList<>();
        for (String piece : works.isEmpty() ? new String[0] : works.split(" ")) {
            String[] parts = piece.split(":");
            int place = parts.length > PARTS_OF_LEFT ? Integer.parseInt(parts[PARTS_OF_LEFT]) : -1;
            pieces.add(new Held.Piece(
                    new WorkId(parts[0]), Integer.parseInt(parts[1]), Integer.parseInt(parts[2]), place));
        }
        return new Held(pieces, changed);
    }
}
