package app.navlo.server.links;

import app.navlo.server.links.SchoolLink.Ability;
import app.navlo.server.links.SchoolLink.LinkFault;
import app.navlo.server.links.SchoolLink.Sending;
import app.navlo.server.links.SchoolLink.SendingKind;
import app.navlo.server.links.SchoolLink.SentFile;
import app.navlo.server.outbox.SchoolBox;
import app.navlo.server.outbox.SchoolBox.Undelivered;
import app.navlo.server.store.HandIns;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.KeyKind;
import app.navlo.server.store.Links.Link;
import app.navlo.server.store.Outbox;
import app.navlo.server.store.StoredFile;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Brings to the school what a student hands in, takes back and asks for. */
@Component
class Deliveries implements SchoolBox {
    private final LinkService service;
    private final Links links;

    Deliveries(LinkService service, Links links) {
        this.service = service;
        this.links = links;
    }

    @Override
    public Optional<Counter> counter(long student, long work) {
        Way open = way(student, work, Ability.HAND_IN, false);
        Way any = open == null ? way(student, work, Ability.HAND_IN, true) : open;
        return Optional.ofNullable(any).map(way -> new Counter(way.link().name(), open == null));
    }

    private static Ability ability(Outbox.Kind kind) {
        return kind == Outbox.Kind.ASK ? Ability.ASK : Ability.HAND_IN;
    }

    @Override
    public boolean takes(long student, long work, Outbox.Kind kind) {
        return way(student, work, ability(kind), false) != null;
    }

    @Override
    public boolean has(long fact) {
        return links.tellsOf(fact);
    }

    @Override
    public Optional<Long> known(Taken taken) {
        return links.factOf(taken.link(), taken.deed());
    }

    @Override
    public Taken deliver(Outbox.Parcel parcel, HandIns.@Nullable Content content) throws Undelivered {
        Way way = way(parcel.student(), parcel.work(), ability(parcel.kind()), false);
        if (way == null) {
            throw new Undelivered("the school", Undelivered.Why.NOT_SENT, "No link takes it there any more.");
        }
        List<SentFile> files = content == null ? List.of() : sent(content.files());
        SendingKind kind =
                switch (parcel.kind()) {
                    case HAND_IN, HAND_IN_AGAIN -> SendingKind.HAND_IN;
                    case WITHDRAW -> SendingKind.WITHDRAW;
                    case ASK -> SendingKind.ASK;
                };
        String key = parcel.person() + " " + parcel.key();
        String text = content == null ? null : content.text();
        String note = content == null ? null : content.note();
        try {
            return deliver(way, new Sending(kind, way.item(), key, text, files, note));
        } catch (LinkFault fault) {
            Undelivered.Why why = fault.refused
                    ? Undelivered.Why.REFUSED
                    : fault.mayHaveArrived ? Undelivered.Why.MAY_HAVE_ARRIVED : Undelivered.Why.NOT_SENT;
            throw new Undelivered(way.link().name(), why, String.valueOf(fault.getMessage()));
        }
    }

    @Override
    public Optional<Taken> tell(
            long student, long work, String key, String subject, String body, List<StoredFile> files)
            throws Unreachable {
        Way way = way(student, work, Ability.WRITE, false);
        if (way == null) {
            return Optional.empty();
        }
        try {
            return Optional.of(
                    deliver(way, new Sending(SendingKind.WRITE, way.item(), key, body, sent(files), subject)));
        } catch (LinkFault fault) {
            if (fault.refused) {
                return Optional.empty();
            }
            throw new Unreachable(way.link().name() + ": " + fault.getMessage());
        }
    }

    private static List<SentFile> sent(List<StoredFile> files) {
        return files.stream()
                .map(file -> new SentFile(file.name(), file.sha256()))
                .toList();
    }

    /** @param item as the link calls the work */
    private record Way(Link link, String item) {}

    /** The link that can do something about a piece of work; null for none. */
    private @Nullable Way way(long student, long work, Ability ability, boolean pausedToo) {
        List<Link> able = service.standing(student).stream()
                .filter(link -> (pausedToo || !link.paused())
                        && service.kind(link).abilities().contains(ability))
                .toList();
        Links.WorkKey known =
                links.keyOf(work, able.stream().map(Link::id).toList()).orElse(null);
        return known == null
                ? null
                : able.stream()
                        .filter(one -> one.id() == known.link())
                        .findFirst()
                        .map(link -> new Way(link, known.key()))
                        .orElseThrow();
    }

    private Taken deliver(Way way, Sending sending) throws LinkFault {
        SchoolLink.Receipt receipt = service.kind(way.link()).send(way.link(), sending);
        return new Taken(way.link().id(), way.link().name(), receipt.number(), receipt.deed(), receipt.at());
    }

    @Override
    public void is(Taken taken, long change, long fact) {
        links.addKey(taken.link(), change, KeyKind.DEED, taken.deed(), fact, false);
    }
}
