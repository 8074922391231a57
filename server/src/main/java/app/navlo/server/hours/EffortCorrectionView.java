package app.navlo.server.hours;

import app.navlo.core.work.WorkKind;

/**
 * Of one kind of work in a course.
 *
 * @param works that are done and whose time was noted
 * @param saidMinutes for those, together
 * @param spentMinutes on those, together
 * @param factor by which what is said is multiplied, a decimal string
 * @param refused whether the student wants it left as it is said
 */
public record EffortCorrectionView(
        long course, WorkKind kind, int works, long saidMinutes, long spentMinutes, String factor, boolean refused) {}
