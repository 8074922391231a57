package app.navlo.server.personal;

import app.navlo.server.board.ReadBoard;
import app.navlo.server.change.Changed;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Lenses;
import java.util.List;
import org.springframework.stereotype.Service;

/** The ways of looking at the work that a student saved. Every write is one change, and can be undone. */
@Service
class LensService {
    private final OneChange one;
    private final Lenses lenses;
    private final Changes changes;

    LensService(OneChange one, Lenses lenses, Changes changes) {
        this.one = one;
        this.lenses = lenses;
        this.changes = changes;
    }

    @ReadBoard
    public List<LensView> all(long student) {
        return standing(student).stream()
                .map(lens -> new LensView(lens.id(), lens.name(), lens.query()))
                .toList();
    }

    private List<Lenses.Lens> standing(long student) {
        return lenses.lenses(student, changes.undone(student));
    }

    Changed add(Writer writer, LensForm form) {
        return one.write(writer, "lens " + form, () -> {
            String name = form.name().strip();
            boolean taken = standing(writer.student()).stream()
                    .anyMatch(lens -> lens.name().equalsIgnoreCase(name));
            if (taken) {
                throw Refusal.invalid("name", "You have a lens of this name already. Give it another.");
            }
            return new OneChange.Intended(
                    ChangeKind.LENS,
                    "Saved the lens " + name,
                    change -> lenses.addLens(writer.student(), change, name, form.query()));
        });
    }

    Changed remove(Writer writer, long id) {
        return one.write(writer, "remove lens " + id, () -> {
            Lenses.Lens lens = standing(writer.student()).stream()
                    .filter(saved -> saved.id() == id)
                    .findFirst()
                    .orElseThrow(() -> Refusal.notFound("lens"));
            return new OneChange.Intended(ChangeKind.LENS, "Removed the lens " + lens.name(), change -> {
                lenses.reviseLens(change, lens, true);
                return id;
            });
        });
    }
}
