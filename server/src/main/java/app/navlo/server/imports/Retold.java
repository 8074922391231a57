package app.navlo.server.imports;

import app.navlo.core.exact.Rational;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.reason.Sentences;
import app.navlo.core.time.Deadline;
import app.navlo.core.time.Stretch;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.server.board.Board;
import app.navlo.server.sheet.EditableField;
import app.navlo.server.sheet.WorkSheet;
import app.navlo.server.sheet.WorkSheet.AppointmentSheet;
import app.navlo.server.store.Work;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** One piece of work as a source tells it, beside what stands on the board. */
final class Retold {
    private Retold() {}

    /** What it tells otherwise than the source that brought the work. */
    static List<String> conflicts(SourceSnapshot.Work work, Board.Entry entry) {
        Work.Definition here = entry.work().definition();
        List<String> conflicts = new ArrayList<>();
        if (work.due() != null && !work.due().instant().equals(instant(here.due()))) {
            conflicts.add("due here " + moment(here.due(), entry) + ", there " + moment(work.due(), entry));
        }
        Rational possible = here.marking().possible();
        if (work.possible() != null && !possible.isZero() && !possible.equals(work.possible())) {
            conflicts.add("of " + Sentences.number(possible) + " points here, of " + Sentences.number(work.possible())
                    + " there");
        }
        return conflicts;
    }

    /** What is otherwise than it was told before, but for what the student set by hand. */
    static List<String> changes(SourceSnapshot.Work work, Board.Entry entry) {
        Work.Definition was = entry.work().definition();
        List<String> changes = new ArrayList<>();
        Set<EditableField> own = was.rules().own();
        if (!was.title().equals(work.title()) && !own.contains(EditableField.TITLE)) {
            changes.add("title was “" + was.title() + "”");
        }
        if (!Objects.equals(instant(was.due()), instant(work.due())) && !own.contains(EditableField.DUE)) {
            changes.add("due was " + moment(was.due(), entry) + ", is " + moment(work.due(), entry));
        }
        if (!Objects.equals(was.opensAt(), work.opensAt()) && !own.contains(EditableField.OPENS)) {
            changes.add("opens at another time");
        }
        Rational possible = work.possible();
        if (possible != null
                && !own.contains(EditableField.POINTS)
                && !was.marking().possible().equals(possible)) {
            changes.add("points possible were " + Sentences.number(was.marking().possible()) + ", are "
                    + Sentences.number(possible));
        }
        String place = work.hint().address();
        if (place != null && !place.equals(was.rules().address()) && !own.contains(EditableField.ADDRESS)) {
            changes.add(was.rules().address() == null ? "where it is done is known" : "it is done at another address");
        }
        return changes;
    }

    /** What the student set by hand stands, and what the source tells otherwise is kept beside it. */
    static List<String> ownDiffers(SourceSnapshot.Work work, Board.Entry entry) {
        Work.Definition was = entry.work().definition();
        Set<EditableField> own = was.rules().own();
        List<String> differs = new ArrayList<>();
        if (own.contains(EditableField.DUE)
                && work.due() != null
                && !work.due().instant().equals(instant(was.due()))) {
            differs.add(
                    "due here, as you set it, " + moment(was.due(), entry) + "; there " + moment(work.due(), entry));
        }
        Rational possible = work.possible();
        if (possible != null
                && own.contains(EditableField.POINTS)
                && !was.marking().possible().equals(possible)) {
            differs.add("of " + Sentences.number(was.marking().possible()) + " points, as you set it; of "
                    + Sentences.number(possible) + " there");
        }
        return differs;
    }

    /** What stands, as it is told now; what the student set by hand stays. */
    static Work.Definition retold(SourceSnapshot.Work work, Work.Definition was) {
        Set<EditableField> own = was.rules().own();
        Rational possible = work.possible() == null || own.contains(EditableField.POINTS)
                ? was.marking().possible()
                : work.possible();
        Work.Definition told = was.retold(
                own.contains(EditableField.TITLE) ? was.title() : work.title(),
                own.contains(EditableField.OPENS) ? was.opensAt() : work.opensAt(),
                own.contains(EditableField.DUE) ? was.due() : work.due());
        Stretch appointment = work.more() == null || own.contains(EditableField.DUE)
                ? null
                : work.more().appointment();
        String place = own.contains(EditableField.ADDRESS) ? null : work.hint().address();
        Work.Definition placed = place == null ? told : told.ruled(told.rules().doneAt(place));
        return (appointment == null ? placed : placed.at(AppointmentSheet.of(appointment)))
                .marked(new WorkItem.Marking(
                        possible, was.marking().passPercent(), was.marking().kept()));
    }

    /**
     * New work as it is told.
     *
     * @param course 0 for one that is to be added
     * @param byHand what the student put right of it
     */
    static Work.Definition definition(SourceSnapshot.Work work, long course, Set<EditableField> byHand) {
        SourceSnapshot.More more = work.more();
        return new Work.Definition(
                new Work.Place(course, more == null ? null : more.unit(), work.category()),
                work.title(),
                work.kind(),
                new Work.Dates(
                        work.opensAt(),
                        more == null || more.appointment() == null
                                ? work.due()
                                : Deadline.at(more.appointment().start()),
                        more == null || more.closesAt() == null ? null : Deadline.at(more.closesAt())),
                new Work.Handling(
                        more == null ? work.kind() != WorkKind.PRACTICE : more.required(),
                        more == null || more.expectsHandIn(),
                        more == null ? null : more.attempts(),
                        null,
                        null,
                        more == null
                                ? Work.Takes.ANYTHING
                                : new Work.Takes(
                                        more.takesFiles(),
                                        more.takesText(),
                                        !more.takesFiles() && !more.takesText(),
                                        more.fileTypes())),
                new WorkItem.Marking(
                        work.possible() == null ? Rational.ZERO : work.possible(), null, KeptScore.HIGHEST),
                more == null ? null : more.effortMinutes(),
                WorkSheet.with(more == null ? null : more.rubric(), more == null ? null : more.appointment())
                        .doneAt(work.hint().address())
                        .setByHand(byHand));
    }

    static @Nullable Instant instant(@Nullable Deadline deadline) {
        return deadline == null ? null : deadline.instant();
    }

    private static String moment(@Nullable Deadline deadline, Board.Entry entry) {
        return deadline == null
                ? "none"
                : Sentences.moment(deadline.instant(), entry.course().details().zone());
    }
}
