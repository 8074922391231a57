package app.navlo.server.links;

import app.navlo.server.imports.SyncDelta;
import app.navlo.server.store.Links;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** One way to speak with a school's system. */
interface SchoolLink {
    enum Ability {
        /** Tells what is due and when. */
        DUES,
        /** Tells scores, comments and flags. */
        GRADEBOOK,
        /** Takes what is handed in, and gives a receipt for it. */
        HAND_IN,
        /** Takes requests for an extension, and answers them. */
        ASK,
        /** Takes messages to the teacher of a piece of work. */
        WRITE
    }

    Links.Kind kind();

    Set<Ability> abilities();

    /**
     * What is new since it was last asked.
     *
     * @param zone in which a day ends that is given without a time
     * @throws LinkFault if it can't be asked, or its answer can't be read
     */
    SyncDelta ask(Links.Link link, ZoneId zone) throws LinkFault;

    /**
     * Takes something to the school.
     *
     * @throws LinkFault if it didn't get there, or the school doesn't take it
     */
    default Receipt send(Links.Link link, Sending sending) throws LinkFault {
        throw new LinkFault("This link can't take anything to the school.", false, null);
    }

    enum SendingKind {
        HAND_IN,
        WITHDRAW,
        ASK,
        WRITE
    }

    /** @param sha256 of its content */
    record SentFile(String name, String sha256) {}

    /**
     * @param item as the link calls the piece of work
     * @param key under which it happens once, however often it is sent
     * @param text null for none
     * @param note null for none
     */
    record Sending(
            SendingKind kind,
            String item,
            String key,
            @Nullable String text,
            List<SentFile> files,
            @Nullable String note) {
        public Sending {
            files = List.copyOf(files);
        }
    }

    /**
     * @param number by which the school knows it
     * @param deed that the link will tell of it as
     */
    record Receipt(String number, String deed, Instant at) {}

    /** What went wrong, in words for the person whose link it is. */
    final class LinkFault extends Exception {
        private static final long serialVersionUID = 1L;

        /** Whether the school itself said no, so that trying again is of no use. */
        final boolean refused;

        /** Whether what was sent may have got there all the same. */
        final boolean mayHaveArrived;

        LinkFault(String message, boolean refused, @Nullable Throwable cause) {
            this(message, refused, false, cause);
        }

        LinkFault(String message, boolean refused, boolean mayHaveArrived, @Nullable Throwable cause) {
            super(message, cause);
            this.refused = refused;
            this.mayHaveArrived = mayHaveArrived;
        }
    }
}
