package app.navlo.server.store;

/** What sort of change it is, and whether the notice that reports it offers to undo it. */
public enum ChangeKind {
    SEED(false),
    DRAFT(false),
    READ(true),
    HAND_IN(true),
    POST(true),
    COMMENT(true),
    MESSAGE(false),
    WITHDRAW(true),
    ADD_COURSE(true),
    EDIT_COURSE(true),
    EDIT_TERM(true),
    ADD_WORK(true),
    EDIT_WORK(true),
    REMOVE_WORK(true),
    OWN(true),
    RECORD(true),
    NOTE(true),
    AGREEMENT(true),
    LENS(true),
    IMPORT(true),
    UNDO(true);

    private final boolean undoable;

    ChangeKind(boolean undoable) {
        this.undoable = undoable;
    }

    public boolean undoable() {
        return undoable;
    }
}
