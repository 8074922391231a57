package app.navlo.server.imports;

import app.navlo.core.time.Deadline;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.server.imports.SyncDelta.ToldAnnouncement;
import app.navlo.server.imports.SyncDelta.ToldDeed;
import app.navlo.server.store.Material.OtherRecord;
import app.navlo.server.store.Work;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What writing down the news of a link would do. Nothing of it is written yet.
 *
 * @param courses that the link tells of, by its keys
 * @param happened deeds of work that is known or new, none of them a fact here already
 * @param announced what is said to all, new or otherwise than before
 * @param results by the link's key of the work, those that say something that isn't here yet
 * @param dues that the link tells, by the same key
 * @param past keys of new work that was due before now, and of which nothing is told
 * @param scoredByHand keys of work whose score the person wrote, not the source
 * @param records second records that come new or other than before, by the same key
 */
public record SyncPlan(
        List<CourseRow> courses,
        List<WorkRow> works,
        List<ToldDeed> happened,
        List<ToldAnnouncement> announced,
        Map<String, SourceSnapshot.Result> results,
        Map<String, Deadline> dues,
        Map<String, OtherRecord> records,
        Set<String> past,
        Set<String> scoredByHand,
        List<SourceSnapshot.Trouble> troubles) {
    /**
     * @param ours null for one that is to be added
     * @param grade the categories that are to make its grade; empty to leave that as it is
     */
    public record CourseRow(
            String key,
            String name,
            String teacher,
            @Nullable Long ours,
            boolean newKey,
            List<SourceSnapshot.Category> grade) {}

    public enum Status {
        NEW,
        CHANGED,
        SAME,
        /** Told otherwise by what brought it: that stands, and this is the second record of it. */
        CONFLICTING,
        GONE,
        /** No longer told of, but something has been done on it, so it stays. */
        KEPT,
        /** It isn't wanted: left out, or undone before. */
        ASIDE
    }

    /**
     * @param ours null for what is new
     * @param courseKey null where it stays in its course
     * @param definition as it would stand, without its course if that is new
     * @param changes what differs, in words
     * @param newKey whether the link's key for it isn't known yet
     * @param brought whether it came, or comes, by this link
     */
    public record WorkRow(
            String key,
            Status status,
            @Nullable Long ours,
            String title,
            @Nullable String courseKey,
            Work.@Nullable Definition definition,
            String instructions,
            List<String> changes,
            boolean newKey,
            boolean brought) {
        /** The same, for work that was here once and was undone. */
        WorkRow again(long work) {
            return new WorkRow(key, status, work, title, courseKey, definition, instructions, changes, newKey, brought);
        }

        /** The same, left out. */
        WorkRow aside() {
            return new WorkRow(
                    key, Status.ASIDE, ours, title, courseKey, definition, instructions, changes, newKey, brought);
        }
    }

    public SyncPlan {
        courses = List.copyOf(courses);
        works = List.copyOf(works);
        happened = List.copyOf(happened);
        announced = List.copyOf(announced);
        results = Map.copyOf(results);
        dues = Map.copyOf(dues);
        records = Map.copyOf(records);
        past = Set.copyOf(past);
        scoredByHand = Set.copyOf(scoredByHand);
        troubles = List.copyOf(troubles);
    }

    public long many(Status status) {
        return works.stream().filter(row -> row.status() == status).count();
    }

    /** Second records that come without a result. */
    public int recordsAlone() {
        return (int) records.keySet().stream()
                .filter(key -> !results.containsKey(key))
                .count();
    }

    /** Whether there is nothing to write. */
    public boolean isEmpty() {
        return courses.stream()
                        .noneMatch(row -> row.ours() == null
                                || row.newKey()
                                || !row.grade().isEmpty())
                && works.stream()
                        .noneMatch(row -> row.newKey()
                                || row.status() == Status.NEW
                                || row.status() == Status.CHANGED
                                || row.status() == Status.GONE)
                && happened.isEmpty()
                && announced.isEmpty()
                && results.isEmpty()
                && records.isEmpty();
    }
}
