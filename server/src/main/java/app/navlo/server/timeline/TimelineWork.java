package app.navlo.server.timeline;

import app.navlo.core.policy.Acceptance;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One piece of work in time.
 *
 * @param assignedDue as the teacher set it; null for none
 * @param due in force; of a redo its own
 * @param ends the last instant at which it is taken; null where it never ends, and where nothing is to be handed in
 * @param kept of full points, from the due on; empty where nothing is to be handed in
 * @param extended the due that an extension would give; null where none may be asked for
 * @param tokenDues that 1, 2, … tokens would give
 * @param handedIn the hand-in that stands; null for none
 * @param waitsFor the work that its gates name, whether they are open or not
 * @param shutBy the part of it for which a gate is shut
 * @param parts of a discussion that are done, in order; empty for everything else
 */
public record TimelineWork(
        long work,
        @Nullable Instant opens,
        @Nullable Instant assignedDue,
        @Nullable Instant due,
        @Nullable Instant ends,
        Acceptance.@Nullable Limit endedBy,
        List<KeptView> kept,
        @Nullable Instant askUntil,
        @Nullable Instant extended,
        List<Instant> tokenDues,
        @Nullable Instant safeBy,
        @Nullable Instant handedIn,
        @Nullable Instant returned,
        List<Long> waitsFor,
        List<Long> shutBy,
        List<PartView> parts) {}
