package app.navlo.server.workdetail;

import app.navlo.core.reason.Sentences;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.Fact;
import app.navlo.core.work.GateState;
import app.navlo.core.work.HandInRules;
import app.navlo.core.work.Stage;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkState;
import app.navlo.server.account.Sights;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.board.WorkMapper;
import app.navlo.server.feedback.SaidMapper;
import app.navlo.server.files.Enclosures;
import app.navlo.server.outbox.SchoolBox;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Drafts;
import app.navlo.server.store.Feedback;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.Outbox;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.StoredFile;
import app.navlo.server.store.Work;
import app.navlo.server.store.Works;
import app.navlo.server.time.ServerClock;
import app.navlo.server.workdetail.WorkDetail.LifeKind;
import app.navlo.server.workdetail.WorkDetail.LifeLine;
import app.navlo.server.workdetail.WorkDetail.Receipt;
import app.navlo.server.workdetail.WorkDetail.ReceiptFile;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Reads one piece of work with its life, hand-ins and draft. */
@Service
@ReadBoard
public class WorkDetailService {
    private static final Duration TOLD_AT_ONCE = Duration.ofMinutes(1);

    private final Boards boards;
    private final Works works;
    private final Changes changes;
    private final HandIns handIns;
    private final Drafts drafts;
    private final Feedback feedback;
    private final WorkMaterial material;
    private final SchoolBox box;
    private final Outbox outbox;
    private final Sights sights;
    private final ServerClock clock;

    WorkDetailService(
            Boards boards,
            Works works,
            Changes changes,
            HandIns handIns,
            Drafts drafts,
            Feedback feedback,
            WorkMaterial material,
            SchoolBox box,
            Outbox outbox,
            Sights sights,
            ServerClock clock) {
        this.sights = sights;
        this.outbox = outbox;
        this.box = box;
        this.feedback = feedback;
        this.material = material;
        this.boards = boards;
        this.works = works;
        this.changes = changes;
        this.handIns = handIns;
        this.drafts = drafts;
        this.clock = clock;
    }

    public WorkDetail read(long student, long work) {
        return read(student, work, true);
    }

    /** @param own whether who reads is the student: nobody else sees notes of one's own */
    WorkDetail read(long student, long work, boolean own) {
        Board.Entry entry = boards.one(student, work, clock.instant());
        Work.Definition definition = entry.work().definition();
        WorkState state = entry.state();
        ZoneId zone = entry.course().details().zone();
        Set<Long> undone = changes.undone(student);
        String instructions = works.instructions(work, undone);
        boolean words = sights.of(student).words();
        SaidMapper all = SaidMapper.read(feedback, student, work, undone);
        SaidMapper said = words ? all : all.withoutWords();
        MaterialView given = material.read(entry, said, words, undone);
        List<Receipt> receipts = receipts(entry);
        Optional<Drafts.Draft> draft = drafts.find(work);
        WorkItem item = entry.finding().item();
        boolean yours = state.mayHandIn() && item.expectsHandIn();
        return new WorkDetail(
                WorkMapper.of(
                        entry,
                        own,
                        files(entry, receipts, draft),
                        given.attachments().size()),
                WorkDetail.BecauseView.of(state.because(), zone),
                entry.course().details().name(),
                zone.getId(),
                instructions,
                WorkDetail.TakesView.of(definition.handling().takes()),
                WorkDetail.TakesView.of(Enclosures.PHOTOS),
                WorkDetail.TakesView.of(Enclosures.ANY),
                state.acceptance().ends(),
                state.acceptance().endedBy(),
                entry.costs().stream().map(WorkMapper::cost).toList(),
                WorthMapper.of(entry),
                life(entry, zone),
                own ? entry.notes().stream().map(WorkDetail.NoteView::of).toList() : List.of(),
                Figures.textOrNull(entry.own().expectedPercent()),
                entry.effort().spent(),
                given,
                words ? said.of(entry) : List.of(),
                words ? receipts : receipts.stream().map(Receipt::withoutWords).toList(),
                draft(draft.filter(any -> words)),
                yours ? null : Sentences.write(state.because().move(), zone),
                box.counter(student, work)
                        .map(one -> new WorkDetail.CounterView(one.school(), one.paused()))
                        .orElse(null),
                outbox.of(work)
                        .map(parcel -> new WorkDetail.OnItsWayView(
                                parcel.kind(), parcel.madeAt(), parcel.unknownSince() != null))
                        .orElse(null),
                HandInRules.mayHandIn(item, state),
                HandInRules.mayRecord(item, state),
                HandInRules.mayPost(item, state),
                entry.mayWithdraw(),
                entry.mayWithdraw()
                        ? WorkDetail.TakenBackView.of(
                                entry.book().takenBack(entry.finding().id()))
                        : null,
                form(definition, instructions, zone),
                entry.work().origin() == Work.Origin.TYPED);
    }

    /** What handing in now would come to. */
    @ReadBoard
    public WorkDetail.IfHandedInView ifHandedIn(long student, long work) {
        Board.Entry entry = boards.one(student, work, clock.instant());
        WorkState state = entry.state();
        boolean late = HandInRules.wouldBeLate(state, entry.now());
        return new WorkDetail.IfHandedInView(
                state.dueToCome(),
                late,
                state.toComplete(),
                late ? WorthMapper.penalty(entry.finding(), entry.now()) : null);
    }

    /** @throws Refusal if this student has no such hand-in of that work */
    public Receipt receipt(long student, long work, long handIn) {
        return receipts(boards.one(student, work, clock.instant())).stream()
                .filter(receipt -> receipt.id() == handIn)
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("hand-in"));
    }

    private int files(Board.Entry entry, List<Receipt> receipts, Optional<Drafts.Draft> draft) {
        Long standing = entry.standingHandIn();
        return standing == null
                ? draft.map(d -> d.files().size()).orElse(0)
                : receipts.stream()
                        .filter(receipt -> receipt.id() == standing)
                        .mapToInt(receipt -> receipt.files().size())
                        .sum();
    }

    private static WorkDetail.DraftView draft(Optional<Drafts.Draft> draft) {
        return draft.map(lying -> new WorkDetail.DraftView(
                        lying.number(),
                        lying.text(),
                        lying.savedAt(),
                        lying.files().stream()
                                .map(file -> new WorkDetail.DraftFileView(
                                        file.id(),
                                        file.file().name(),
                                        file.file().mediaType(),
                                        file.file().size()))
                                .toList()))
                .orElseGet(() -> new WorkDetail.DraftView(0, "", null, List.of()));
    }

    private static List<LifeLine> life(Board.Entry entry, ZoneId zone) {
        return entry.recorded().stream()
                .filter(fact -> !fact.fact().stamp().at().isAfter(entry.now()))
                .filter(fact -> !(fact.fact() instanceof Fact.ReadMarked) && !(fact.fact() instanceof Fact.PutAside))
                .sorted(Comparator.comparing(
                                (RecordedFact fact) -> fact.fact().stamp().at())
                        .thenComparingLong(RecordedFact::id))
                .map(fact -> line(fact, zone))
                .toList();
    }

    private static LifeLine line(RecordedFact recorded, ZoneId zone) {
        Fact fact = recorded.fact();
        Instant at = fact.stamp().at();
        Instant learnt = fact.stamp().learnt();
        boolean later = Duration.between(at, learnt).compareTo(TOLD_AT_ONCE) > 0;
        return new LifeLine(
                recorded.id(),
                at,
                later ? learnt : null,
                fact.stamp().by(),
                fact.stamp().name(),
                LifeKind.of(fact),
                HistoryWords.of(fact, zone),
                recorded.body(),
                fact instanceof Fact.HandedIn ? recorded.id() : null);
    }

    private List<Receipt> receipts(Board.Entry entry) {
        List<Receipt> receipts = new ArrayList<>();
        for (RecordedFact recorded : entry.recorded()) {
            if (recorded.fact() instanceof Fact.HandedIn handedIn
                    && !handedIn.stamp().at().isAfter(entry.now())) {
                receipts.add(receipt(entry, recorded, handedIn));
            }
        }
        receipts.sort(
                Comparator.comparing(Receipt::at).thenComparing(Receipt::id).reversed());
        return receipts;
    }

    private Receipt receipt(Board.Entry entry, RecordedFact recorded, Fact.HandedIn handedIn) {
        HandIns.Content content =
                handIns.find(recorded.id()).orElseGet(() -> new HandIns.Content(null, null, List.of()));
        List<ReceiptFile> files = new ArrayList<>();
        for (StoredFile file : content.files()) {
            files.add(new ReceiptFile(files.size() + 1, file.name(), file.mediaType(), file.size(), file.sha256()));
        }
        HandIns.SchoolReceipt taken = handIns.receiptOf(recorded.id()).orElse(null);
        WorkState then = stateJustAfter(entry, recorded);
        boolean isRedo = then.redo() != null && then.redo().due() != null;
        return new Receipt(
                recorded.id(),
                entry.work().definition().title(),
                entry.course().details().name(),
                handedIn.attempt(),
                handedIn.content(),
                handedIn.stamp().at(),
                entry.course().details().zone().getId(),
                isRedo ? Objects.requireNonNull(then.redo()).timing() : then.timing(),
                isRedo ? Objects.requireNonNull(then.redo()).due() : then.due(),
                stands(entry, recorded),
                content.text(),
                content.note(),
                taken == null ? null : taken.school(),
                taken == null ? null : taken.number(),
                files);
    }

    /** It is what was handed in last, or an attempt beside it that may be the one that is kept. */
    private static boolean stands(Board.Entry entry, RecordedFact handIn) {
        if (Objects.equals(entry.standingHandIn(), handIn.id())) {
            return true;
        }
        boolean sentBack = entry.state().stage() == Stage.SENT_BACK;
        return !sentBack
                && entry.state().attempts().list().stream()
                        .anyMatch(attempt -> handIn.fact().stamp().at().equals(attempt.handedIn()));
    }

    /** How the work stood at the instant of the hand-in, so that a receipt never changes its word. */
    private static WorkState stateJustAfter(Board.Entry entry, RecordedFact handIn) {
        List<Fact> until = entry.recorded().stream()
                .map(RecordedFact::fact)
                .filter(fact -> !isLater(fact, handIn.fact()))
                .toList();
        return WorkState.of(
                entry.finding().item(),
                until,
                GateState.OPEN,
                Duration.ofHours(entry.course().rules().soonHours()),
                handIn.fact().stamp().at());
    }

    private static boolean isLater(Fact fact, Fact handIn) {
        return fact.stamp().at().equals(handIn.stamp().at())
                && fact.stamp().order() > handIn.stamp().order();
    }

    private static WorkForm form(Work.Definition definition, String instructions, ZoneId zone) {
        return new WorkForm(
                definition.courseId(),
                definition.title(),
                definition.kind(),
                definition.unit(),
                definition.category(),
                definition.required(),
                definition.opensAt() == null
                        ? null
                        : definition.opensAt().atZone(zone).toLocalDate(),
                definition.due() instanceof Deadline.EndOfDay end
                        ? end.day()
                        : definition.due() == null
                                ? null
                                : definition.due().instant().atZone(zone).toLocalDate(),
                definition.due() instanceof Deadline.At at
                        ? at.instant().atZone(zone).toLocalTime()
                        : null,
                definition.rules().appointment() == null
                        ? null
                        : definition.rules().appointment().endsAt().atZone(zone).toLocalTime(),
                points(definition),
                definition.effortMinutes(),
                definition.rules().address(),
                instructions,
                definition.rules().standards(),
                definition.rules().extra());
    }

    private static @Nullable String points(Work.Definition definition) {
        return definition.marking().possible().isZero()
                ? null
                : Figures.text(definition.marking().possible());
    }
}
