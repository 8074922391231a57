package app.navlo.server.outbox;

import app.navlo.server.change.Done;
import app.navlo.server.change.Writer;
import app.navlo.server.outbox.SchoolBox.Taken;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.Outbox;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Something that counts once the school has it, where the school takes such things. */
public interface SchoolCommand {
    Outbox.Kind kind();

    /**
     * What belongs to one command.
     *
     * @param type of a hand-in, by name; null for anything else
     * @param content of a hand-in; null for anything else
     * @param draft the number of the draft that is handed in; 0 for none
     * @param change that is undone; 0 for none
     */
    record Payload(@Nullable String type, HandIns.@Nullable Content content, long draft, long change) {
        public static final Payload NOTHING = new Payload(null, null, 0, 0);
    }

    /**
     * Writes down that it was done. Within a transaction in which nobody else writes.
     *
     * @param taken by the school; empty where it goes to none
     */
    Done confirm(Writer writer, long work, Payload payload, Optional<Taken> taken);
}
