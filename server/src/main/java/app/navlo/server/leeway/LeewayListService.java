package app.navlo.server.leeway;

import app.navlo.core.course.CourseBook;
import app.navlo.core.course.LeewayCase;
import app.navlo.core.course.WorkAssessment;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import app.navlo.core.leeway.Bar;
import app.navlo.core.leeway.Choices;
import app.navlo.core.leeway.Choices.Choice;
import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.leeway.Readiness;
import app.navlo.core.leeway.TokenBank;
import app.navlo.core.leeway.TokenBank.Candidate;
import app.navlo.core.leeway.TokenRule;
import app.navlo.core.next.NextPlan.Planned;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.Fact;
import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.next.NextService;
import app.navlo.server.next.PlansInTurn;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.Drafts;
import app.navlo.server.store.FactKind;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** Puts the choices of all work side by side. */
@Service
class LeewayListService {
    private final PlansInTurn plans;
    private final Drafts drafts;
    private final ServerClock clock;

    LeewayListService(PlansInTurn plans, Drafts drafts, ServerClock clock) {
        this.plans = plans;
        this.drafts = drafts;
        this.clock = clock;
    }

    public LeewayListView read(long student, Person reader) {
        NextService.Made made = plans.make(student, ZoneId.of(reader.zone()), null, clock.instant());
        Map<WorkId, Instant> finished = new HashMap<>();
        for (Planned planned : made.plan().planned()) {
            if (!planned.sittings().isEmpty()) {
                finished.put(planned.work(), planned.finish());
            }
        }
        Map<Long, Drafts.Lying> lying = drafts.lying(student);
        Map<Long, LeewayCase> cases = new HashMap<>();
        List<LeewayCaseView> views = new ArrayList<>();
        for (Board.Entry entry : made.board().entries()) {
            if (concerns(entry)) {
                Instant doneAt = finished.getOrDefault(entry.finding().id(), ifBegunNow(entry, made));
                LeewayCase one = entry.book().leeway(entry.finding().id(), doneAt, ready(entry, lying));
                cases.put(entry.work().id(), one);
                views.add(view(entry, one));
            }
        }
        views.sort(Comparator.comparing(LeewayCaseView::until, Comparator.nullsLast(Comparator.naturalOrder())));
        return new LeewayListView(views, banks(made.board(), cases), history(made.board()));
    }

    private static Readiness ready(Board.Entry entry, Map<Long, Drafts.Lying> lying) {
        Drafts.Lying here = lying.getOrDefault(entry.work().id(), Drafts.Lying.NOTHING);
        return new Readiness(
                here.files(),
                entry.work().definition().rules().filesWanted(),
                here.text(),
                entry.effort().spent(),
                entry.effort().minutes());
    }

    /** What may have some, or has asked for some. */
    private static boolean concerns(Board.Entry entry) {
        boolean toDo = entry.state().mayHandIn() && !entry.state().handInStands();
        boolean may =
                entry.finding().extension().may() || entry.finding().tokens().may();
        return (toDo && may) || entry.extensionPending();
    }

    private static Instant ifBegunNow(Board.Entry entry, NextService.Made made) {
        long left = Math.max(1, entry.finding().work().minutes());
        for (Stretch free : made.free()) {
            if (free.minutes() >= left) {
                return free.start().plus(Duration.ofMinutes(left));
            }
            left -= free.minutes();
        }
        return made.board().now();
    }

    private static LeewayCaseView view(Board.Entry entry, LeewayCase one) {
        WorkAssessment finding = entry.finding();
        Instant askUntil = finding.extension().may() ? finding.extension().until() : null;
        Instant useUntil = finding.tokens().may() ? finding.tokens().until() : null;
        ExtensionRule rule = entry.book().rules().extension();
        return new LeewayCaseView(
                entry.work().id(),
                Stream.of(Optional.ofNullable(askUntil), Optional.ofNullable(useUntil))
                        .flatMap(Optional::stream)
                        .max(Comparator.naturalOrder())
                        .orElse(null),
                finding.extension().may(),
                askUntil,
                finding.extension().newDue(),
                rule != null && rule.answered() == ExtensionRule.Answered.AT_ONCE,
                words(finding.extension().bars()),
                finding.tokens().may(),
                finding.tokens().dues(),
                entry.extensionPending(),
                entry.facts().stream().anyMatch(Fact.KeyOpened.class::isInstance),
                rule(entry.book()),
                one.doneAt(),
                Figures.text(finding.item().marking().possible()),
                one.choices().stream()
                        .map(choice ->
                                choice(choice, one.best().filter(choice::equals).isPresent()))
                        .toList(),
                one.lines().stream().map(LeewayListService::line).toList(),
                Figures.text(one.leewayBrings()));
    }

    private static List<String> words(List<Bar> bars) {
        return bars.stream().map(Bar::template).toList();
    }

    private static ChoiceView choice(Choice choice, boolean best) {
        return new ChoiceView(
                choice.kind(),
                choice.tokens(),
                choice.due(),
                Figures.text(choice.score()),
                Figures.textOrNull(choice.otherwise()),
                words(choice.bars()),
                best,
                choice.shuts());
    }

    private static LeewayLineView line(LeewayCase.Line line) {
        return new LeewayLineView(
                line.kind(),
                line.tokens(),
                line.steps().stream()
                        .map(step -> new LeewayStepView(step.handedIn(), Figures.text(step.score())))
                        .toList());
    }

    /** The rule of the course, in one sentence. */
    private static String rule(CourseBook book) {
        List<String> parts = new ArrayList<>();
        ExtensionRule extension = book.rules().extension();
        if (extension != null) {
            parts.add("an extension of " + extension.lengthDays() + (extension.lengthDays() == 1 ? " day" : " days")
                    + " from the original due, asked for until "
                    + (extension.after().isZero() ? "that due, " : hours(extension.after()) + " after it, ")
                    + (extension.answered() == ExtensionRule.Answered.AT_ONCE
                            ? "given at once"
                            : "decided by the teacher")
                    + (extension.limit() == 1 ? ", once" : ", at most " + extension.limit() + " times")
                    + (extension.penaltyPercent().signum() > 0
                            ? ", for " + Figures.text(extension.penaltyPercent()) + " % of what is earned after the due"
                            : ""));
        }
        TokenRule tokens = book.rules().tokens();
        if (tokens != null) {
            parts.add("a bank of " + tokens.bank() + " tokens, each " + hours(tokens.span()) + ", at most "
                    + tokens.most() + " on one piece of work");
        }
        return "The course gives " + String.join("; and ", parts) + ".";
    }

    private static String hours(Duration span) {
        long hours = span.toHours();
        return hours % 24 == 0 && hours > 0
                ? hours / 24 + (hours == 24 ? " day" : " days")
                : hours + (hours == 1 ? " hour" : " hours");
    }

    private static List<BankView> banks(Board board, Map<Long, LeewayCase> cases) {
        List<BankView> banks = new ArrayList<>();
        board.books().forEach((course, book) -> {
            TokenRule rule = book.rules().tokens();
            if (rule != null) {
                banks.add(bank(course, book, rule, cases));
            }
        });
        return banks;
    }

    private static BankView bank(long course, CourseBook book, TokenRule rule, Map<Long, LeewayCase> cases) {
        List<Candidate> candidates = cases.entrySet().stream()
                .filter(one -> book.has(WorkId.of(one.getKey()))
                        && one.getValue().finding().tokens().may())
                .map(one -> candidate(book, one.getKey(), one.getValue()))
                .sorted(Comparator.comparing(Candidate::id))
                .toList();
        TokenBank.BestUse best = TokenBank.bestUse(book.tokensLeft(), candidates);
        Rational without =
                Rational.sum(candidates.stream().map(one -> one.values().get(0)).toList());
        return new BankView(
                course,
                book.tokensLeft(),
                rule.bank(),
                best.uses().entrySet().stream()
                        .map(use -> new BankUseView(use.getKey().number(), use.getValue()))
                        .toList(),
                Figures.text(best.total().minus(without)));
    }

    /** What it brings the course in percent without tokens, with one, with two. */
    private static Candidate candidate(CourseBook book, long work, LeewayCase one) {
        List<Rational> values = new ArrayList<>();
        for (Choice choice : one.choices()) {
            if (choice.kind() == Choices.Kind.LATE_WITHOUT_ASKING) {
                values.add(0, worth(book, one.finding(), choice.score()));
            } else if (choice.kind() == Choices.Kind.USE_TOKENS && choice.bars().isEmpty()) {
                values.add(worth(book, one.finding(), choice.score()));
            }
        }
        return new Candidate(WorkId.of(work), values);
    }

    private static Rational worth(CourseBook book, WorkAssessment finding, Rational score) {
        Rational rises = book.moves(finding.id(), score).minus(book.moves(finding.id(), Rational.ZERO));
        return book.percent(rises).max(Rational.ZERO);
    }

    private static final Set<FactKind> OF_LEEWAY = EnumSet.of(
            FactKind.EXTENSION_ASKED,
            FactKind.EXTENSION_GRANTED,
            FactKind.EXTENSION_DECLINED,
            FactKind.TOKEN_USED,
            FactKind.KEY_OPENED);

    private static List<LeewayEventView> history(Board board) {
        return board.entries().stream()
                .flatMap(entry -> entry.recorded().stream()
                        .flatMap(recorded -> event(entry.work().id(), recorded).stream()))
                .sorted(Comparator.comparing(LeewayEventView::at).reversed())
                .toList();
    }

    private static Optional<LeewayEventView> event(long work, RecordedFact recorded) {
        Fact fact = recorded.fact();
        FactKind kind = FactKind.of(fact);
        if (!OF_LEEWAY.contains(kind)) {
            return Optional.empty();
        }
        Instant due =
                fact instanceof Fact.ExtensionGranted granted ? granted.due().instant() : null;
        return Optional.of(
                new LeewayEventView(work, kind, fact.stamp().at(), fact.stamp().name(), due));
    }
}
