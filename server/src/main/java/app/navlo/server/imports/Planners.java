package app.navlo.server.imports;

import app.navlo.server.board.Board;
import app.navlo.server.store.Announcements;
import app.navlo.server.store.Announcements.Announcement;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.Link;
import app.navlo.server.store.Material;
import app.navlo.server.store.Material.OtherRecord;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Makes what compares the words of a link with the board. */
@Component
public class Planners {
    private final Links links;
    private final Material material;
    private final Changes changes;
    private final Announcements announcements;

    Planners(Links links, Material material, Changes changes, Announcements announcements) {
        this.links = links;
        this.material = material;
        this.changes = changes;
        this.announcements = announcements;
    }

    public SyncPlanner of(Link link, Board board) {
        boolean second = link.access().kind() != Links.Kind.BOX;
        Set<Long> undone = changes.undone(link.student());
        return new SyncPlanner(
                board,
                links.keys(link.id(), undone),
                second,
                records(link.student(), link.name(), undone),
                announced(link));
    }

    /** All that a link ever announced, what was undone as well. */
    private Map<String, Announcement> announced(Link link) {
        Map<String, Announcement> announced = new HashMap<>();
        announcements.all(link.student(), Set.of()).stream()
                .filter(one -> one.source().equals(link.name()))
                .forEach(one -> announced.put(one.item(), one));
        return announced;
    }

    /** What a link told so far as a second record, by work. */
    public Map<Long, OtherRecord> records(long student, String book, Set<Long> undone) {
        Map<Long, OtherRecord> records = new HashMap<>();
        material.otherRecordsOf(student, undone).forEach((work, told) -> told.stream()
                .filter(record -> record.toldBy().equals(book))
                .forEach(record -> records.put(work, record)));
        return records;
    }
}
