package app.navlo.server.links;

import app.navlo.server.change.Changed;
import app.navlo.server.change.OneChange;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.Key;
import app.navlo.server.store.Links.KeyKind;
import app.navlo.server.store.Links.Link;
import app.navlo.server.store.Material;
import app.navlo.server.store.Material.OtherRecord;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Parts a match of two records, or puts the record with the work that it is really of. */
@Service
class MatchService {
    /** What a link's key means that is of nothing here. */
    private static final long NOTHING = 0;

    private final LinkService links;
    private final Links store;
    private final Material material;
    private final Changes changes;
    private final WorkWrites works;
    private final OneChange one;

    MatchService(LinkService links, Links store, Material material, Changes changes, WorkWrites works, OneChange one) {
        this.links = links;
        this.store = store;
        this.material = material;
        this.changes = changes;
        this.works = works;
        this.one = one;
    }

    @Transactional
    public Changed match(Writer writer, long work, String book, @Nullable Long with) {
        long student = writer.student();
        Set<Long> undone = changes.undone(student);
        String title = works.open(writer, work).work().definition().title();
        if (with != null) {
            works.open(writer, with);
        }
        OtherRecord record = material.otherRecords(work, undone).stream()
                .filter(other -> other.toldBy().equals(book))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("record of " + book));
        String summary = with == null
                ? book + "’s record isn’t of " + title
                : "Put " + book + "’s record with other work than " + title;
        String asked = "match " + work + " " + book + " " + with;
        return one.write(writer, asked, ChangeKind.OWN, summary, change -> {
            material.partOtherRecord(student, work, change, record);
            if (with != null) {
                material.addOtherRecord(student, with, change, record);
                works.touch(writer, with, change);
            }
            remember(student, work, book, with, change);
            works.touch(writer, work, change);
            return work;
        });
    }

    /** So that the next asking puts it there, too. */
    private void remember(long student, long work, String book, @Nullable Long with, long change) {
        for (Link link : links.standing(student)) {
            if (!link.name().equals(book)) {
                continue;
            }
            Map<String, Key> keys =
                    store.keys(link.id(), changes.undone(student)).get(KeyKind.WORK);
            Objects.requireNonNull(keys).forEach((key, ours) -> {
                if (ours.ours() == work && !ours.undone()) {
                    store.addKey(link.id(), change, KeyKind.WORK, key, with == null ? NOTHING : with, false);
                }
            });
        }
    }
}
