package app.navlo.server.sheet;

import app.navlo.core.policy.Base;
import app.navlo.core.policy.LatePolicy;
import app.navlo.core.policy.Measure;
import app.navlo.core.policy.Penalty;
import app.navlo.core.reason.Sentences;

/** Says a late policy in one plain sentence. */
public final class PolicyWords {
    private PolicyWords() {}

    public static String of(LatePolicy policy) {
        if (policy.isAssumed()) {
            return "Nobody has said what late work costs here; where a figure is needed, 20 % off at the due and 10 % more"
                    + " each day is assumed, for 7 days";
        }
        StringBuilder words = new StringBuilder(penalty(policy.penalty()));
        if (!policy.grace().isZero()) {
            words.append(", after a grace of ").append(Sentences.span(policy.grace()));
        }
        if (policy.floorPercent() != null) {
            words.append(", never below ")
                    .append(Sentences.number(policy.floorPercent()))
                    .append(" % of the points");
        }
        return words.append(
                        policy.takenFor() == null
                                ? "; late work is taken for as long as it is open"
                                : "; late work is taken for " + Sentences.span(policy.takenFor()))
                .toString();
    }

    private static String penalty(Penalty penalty) {
        if (penalty instanceof Penalty.Flat flat) {
            return "Late costs " + Sentences.number(flat.percent()) + " % of " + base(flat.base());
        }
        if (penalty instanceof Penalty.PerDay perDay) {
            String cap = perDay.cap() == null ? "" : ", at most " + Sentences.number(perDay.cap()) + " %";
            return "Late costs " + Sentences.number(perDay.percent()) + " % of " + base(perDay.base()) + " "
                    + measure(perDay.measure()) + cap;
        }
        return "Late costs no points";
    }

    private static String base(Base base) {
        return switch (base) {
            case POSSIBLE -> "the points possible";
            case EARNED -> "the points earned";
            case AFTER_DUE -> "the points earned after the due";
        };
    }

    private static String measure(Measure measure) {
        return switch (measure) {
            case SPANS_24H -> "for each 24 hours begun";
            case CALENDAR_DAYS -> "for each calendar day";
            case SCHOOL_DAYS -> "for each school day";
        };
    }
}
