package app.navlo.server.term;

import app.navlo.server.board.BoardView;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.change.Changed;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Term;
import app.navlo.server.store.Terms;
import app.navlo.server.store.UnknownAsides;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Begins terms, changes and closes them. Every write is one change, and can be undone. */
@Service
class TermService {
    private static final int MOST_TERMS = 100;

    private final Terms terms;
    private final Courses courses;
    private final Changes changes;
    private final UnknownAsides asides;
    private final OneChange one;

    TermService(Terms terms, Courses courses, Changes changes, UnknownAsides asides, OneChange one) {
        this.asides = asides;
        this.terms = terms;
        this.courses = courses;
        this.changes = changes;
        this.one = one;
    }

    @ReadBoard
    public TermsView read(long student) {
        Set<Long> undone = changes.undone(student);
        return TermsView.of(terms.all(student, undone), courses.all(student, undone));
    }

    /**
     * Begins a term. Courses that belong to none join it.
     *
     * @param closing the terms that run now, with their courses
     */
    @Transactional
    public Changed add(Writer writer, TermForm form, boolean closing) {
        Term term = form.term(0);
        changes.lock(writer.student());
        Map<Long, Term> known = standing(writer);
        if (known.size() >= MOST_TERMS) {
            throw Refusal.conflict("There are " + MOST_TERMS + " terms already", "Remove one that you don't need.");
        }
        return one.write(writer, "term " + form + closing, ChangeKind.EDIT_TERM, "Began " + term.name(), change -> {
            if (closing) {
                known.values().stream()
                        .filter(before -> !before.closed())
                        .forEach(before -> terms.revise(writer.student(), change, before.closed(true), false));
            }
            long id = terms.add(writer.student(), change, term);
            courses.all(writer.student(), changes.undone(writer.student())).values().stream()
                    .filter(course -> course.termId() == null)
                    .forEach(course -> courses.revise(
                            course.id(),
                            change,
                            course.details(),
                            Courses.Where.of(course).in(id).closed(course.closed() || closing)));
            return id;
        });
    }

    @Transactional
    public Changed edit(Writer writer, long id, TermForm form) {
        Term before = open(writer, id);
        Term term = form.term(id).closed(before.closed());
        return one.write(writer, "term " + id + form, ChangeKind.EDIT_TERM, "Changed " + term.name(), change -> {
            terms.revise(writer.student(), change, term, false);
            return id;
        });
    }

    @Transactional
    public Changed close(Writer writer, long id, boolean closed) {
        Term term = open(writer, id);
        String summary = (closed ? "Closed " : "Opened again ") + term.name();
        return one.write(writer, "close term " + id + closed, ChangeKind.EDIT_TERM, summary, change -> {
            terms.revise(writer.student(), change, term.closed(closed), false);
            return id;
        });
    }

    /** @throws Refusal if a course belongs to it */
    @Transactional
    public Changed remove(Writer writer, long id) {
        Term term = open(writer, id);
        boolean held = courses.all(writer.student(), changes.undone(writer.student())).values().stream()
                .anyMatch(course -> Objects.equals(course.termId(), id));
        if (held) {
            throw Refusal.conflict(
                    term.name() + " has courses",
                    "Close it instead: its courses then leave the counts, and can be looked at.");
        }
        return one.write(writer, "remove term " + id, ChangeKind.EDIT_TERM, "Removed " + term.name(), change -> {
            terms.revise(writer.student(), change, term, true);
            return id;
        });
    }

    @Transactional
    public Changed aside(Writer writer, BoardView.Unknown what) {
        return one.write(writer, "aside " + what, ChangeKind.OWN, "Put a question aside", change -> {
            asides.put(writer.student(), change, what.name());
            return change;
        });
    }

    private Map<Long, Term> standing(Writer writer) {
        return terms.all(writer.student(), changes.undone(writer.student()));
    }

    private Term open(Writer writer, long id) {
        changes.lock(writer.student());
        Term term = standing(writer).get(id);
        if (term == null) {
            throw Refusal.notFound("term");
        }
        if (writer.version() != null && writer.version() != term.version()) {
            throw Refusal.changedSince(term.name());
        }
        return term;
    }
}
