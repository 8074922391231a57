package app.navlo.server.outbox;

import app.navlo.server.change.Done;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.WriteOnce;
import app.navlo.server.change.Writer;
import app.navlo.server.ops.Pauses;
import app.navlo.server.outbox.SchoolBox.Taken;
import app.navlo.server.outbox.SchoolBox.Undelivered;
import app.navlo.server.outbox.SchoolCommand.Payload;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Outbox;
import app.navlo.server.store.Outbox.Parcel;
import java.time.Duration;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/**
 * Carries out what counts only once the school has it: reserved in one transaction, taken to the school outside of any, and
 * confirmed in another. Between the two it lies in the outbox, so that nothing is lost if the server stops, and nothing is done
 * twice: here and at the school it happens under one key.
 */
@Component
public class SchoolCommands {
    private static final Logger LOG = LoggerFactory.getLogger(SchoolCommands.class);

    /** Longer than the school may take to answer. */
    private static final Duration IN_HAND = Duration.ofSeconds(90);

    private static final Pauses PAUSES = Pauses.of(
            Duration.ofSeconds(10),
            Duration.ofSeconds(30),
            Duration.ofMinutes(2),
            Duration.ofMinutes(10),
            Duration.ofHours(1));

    private final Map<Outbox.Kind, SchoolCommand> commands = new EnumMap<>(Outbox.Kind.class);
    private final Outbox outbox;
    private final SchoolBox school;
    private final WriteOnce once;
    private final Changes changes;
    private final WorkWrites writes;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    SchoolCommands(
            List<SchoolCommand> commands,
            Outbox outbox,
            SchoolBox school,
            WriteOnce once,
            Changes changes,
            WorkWrites writes,
            TransactionTemplate transaction,
            JsonMapper json) {
        commands.forEach(command -> this.commands.put(command.kind(), command));
        this.outbox = outbox;
        this.school = school;
        this.once = once;
        this.changes = changes;
        this.writes = writes;
        this.transaction = transaction;
        this.json = json;
    }

    /** @param goesToSchool whether the school is to be told; false for what counts here alone */
    public record Prepared(Payload payload, boolean goesToSchool) {}

    private record Begun(@Nullable Done done, @Nullable Parcel parcel) {}

    /**
     * @param request what is asked for, so that one key can't stand for two things
     * @param prepare looks whether it may be done, within a transaction in which nobody else writes
     * @throws Refusal if it may not, if the school says no, or if it isn't known to have arrived
     */
    public Done run(Outbox.Kind kind, Writer writer, long work, String request, Supplier<Prepared> prepare) {
        String key = Objects.requireNonNullElseGet(
                writer.key(), () -> UUID.randomUUID().toString());
        Writer keyed = new Writer(writer.student(), writer.person(), writer.name(), writer.version(), key);
        Begun begun = Objects.requireNonNull(transaction.execute(status -> begin(kind, keyed, work, request, prepare)));
        if (begun.done() != null) {
            return begun.done();
        }
        Parcel parcel = Objects.requireNonNull(begun.parcel());
        try {
            return deliver(parcel);
        } catch (Undelivered fault) {
            throw refusal(fault);
        }
    }

    private Begun begin(Outbox.Kind kind, Writer writer, long work, String request, Supplier<Prepared> prepare) {
        changes.lock(writer.student());
        Optional<Done> earlier = once.answered(once(writer, request), Done.class);
        if (earlier.isPresent()) {
            return new Begun(earlier.get(), null);
        }
        Parcel lying = outbox.of(work).orElse(null);
        if (lying != null) {
            return new Begun(null, again(lying, writer));
        }
        Prepared prepared = prepare.get();
        if (!prepared.goesToSchool()) {
            Done done = once.run(once(writer, request), Done.class, () -> command(kind)
                    .confirm(writer, work, prepared.payload(), Optional.empty()));
            return new Begun(done, null);
        }
        long id = outbox.add(new Outbox.NewParcel(
                writer.student(),
                writer.person(),
                writer.name(),
                work,
                kind,
                Objects.requireNonNull(writer.key()),
                request,
                json.writeValueAsString(prepared.payload()),
                writes.now(),
                writes.now().plus(IN_HAND)));
        return new Begun(null, outbox.find(id).orElseThrow());
    }

    /** The same press again goes on with the same parcel; anything else waits until it is known what came of that. */
    private Parcel again(Parcel lying, Writer writer) {
        if (!lying.key().equals(writer.key())) {
            throw Refusal.conflict(
                    "Something is on its way to the school already",
                    "It may have arrived. Navlo goes on asking; wait until it is known what came of it.");
        }
        outbox.unknown(lying.id(), lying.madeAt(), writes.now().plus(IN_HAND));
        return lying;
    }

    private SchoolCommand command(Outbox.Kind kind) {
        return Objects.requireNonNull(commands.get(kind));
    }

    private WriteOnce.Once once(Writer writer, String request) {
        return new WriteOnce.Once(writer.student(), writer.person(), writer.key(), request, writes.now());
    }

    /** @throws Undelivered if it didn't get through; then the parcel is gone, or lies there to be tried again */
    Done deliver(Parcel parcel) throws Undelivered {
        Payload payload = json.readValue(parcel.payload(), Payload.class);
        Taken taken;
        try {
            taken = school.deliver(parcel, payload.content());
        } catch (Undelivered fault) {
            boolean mayBeThere = fault.why() == Undelivered.Why.MAY_HAVE_ARRIVED || parcel.unknownSince() != null;
            if (mayBeThere && fault.why() != Undelivered.Why.REFUSED) {
                Duration pause = PAUSES.after(parcel.tries());
                outbox.unknown(parcel.id(), writes.now(), writes.now().plus(pause));
                writes.tell(parcel.student());
                throw fault.why() == Undelivered.Why.MAY_HAVE_ARRIVED
                        ? fault
                        : new Undelivered(
                                fault.school(), Undelivered.Why.MAY_HAVE_ARRIVED, String.valueOf(fault.getMessage()));
            }
            outbox.remove(parcel.id());
            writes.tell(parcel.student());
            throw fault;
        }
        try {
            return Objects.requireNonNull(transaction.execute(status -> confirm(parcel, payload, taken)));
        } catch (DataAccessException | TransactionException broken) {
            LOG.error(
                    "what a school took as parcel {} couldn't be written down; it is tried again", parcel.id(), broken);
            outbox.unknown(parcel.id(), writes.now(), writes.now().plus(PAUSES.after(parcel.tries())));
            throw new Undelivered(
                    taken.school(),
                    Undelivered.Why.MAY_HAVE_ARRIVED,
                    "It was taken there, and couldn't be written down here.");
        }
    }

    private Done confirm(Parcel parcel, Payload payload, Taken taken) {
        changes.lock(parcel.student());
        Writer writer = new Writer(parcel.student(), parcel.person(), parcel.personName(), null, parcel.key());
        Done done = once.run(once(writer, parcel.request()), Done.class, () -> command(parcel.kind())
                .confirm(writer, parcel.work(), payload, Optional.of(taken)));
        outbox.remove(parcel.id());
        return done;
    }

    private static Refusal refusal(Undelivered fault) {
        return switch (fault.why()) {
            case REFUSED -> Refusal.conflict(fault.school() + " doesn't take it", String.valueOf(fault.getMessage()));
            case NOT_SENT ->
                Refusal.of(
                        HttpStatus.SERVICE_UNAVAILABLE,
                        fault.school() + " can't be reached",
                        "",
                        fault.getMessage() + " Nothing was sent, and it doesn't count as done. Everything stays ready"
                                + " here: try again in a few minutes, or do it at the school itself and record it here.");
            case MAY_HAVE_ARRIVED ->
                Refusal.of(
                        HttpStatus.SERVICE_UNAVAILABLE,
                        "It may have arrived at " + fault.school(),
                        "",
                        fault.getMessage()
                                + " Nobody knows yet whether it got there. Navlo goes on asking and says here"
                                + " what came of it; pressing again can't do it twice.");
        };
    }
}
