package app.navlo.server.links;

import app.navlo.formats.told.SourceSnapshot;
import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.change.WriteOnce;
import app.navlo.server.change.Writer;
import app.navlo.server.http.FeedFetcher;
import app.navlo.server.http.StandIns;
import app.navlo.server.imports.Choices;
import app.navlo.server.imports.Intake;
import app.navlo.server.imports.Intake.Taken;
import app.navlo.server.imports.Previews;
import app.navlo.server.imports.Previews.Looked;
import app.navlo.server.imports.SyncDelta;
import app.navlo.server.links.SchoolLink.LinkFault;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.Link;
import app.navlo.server.time.ServerClock;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Looks at what a school's system would bring before it is linked. It is asked once; what it told is kept for a while, so that
 * a person can put its rows right without the school being asked again. Nothing is written before that is confirmed.
 */
@Service
class LinkPreviews {
    private static final Duration KEPT = Duration.ofMinutes(30);
    private static final int MOST_KEPT = 40;
    private static final int MOST_LINKS = 40;
    private static final int LONGEST_NAME = 200;

    private final LinkService service;
    private final Previews previews;
    private final Intake intake;
    private final Boards boards;
    private final Changes changes;
    private final WriteOnce once;
    private final FeedFetcher fetcher;
    private final StandIns standIns;
    private final TransactionTemplate transaction;
    private final LiveFeed live;
    private final ServerClock clock;

    private final AtomicLong numbers = new AtomicLong();
    private final Cache<Long, Look> looks =
            Caffeine.newBuilder().expireAfterAccess(KEPT).maximumSize(MOST_KEPT).build();

    LinkPreviews(
            LinkService service,
            Previews previews,
            Intake intake,
            Boards boards,
            Changes changes,
            WriteOnce once,
            FeedFetcher fetcher,
            StandIns standIns,
            TransactionTemplate transaction,
            LiveFeed live,
            ServerClock clock) {
        this.service = service;
        this.previews = previews;
        this.intake = intake;
        this.boards = boards;
        this.changes = changes;
        this.once = once;
        this.fetcher = fetcher;
        this.standIns = standIns;
        this.transaction = transaction;
        this.live = live;
        this.clock = clock;
    }

    /**
     * What a system told.
     *
     * @param link as it would be; its number is 0
     */
    record Look(long number, long person, Link link, SyncDelta news) {
        Links.Kind kind() {
            return link.access().kind();
        }

        SourceSnapshot told() {
            return Objects.requireNonNull(news.told());
        }
    }

    /** What taking it in would do, with what a person says of it. */
    record Seen(Look look, Looked looked) {}

    /** Asks it. @throws Refusal with what is wrong with it */
    Seen look(long student, Person person, Links.Access access, @Nullable String name) {
        boolean ours = !standIns.resolve(access.address()).equals(access.address());
        if (!ours) {
            fetcher.address(access.address());
        }
        Link asked = link(student, access, Objects.requireNonNullElse(name, ""));
        Board board = board(student, person);
        try {
            SyncDelta news = service.kind(asked).ask(asked, board.zone());
            String source = Objects.requireNonNull(news.told()).source();
            String called = name != null && !name.isBlank() ? name.strip() : source.isBlank() ? "School" : source;
            String cut = called.substring(0, Math.min(LONGEST_NAME, called.length()));
            Look look = new Look(numbers.incrementAndGet(), person.id(), link(student, access, cut), news);
            looks.put(look.number(), look);
            Choices first = access.kind() == Links.Kind.BOX ? Choices.OF_A_BOX : Choices.NONE;
            return seen(look, first, board);
        } catch (LinkFault fault) {
            throw Refusal.invalid("address", String.valueOf(fault.getMessage()));
        }
    }

    private static Link link(long student, Links.Access access, String name) {
        return new Link(0, student, name, false, access, new Links.Faring(null, null, null, null, null, 0, null, null));
    }

    private Seen seen(Look look, Choices choices, Board board) {
        Choices named = choices.of(look.link().name(), null, null);
        return new Seen(look, previews.of(look.link(), look.news(), named, board));
    }

    /** @throws Refusal if it was looked at too long ago */
    Seen preview(long student, Person person, long number, Choices choices) {
        return seen(find(student, person, number), choices, board(student, person));
    }

    private Look find(long student, Person person, long number) {
        Look look = looks.getIfPresent(number);
        if (look == null || look.link().student() != student || look.person() != person.id()) {
            throw Refusal.conflict("You looked at this too long ago", "Ask the school once more; nothing was written.");
        }
        return look;
    }

    /** @throws Refusal if it would bring anything else by now than what was confirmed */
    Taken add(Writer by, Person person, long number, Choices choices, String fingerprint) {
        Instant now = clock.instant();
        String asked = "link " + number + " " + fingerprint;
        WriteOnce.Once request = new WriteOnce.Once(by.student(), by.person(), by.key(), asked, now);
        Taken taken = transaction.execute(status -> {
            changes.lock(by.student());
            Optional<Taken> earlier = once.answered(request, Taken.class);
            return earlier.orElseGet(
                    () -> once.run(request, Taken.class, () -> addNow(by, person, number, choices, fingerprint)));
        });
        live.changed(by.student());
        return Objects.requireNonNull(taken);
    }

    private Taken addNow(Writer by, Person person, long number, Choices choices, String fingerprint) {
        Seen seen = preview(by.student(), person, number, choices);
        if (!seen.looked().fingerprint().equals(fingerprint)) {
            throw Refusal.changedSince("What this link would bring");
        }
        if (service.standing(by.student()).size() >= MOST_LINKS) {
            throw Refusal.conflict("There are " + MOST_LINKS + " links already", "Remove one that isn't needed.");
        }
        Look look = seen.look();
        return intake.take(
                new Intake.Asked(
                        by.student(),
                        by.person(),
                        person.zone(),
                        "Added the link " + look.link().name()),
                look.link(),
                seen.looked(),
                new Intake.Answered(look.news().upTo(), look.news().tag(), LinkService.EVERY));
    }

    private Board board(long student, Person person) {
        return boards.read(student, ZoneId.of(person.zone()), clock.instant());
    }
}
