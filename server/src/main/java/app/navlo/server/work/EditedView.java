package app.navlo.server.work;

/**
 * @param change to be named when it is undone
 * @param id of the course or the piece of work
 */
public record EditedView(long change, long id) {
    static EditedView of(BoardEditor.Edited edited) {
        return new EditedView(edited.change(), edited.id());
    }
}
