package app.navlo.core.grade;

import app.navlo.core.exact.Rational;
import app.navlo.core.reason.Rule;
import org.jspecify.annotations.Nullable;

/** One way to count a grade. Side by side, because people are misled when there is just one. */
public enum Reading implements Rule {
    /** Final, posted scores of work already due, and of undated work once scored. */
    SO_FAR("Final, posted scores of work already due") {
        @Override
        @Nullable
        Rational worth(GradedWork work) {
            return work.dueReached() ? work.score() : null;
        }
    },
    /** As so far, and every missing piece of work as 0. */
    WITH_ZEROS("As so far, and every missing piece of work as 0") {
        @Override
        @Nullable
        Rational worth(GradedWork work) {
            return work.missing() && work.score() == null ? Rational.ZERO : SO_FAR.worth(work);
        }
    },
    /** As so far, and scores of work due later. */
    WORK_AHEAD("As so far, and scores of work due later") {
        @Override
        @Nullable
        Rational worth(GradedWork work) {
            return work.score();
        }
    },
    /** As with work ahead; the rest at its expected score. Optional work counts once it is handed in, or where it only adds. */
    EXPECTED("As with work ahead, and the rest at its expected score") {
        @Override
        @Nullable
        Rational worth(GradedWork work) {
            if (work.score() != null) {
                return work.score();
            }
            return work.required() || work.extra() || work.awaited() ? work.expected() : null;
        }
    },
    /** The rest at full points less the penalty that it already bears. */
    CEILING("The rest at full points, less the penalty it already bears") {
        @Override
        @Nullable
        Rational worth(GradedWork work) {
            return work.most();
        }
    },
    /** The rest at zero; optional work is left out until it has a score, unless it only adds. */
    FLOOR("The rest at zero") {
        @Override
        @Nullable
        Rational worth(GradedWork work) {
            if (work.score() != null) {
                return work.score();
            }
            return work.required() || work.extra() ? Rational.ZERO : null;
        }
    };

    private final String template;

    Reading(String template) {
        this.template = template;
    }

    @Override
    public String template() {
        return template;
    }

    /** The points that a piece of work counts with, or null where it doesn't count. */
    abstract @Nullable Rational worth(GradedWork work);
}
