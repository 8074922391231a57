package app.navlo.server.store;

import app.navlo.core.work.Fact;
import java.util.Arrays;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** The kinds of fact, as the column says them. */
public enum FactKind {
    DRAFT_STARTED(Fact.DraftStarted.class),
    ATTEMPT_BEGUN(Fact.AttemptBegun.class),
    HANDED_IN(Fact.HandedIn.class),
    POSTED(Fact.Posted.class),
    WITHDRAWN(Fact.Withdrawn.class),
    SENT_BACK(Fact.SentBack.class),
    RETURNED(Fact.Returned.class),
    SCORED(Fact.Scored.class),
    EXCUSED(Fact.Excused.class),
    FLAGGED(Fact.Flagged.class),
    EXTENSION_ASKED(Fact.ExtensionAsked.class),
    EXTENSION_GRANTED(Fact.ExtensionGranted.class),
    EXTENSION_DECLINED(Fact.ExtensionDeclined.class),
    TOKEN_USED(Fact.TokenUsed.class),
    REOPENED(Fact.Reopened.class),
    KEY_OPENED(Fact.KeyOpened.class),
    COMMENTED(Fact.Commented.class),
    RUBRIC_MARKED(Fact.RubricMarked.class),
    ANSWERS_RELEASED(Fact.AnswersReleased.class),
    READ_MARKED(Fact.ReadMarked.class),
    DUE_MOVED(Fact.DueMoved.class),
    PUT_ASIDE(Fact.PutAside.class);

    private static final Map<Class<? extends Fact>, FactKind> BY_TYPE =
            Arrays.stream(values()).collect(Collectors.toMap(kind -> kind.type, Function.identity()));

    private final Class<? extends Fact> type;

    FactKind(Class<? extends Fact> type) {
        this.type = type;
    }

    public static FactKind of(Fact fact) {
        FactKind kind = BY_TYPE.get(fact.getClass());
        if (kind == null) {
            throw new IllegalArgumentException("the store keeps no " + fact.getClass());
        }
        return kind;
    }
}
