package app.navlo.server.change;

import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Changes.Change;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Works;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Undoes changes by one more change each, and knows what they touched. */
@Component
public class UndoWriter {
    private final WorkWrites writes;
    private final Changes changes;
    private final Works works;
    private final Courses courses;
    private final LiveFeed live;

    UndoWriter(WorkWrites writes, Changes changes, Works works, Courses courses, LiveFeed live) {
        this.writes = writes;
        this.changes = changes;
        this.works = works;
        this.courses = courses;
        this.live = live;
    }

    /** Undoes one change, whose works and courses are locked. @return the change that undid it */
    public long undo(Writer writer, Change change) {
        Change target = root(change);
        return undo(writer, change, target, touchedWorks(target));
    }

    long undo(Writer writer, Change change, Change target, Set<Long> touched) {
        long undo = changes.add(
                new Changes.NewChange(
                        writer.student(),
                        writer.person(),
                        ChangeKind.UNDO,
                        writes.now(),
                        Changes.TYPED_IN,
                        "Undid: " + change.summary()),
                change.id());
        touched.forEach(work -> works.touch(work, undo));
        courses.touchedBy(target.id()).forEach(course -> courses.touch(course, undo));
        live.changed(writer.student());
        return undo;
    }

    /** An undo of an undo brings back what the first change brought. */
    Change root(Change change) {
        Change root = change;
        while (root.undoes() != null) {
            root = changes.find(root.student(), root.undoes()).orElseThrow();
        }
        return root;
    }

    Set<Long> touchedWorks(Change target) {
        Set<Long> touched = new HashSet<>(works.touchedBy(target.id()));
        if (target.kind() == ChangeKind.ADD_COURSE || target.kind() == ChangeKind.IMPORT) {
            courses.touchedBy(target.id()).forEach(course -> touched.addAll(works.everIn(course)));
        }
        return touched;
    }

    void refuseIfBuiltUpon(Set<Long> touched, Change change, Set<Long> undone) {
        List<Long> later = new ArrayList<>();
        touched.forEach(work -> later.addAll(works.changesSince(work, change.id())));
        if (root(change).kind() == ChangeKind.EDIT_COURSE) {
            courses.touchedBy(root(change).id())
                    .forEach(course -> later.addAll(courses.changesSince(course, change.id())));
        }
        later.removeAll(undone);
        if (!later.isEmpty()) {
            throw Refusal.conflict(
                    "Something was done to the same since then",
                    "Undo that first, or leave this as it is. Nothing was changed.");
        }
    }
}
