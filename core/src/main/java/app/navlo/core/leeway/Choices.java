package app.navlo.core.leeway;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Window;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.SchoolCalendar;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** The choices for one piece of work side by side, each with the score that it would bring. */
public final class Choices {
    private Choices() {}

    public enum Kind {
        /** What lies ready, as it is. */
        HAND_IN_NOW,
        LATE_WITHOUT_ASKING,
        ASK,
        USE_TOKENS,
        /** For the answer to what was asked for, where nothing is accepted before it. */
        WAIT,
        LET_GO,
        OPEN_KEY
    }

    /**
     * @param asking of the extension desk
     * @param using of the token desk; its due is the one in force before tokens
     * @param window that a hand-in without leeway is taken in
     * @param rawNow raw points that what is there now would earn; null where nothing can be handed in as it is
     * @param rawDone raw points that finished work would earn
     * @param doneAt when it would be finished and handed in
     * @param pending whether an extension is asked for and not answered
     */
    public record Case(
            ExtensionDesk.Asking asking,
            TokenDesk.Using using,
            Window window,
            LatePolicy policy,
            Rational possible,
            @Nullable Rational rawNow,
            Rational rawDone,
            Instant doneAt,
            boolean pending,
            SchoolCalendar calendar) {
        public Case {
            new Check()
                    .notNegative(possible, "possible")
                    .notNegative(rawNow, "rawNow")
                    .notNegative(rawDone, "rawDone")
                    .that(
                            rawNow == null || rawNow.compareTo(rawDone) <= 0,
                            "rawNow",
                            "is more than the finished work would earn")
                    .orThrow();
        }

        Instant now() {
            return asking.now();
        }

        boolean closed() {
            return !window.acceptance().openAt(now());
        }

        Rational there() {
            return rawNow == null ? Rational.ZERO : rawNow;
        }
    }

    /**
     * @param tokens that it spends
     * @param due that would judge it, or null for none
     * @param score expected, after every loss; 0 where it isn't taken
     * @param otherwise the score if the teacher says no; null where no answer is waited for
     * @param bars why it can't be chosen; empty if it can
     * @param shuts the kinds of leeway that choosing it bars from then on
     */
    public record Choice(
            Kind kind,
            int tokens,
            @Nullable Instant due,
            Rational score,
            @Nullable Rational otherwise,
            List<Bar> bars,
            List<Kind> shuts) {
        private Choice(Kind kind, int tokens, @Nullable Instant due, Rational score, List<Bar> bars, List<Kind> shuts) {
            this(kind, tokens, due, score, null, bars, shuts);
        }
    }

    /** In the order of {@link Kind}, one for each number of tokens. What can't be done at all isn't among them. */
    public static List<Choice> compare(Case of) {
        List<Choice> choices = new ArrayList<>();
        Instant due = of.window().due();
        if (of.rawNow() != null && !of.closed()) {
            choices.add(plain(Kind.HAND_IN_NOW, due, score(of, of.window(), of.rawNow(), of.now())));
        }
        Rational late = score(of, of.window(), of.rawDone(), of.doneAt());
        if (!of.closed()) {
            choices.add(plain(Kind.LATE_WITHOUT_ASKING, due, late));
        }
        if (!of.pending()) {
            choices.add(ask(of));
        }
        choices.addAll(tokens(of));
        if (of.pending() && of.closed()) {
            choices.add(waiting(of));
        }
        choices.add(plain(Kind.LET_GO, due, Rational.ZERO));
        if (!of.closed()) {
            choices.add(new Choice(Kind.OPEN_KEY, 0, due, late, List.of(), List.of(Kind.ASK, Kind.USE_TOKENS)));
        }
        return choices;
    }

    /** Finished by the due that an extension would give; where the course knows no such due, finished in time. */
    private static Choice waiting(Case of) {
        ExtensionRule rule = of.asking().rule();
        Deadline original = of.asking().due();
        boolean known = rule != null && rule.limit() > 0 && original != null;
        Instant due = known
                ? Objects.requireNonNull(rule)
                        .dueAfter(
                                of.asking().granted() + 1,
                                Objects.requireNonNull(original),
                                of.asking().zone(),
                                of.asking().gradingClose())
                : null;
        Rational granted = due == null ? of.rawDone() : score(of, moved(of.window(), due), of.rawDone(), of.doneAt());
        return new Choice(Kind.WAIT, 0, due, granted, Rational.ZERO, List.of(), List.of());
    }

    private static Choice plain(Kind kind, @Nullable Instant due, Rational score) {
        return new Choice(kind, 0, due, score, List.of(), List.of());
    }

    private static Choice ask(Case of) {
        ExtensionDesk.Answer answer = ExtensionDesk.ask(of.asking());
        ExtensionRule rule = of.asking().rule();
        if (rule == null || answer.newDue() == null) {
            return new Choice(Kind.ASK, 0, null, Rational.ZERO, answer.bars(), List.of());
        }
        Rational raw = of.rawDone();
        Instant original = of.window().due();
        boolean afterOriginal = original != null && of.doneAt().isAfter(original);
        Rational afterRule = afterOriginal ? rule.keep(of.there(), raw.minus(of.there())) : raw;
        Rational score = score(of, moved(of.window(), answer.newDue()), afterRule, of.doneAt());
        return new Choice(Kind.ASK, rule.tokens(), answer.newDue(), score, List.of(), List.of());
    }

    private static List<Choice> tokens(Case of) {
        TokenDesk.Answer answer = TokenDesk.use(of.using());
        if (!answer.may()) {
            return List.of(new Choice(Kind.USE_TOKENS, 0, null, Rational.ZERO, answer.bars(), List.of()));
        }
        List<Choice> choices = new ArrayList<>();
        for (Instant due : answer.dues()) {
            Rational score = score(of, moved(of.window(), due), of.rawDone(), of.doneAt());
            choices.add(new Choice(Kind.USE_TOKENS, choices.size() + 1, due, score, List.of(), List.of()));
        }
        return choices;
    }

    /** A due that was given lifts the item's own end up to it. */
    private static Window moved(Window window, Instant due) {
        Instant closes = window.closesAt() != null && window.closesAt().isBefore(due) ? due : window.closesAt();
        return new Window(due, closes, window.cutoff(), window.gradingClose());
    }

    private static Rational score(Case of, Window window, Rational raw, Instant handedIn) {
        return window.refusing(handedIn).isEmpty()
                ? of.policy()
                        .judge(window.due(), handedIn, of.possible(), raw, of.there(), of.calendar())
                        .score()
                : Rational.ZERO;
    }
}
