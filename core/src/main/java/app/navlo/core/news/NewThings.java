package app.navlo.core.news;

import app.navlo.core.id.WorkId;
import app.navlo.core.news.NewThing.Kind;
import app.navlo.core.work.Actor;
import app.navlo.core.work.Fact;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Finds what is new about a piece of work: what teachers and schools did, and what time alone brought. */
public final class NewThings {
    /** What one person does to a piece of work within this time is done in one go. */
    private static final Duration TOGETHER = Duration.ofMinutes(5);

    private NewThings() {}

    /**
     * What can be seen since an instant and wasn't before, newest first. One's own deeds aren't among it, nor a score that is still
     * hidden; a score and the words that came with it are one thing.
     *
     * @param id of the work
     * @param facts of it, in any order
     * @param closed when it closed with nothing handed in; null where it didn't, or that is no loss
     * @param since excluded
     * @param now included
     */
    public static List<NewThing> of(
            WorkId id, Collection<Fact> facts, @Nullable Instant closed, Instant since, Instant now) {
        List<Fact> shown = facts.stream()
                .filter(fact -> fact.stamp().by() != Actor.STUDENT)
                .filter(fact -> shownAt(fact).isAfter(since) && !shownAt(fact).isAfter(now))
                .toList();
        Set<Fact> told = new HashSet<>();
        List<NewThing> things = new ArrayList<>();
        for (Fact fact : shown) {
            Kind kind = kind(fact);
            if (kind != null && kind != Kind.WORDS) {
                Fact.Commented words = wordsWith(fact, shown, told);
                if (words != null) {
                    told.add(words);
                }
                things.add(thing(fact, kind, words));
            }
        }
        shown.stream()
                .filter(fact -> kind(fact) == Kind.WORDS && !told.contains(fact))
                .forEach(fact -> things.add(thing(fact, Kind.WORDS, null)));
        if (closed != null && closed.isAfter(since) && !closed.isAfter(now)) {
            things.add(new NewThing("closed " + id + " " + closed, Kind.CLOSED, closed, closed, null, null));
        }
        things.sort(Comparator.comparing(NewThing::shownAt)
                .thenComparing(NewThing::key)
                .reversed());
        return things;
    }

    private static NewThing thing(Fact fact, Kind kind, Fact.@Nullable Commented words) {
        return new NewThing("fact " + fact.stamp().order(), kind, fact.stamp().at(), shownAt(fact), fact, words);
    }

    /** A release of answers may be told before it happens, and most of what happens is learnt later. */
    static Instant shownAt(Fact fact) {
        Instant at = fact.stamp().at();
        Instant learnt = fact.stamp().learnt();
        return at.isAfter(learnt) ? at : learnt;
    }

    /** Null for what nobody needs to be told. */
    private static @Nullable Kind kind(Fact fact) {
        if (fact instanceof Fact.Scored scored) {
            return scored.posted() ? Kind.SCORE : null;
        }
        if (fact instanceof Fact.Commented
                || fact instanceof Fact.RubricMarked
                || fact instanceof Fact.AnswersReleased) {
            return Kind.WORDS;
        }
        if (fact instanceof Fact.Flagged) {
            return Kind.FLAG;
        }
        if (fact instanceof Fact.ExtensionGranted || fact instanceof Fact.ExtensionDeclined) {
            return Kind.ANSWER;
        }
        if (fact instanceof Fact.DueMoved) {
            return Kind.DUE;
        }
        if (fact instanceof Fact.SentBack) {
            return Kind.SENT_BACK;
        }
        if (fact instanceof Fact.Returned) {
            return Kind.RETURNED;
        }
        if (fact instanceof Fact.Excused) {
            return Kind.EXCUSED;
        }
        return fact instanceof Fact.Reopened ? Kind.REOPENED : null;
    }

    private static Duration apart(Fact one, Fact other) {
        return Duration.between(one.stamp().at(), other.stamp().at()).abs();
    }

    private static Fact.@Nullable Commented wordsWith(Fact fact, List<Fact> shown, Set<Fact> told) {
        return shown.stream()
                .filter(other -> other instanceof Fact.Commented && !told.contains(other))
                .map(Fact.Commented.class::cast)
                .filter(said -> said.stamp().name().equals(fact.stamp().name()))
                .filter(said -> apart(said, fact).compareTo(TOGETHER) <= 0)
                .min(Comparator.comparing(said -> apart(said, fact)))
                .orElse(null);
    }
}
