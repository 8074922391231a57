package app.navlo.server.links;

import app.navlo.server.account.Person;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.change.Changed;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.Writer;
import app.navlo.server.imports.Planners;
import app.navlo.server.imports.SyncDelta;
import app.navlo.server.imports.SyncPlan;
import app.navlo.server.imports.SyncWords;
import app.navlo.server.imports.SyncWriter;
import app.navlo.server.links.AskingNow.Stage;
import app.navlo.server.links.SchoolLink.LinkFault;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.ops.Pauses;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.Link;
import app.navlo.server.store.Material;
import app.navlo.server.store.People;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Links to schools' systems: added after a look at what they would bring, asked again and again, paused and removed. What
 * they tell is written down whole or not at all, as a change that can be undone.
 */
@Service
class LinkService {
    private static final Logger LOG = LoggerFactory.getLogger(LinkService.class);
    static final Duration EVERY = Duration.ofMinutes(15);
    private static final Pauses PAUSES = Pauses.of(
            Duration.ofMinutes(2),
            Duration.ofMinutes(15),
            Duration.ofHours(1),
            Duration.ofHours(4),
            Duration.ofHours(24));
    private static final int LONGEST_FAULT = 400;
    private static final int LONGEST_NAME = 200;

    private final Map<Links.Kind, SchoolLink> kinds = new EnumMap<>(Links.Kind.class);
    private final Links links;
    private final Boards boards;
    private final People people;
    private final Changes changes;
    private final OneChange one;
    private final SyncWriter writer;
    private final Planners planners;
    private final Material material;
    private final AskingNow asking;
    private final TransactionTemplate transaction;
    private final LiveFeed live;
    private final ServerClock clock;

    LinkService(
            List<SchoolLink> kinds,
            Links links,
            Boards boards,
            People people,
            Changes changes,
            OneChange one,
            SyncWriter writer,
            Planners planners,
            Material material,
            AskingNow asking,
            TransactionTemplate transaction,
            LiveFeed live,
            ServerClock clock) {
        kinds.forEach(kind -> this.kinds.put(kind.kind(), kind));
        this.links = links;
        this.boards = boards;
        this.people = people;
        this.changes = changes;
        this.one = one;
        this.writer = writer;
        this.planners = planners;
        this.material = material;
        this.asking = asking;
        this.transaction = transaction;
        this.live = live;
        this.clock = clock;
    }

    SchoolLink kind(Link link) {
        return Objects.requireNonNull(kinds.get(link.access().kind()));
    }

    Set<SchoolLink.Ability> abilities(Links.Kind kind) {
        return Objects.requireNonNull(kinds.get(kind)).abilities();
    }

    List<Link> standing(long student) {
        return links.of(student, changes.undone(student));
    }

    Link find(long student, long id) {
        return standing(student).stream()
                .filter(link -> link.id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("link"));
    }

    @Nullable
    Stage stage(long link) {
        return asking.stage(link);
    }

    private static String cut(String text, int longest) {
        return text.substring(0, Math.min(longest, text.length()));
    }

    Changed set(Writer by, long id, String name, boolean paused) {
        Link link = find(by.student(), id);
        String what = paused == link.paused() ? "Renamed" : paused ? "Paused" : "Went on with";
        String called = cut(name.strip(), LONGEST_NAME);
        String asked = "link " + id + " " + called + " " + paused;
        LOG.info("person {}: link {} of student {} is {}", by.person(), id, by.student(), paused ? "paused" : "asked");
        return one.write(by, asked, ChangeKind.OWN, what + " the link " + called, change -> {
            links.revise(id, change, called, paused, false);
            rename(by.student(), link.name(), called, change);
            if (!paused) {
                links.askAt(id, clock.instant());
            }
            return id;
        });
    }

    /** Its second records stay its own under its new name. */
    private void rename(long student, String was, String called, long change) {
        if (was.equals(called)) {
            return;
        }
        planners.records(student, was, changes.undone(student)).forEach((work, record) -> {
            material.partOtherRecord(student, work, change, record);
            material.addOtherRecord(student, work, change, record.by(called, record.toldAt()));
        });
    }

    Changed remove(Writer by, long id) {
        Link link = find(by.student(), id);
        LOG.info("person {} removed link {} of student {}", by.person(), id, by.student());
        return one.write(by, "remove link " + id, ChangeKind.OWN, "Removed the link " + link.name(), change -> {
            links.revise(id, change, link.name(), link.paused(), true);
            return id;
        });
    }

    /** @param anew whether all of it is read again from the beginning @throws Refusal with what went wrong */
    String askNow(long student, long id, Person person, boolean anew) {
        find(student, id);
        if (asking.stage(id) != null) {
            return "It is being asked just now.";
        }
        if (anew) {
            links.fromTheBeginning(id, clock.instant());
        }
        Link link = find(student, id);
        try {
            return ask(link, person.zone(), person.id());
        } catch (AskingNow.Stopped stopped) {
            throw Refusal.conflict("Stopped", "Nothing of it was taken.");
        } catch (LinkFault fault) {
            throw Refusal.conflict(link.name() + " can't be read now", String.valueOf(fault.getMessage()));
        }
    }

    void stop(long student, long id) {
        find(student, id);
        asking.stop(id);
    }

    /** Asks it, and writes down what is new. @return what that was, in words @throws LinkFault if it failed; it is kept */
    String ask(Link link, String zone, @Nullable Long person) throws LinkFault {
        if (!asking.begin(link.id())) {
            throw new LinkFault("It is being asked already. Wait until that has ended.", false, null);
        }
        try {
            SyncDelta news = kind(link).ask(link, boards.zone(link.student(), ZoneId.of(zone)));
            asking.reached(link.id(), Stage.COMPARING);
            return take(link, news, ZoneId.of(zone), person);
        } catch (LinkFault fault) {
            Duration pause = PAUSES.after(link.faring().failures() + 1);
            links.failed(
                    link.id(),
                    cut(String.valueOf(fault.getMessage()), LONGEST_FAULT),
                    clock.instant().plus(pause));
            throw fault;
        } finally {
            asking.end(link.id());
            live.changed(link.student());
        }
    }

    private String take(Link link, SyncDelta news, ZoneId zone, @Nullable Long person) {
        Instant now = clock.instant();
        if (news.told() == null) {
            links.answered(link.id(), news.upTo(), news.tag(), null, now, now.plus(EVERY));
            return "nothing new";
        }
        return Objects.requireNonNull(transaction.execute(status -> {
            changes.lock(link.student());
            Board board = board(link.student(), zone);
            SyncPlan plan = planners.of(link, board).plan(news);
            asking.reached(link.id(), Stage.WRITING);
            String words = null;
            if (!plan.isEmpty()) {
                long change = changes.add(new Changes.NewChange(
                        link.student(),
                        person,
                        ChangeKind.IMPORT,
                        now,
                        link.name(),
                        SyncWords.summary(link.name(), plan)));
                words = writer.write(link, plan, board, change, now);
            }
            links.answered(link.id(), news.upTo(), news.tag(), words, now, now.plus(EVERY));
            return Objects.requireNonNullElse(words, "nothing new");
        }));
    }

    private Board board(long student, ZoneId zone) {
        return boards.read(student, zone, clock.instant());
    }

    /** In which the days of a student are counted. */
    String zone(long student) {
        return people.student(student).map(People.Student::zone).orElse("UTC");
    }
}
