package app.navlo.core.reconcile;

import app.navlo.core.reason.Rule;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * One thing that the two records say differently.
 *
 * @param site null where only the book has the work
 * @param book null where only the site has it
 * @param settledBy the next grading day, which will likely settle it; null where waiting won't
 */
public record Disagreement(
        Kind kind,
        @Nullable RecordEntry site,
        @Nullable RecordEntry book,
        @Nullable Instant settledBy) {
    /** Which of the two to believe for it. */
    public enum Source {
        SITE,
        BOOK
    }

    public enum Kind implements Rule {
        TURNED_IN_BUT_MISSING(
                Source.SITE,
                true,
                "Turned in on the site, and missing in the gradebook",
                "Show the receipt to the teacher if it still stands after the next grading day"),
        SCORES_DIFFER(
                Source.BOOK,
                true,
                "The scores differ",
                "Ask which one stands if they still differ after the next grading day"),
        DUES_DIFFER(
                Source.SITE, false, "The dues differ", "Go by the earlier one until the teacher says which one holds"),
        ONLY_ON_SITE(
                Source.SITE,
                true,
                "It isn't in the gradebook",
                "Ask whether it counts if it isn't there after the next grading day"),
        ONLY_IN_BOOK(
                Source.BOOK, false, "It isn't on the site", "Ask where to hand it in; it may have been done in class");

        private final Source believe;
        private final boolean settlesItself;
        private final String template;
        private final String toDo;

        Kind(Source believe, boolean settlesItself, String template, String toDo) {
            this.believe = believe;
            this.settlesItself = settlesItself;
            this.template = template;
            this.toDo = toDo;
        }

        public Source believe() {
            return believe;
        }

        boolean settlesItself() {
            return settlesItself;
        }

        @Override
        public String template() {
            return template;
        }

        /** What to do if it doesn't settle. */
        public String toDo() {
            return toDo;
        }
    }
}
