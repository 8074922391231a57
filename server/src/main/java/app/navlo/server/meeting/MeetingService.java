package app.navlo.server.meeting;

import app.navlo.core.id.WorkId;
import app.navlo.core.news.NewThing;
import app.navlo.core.news.NewThings;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.change.Changed;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.Writer;
import app.navlo.server.meeting.MeetingView.AgreementView;
import app.navlo.server.meeting.MeetingView.ReturnedView;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Agreements;
import app.navlo.server.store.Agreements.Agreement;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.time.ServerClock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The sheet for a meeting, and what is agreed there: each writing of it is one change, and can be undone. */
@Service
class MeetingService {
    private static final int USUAL_DAYS = 14;
    private static final int MOST_DAYS = 400;
    private static final Set<NewThing.Kind> GIVEN_BACK = EnumSet.of(
            NewThing.Kind.SCORE,
            NewThing.Kind.RETURNED,
            NewThing.Kind.SENT_BACK,
            NewThing.Kind.FLAG,
            NewThing.Kind.WORDS,
            NewThing.Kind.EXCUSED);

    private final Boards boards;
    private final Agreements agreements;
    private final Changes changes;
    private final OneChange one;
    private final ServerClock clock;

    MeetingService(Boards boards, Agreements agreements, Changes changes, OneChange one, ServerClock clock) {
        this.boards = boards;
        this.agreements = agreements;
        this.changes = changes;
        this.one = one;
        this.clock = clock;
    }

    /**
     * @param readersZone of who has no zone in the student's term
     * @param from the first day; null for two weeks ago
     * @throws Refusal where the span isn't one
     */
    @ReadBoard
    public MeetingView sheet(long student, ZoneId readersZone, @Nullable LocalDate from) {
        Instant now = clock.instant();
        Board board = boards.read(student, readersZone, now);
        LocalDate today = LocalDate.ofInstant(now, board.zone());
        LocalDate since = from == null ? today.minusDays(USUAL_DAYS) : from;
        if (since.isAfter(today) || ChronoUnit.DAYS.between(since, today) > MOST_DAYS) {
            throw Refusal.invalid("since", "Choose a day of the last " + MOST_DAYS + ", today at the latest.");
        }
        Instant begin = since.atStartOfDay(board.zone()).toInstant();
        List<AgreementView> agreed = agreements.of(student, changes.undone(student)).stream()
                .filter(agreement -> agreement.terms().keptAt() == null
                        || !agreement.terms().keptAt().isBefore(begin))
                .map(MeetingService::view)
                .toList();
        return new MeetingView(since, today, returned(board, begin), agreed);
    }

    private static List<ReturnedView> returned(Board board, Instant since) {
        return board.entries().stream()
                .flatMap(entry -> returned(entry, since).stream())
                .sorted(Comparator.comparing(ReturnedView::at).reversed().thenComparing(ReturnedView::work))
                .toList();
    }

    /** What was done last, but a score before all else: what a teacher did about one piece of work is one line. */
    private static Stream<ReturnedView> ofEntry(Board.Entry entry, Instant since) {
        return NewThings.of(WorkId.of(entry.work().id()), entry.facts(), null, since.minusNanos(1), entry.now())
                .stream()
                .filter(thing -> GIVEN_BACK.contains(thing.kind()))
                .map(thing -> new ReturnedView(
                        entry.work().id(),
                        thing.kind(),
                        thing.at(),
                        thing.words() == null ? "" : thing.words().text()));
    }

    private static List<ReturnedView> returned(Board.Entry entry, Instant since) {
        List<ReturnedView> all = ofEntry(entry, since).toList();
        return Stream.concat(all.stream().filter(view -> view.kind() == NewThing.Kind.SCORE), all.stream())
                .limit(1)
                .toList();
    }

    Changed agree(Writer writer, AgreementForm form) {
        Agreements.Terms terms = form.terms(null, clock.instant());
        return one.write(
                writer,
                "agreement " + form,
                ChangeKind.AGREEMENT,
                "Agreed: " + terms.words(),
                change -> agreements.add(writer.student(), change, terms));
    }

    Changed change(Writer writer, long id, AgreementForm form) {
        return one.write(writer, "agreement " + id + form, () -> {
            Agreement before = standing(writer.student(), id);
            if (writer.version() != null && writer.version() != before.number()) {
                throw Refusal.savedElsewhere(
                        "The agreement",
                        new Refusal.SavedElsewhere(before.terms().words(), before.number(), before.madeAt()));
            }
            Agreements.Terms terms = form.terms(before.terms().keptAt(), clock.instant());
            boolean kept = terms.keptAt() != null && before.terms().keptAt() == null;
            return new OneChange.Intended(
                    ChangeKind.AGREEMENT, (kept ? "Kept: " : "Changed what was agreed: ") + terms.words(), change -> {
                        agreements.revise(id, change, terms, false);
                        return id;
                    });
        });
    }

    Changed remove(Writer writer, long id) {
        return one.write(writer, "remove agreement " + id, () -> {
            Agreement before = standing(writer.student(), id);
            return new OneChange.Intended(
                    ChangeKind.AGREEMENT, "No longer agreed: " + before.terms().words(), change -> {
                        agreements.revise(id, change, before.terms(), true);
                        return id;
                    });
        });
    }

    private Agreement standing(long student, long id) {
        return agreements.of(student, changes.undone(student)).stream()
                .filter(agreement -> agreement.id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("agreement"));
    }

    private static AgreementView view(Agreement agreement) {
        Agreements.Terms terms = agreement.terms();
        return new AgreementView(
                agreement.id(),
                agreement.number(),
                terms.words(),
                terms.who(),
                terms.due(),
                terms.keptAt(),
                agreement.madeAt(),
                agreement.madeBy());
    }
}
