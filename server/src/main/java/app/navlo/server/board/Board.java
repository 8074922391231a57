package app.navlo.server.board;

import app.navlo.core.feedback.FeedbackCount;
import app.navlo.core.work.Costs;
import app.navlo.core.work.Fact;
import app.navlo.core.work.WorkState;
import app.navlo.server.store.Course;
import app.navlo.server.store.RecordedFact;
import app.navlo.server.store.Term;
import app.navlo.server.store.Work;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Everything of a student at an instant, derived.
 *
 * @param version the last change of this student
 * @param zone in which days are counted: that of the term, else that of the first course, else the student's
 */
public record Board(
        long student,
        Instant now,
        ZoneId zone,
        long version,
        Map<Long, Course> courses,
        Map<Long, Term> terms,
        List<Entry> entries) {

    /** One piece of work with all that is known and derived about it. */
    public record Entry(Work work, Course course, List<RecordedFact> recorded, WorkState state, Instant now) {
        public List<Fact> facts() {
            return recorded.stream().map(RecordedFact::fact).toList();
        }

        public FeedbackCount feedback() {
            return FeedbackCount.of(facts(), now);
        }

        public List<Costs.CostDate> costs() {
            return Costs.ahead(state, now);
        }

        /** The number of the hand-in that is with the teacher or was returned last; null for none. */
        public @Nullable Long standingHandIn() {
            if (!state.handInStands()) {
                return null;
            }
            Long latest = null;
            for (RecordedFact fact : recorded) {
                boolean handedIn = fact.fact() instanceof Fact.HandedIn
                        && !fact.fact().stamp().at().isAfter(now);
                latest = handedIn ? Long.valueOf(fact.id()) : latest;
            }
            return latest;
        }
    }
}
