package app.navlo.server.school;

import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.Key;
import app.navlo.server.store.Links.KeyKind;
import app.navlo.server.store.Links.Link;
import app.navlo.server.store.Material;
import app.navlo.server.store.Material.OtherRecord;
import app.navlo.server.work.EditedView;
import app.navlo.server.work.OneChange;
import app.navlo.server.work.WorkDesk;
import app.navlo.server.work.Writer;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Parts a match of two records, or puts the record with the work that it is really of. */
@Service
class MatchDesk {
    /** What a link's key means that is of nothing here. */
    private static final long NOTHING = 0;

    private final LinkDesk links;
    private final Links store;
    private final Material material;
    private final Changes changes;
    private final WorkDesk works;
    private final OneChange one;

    MatchDesk(LinkDesk links, Links store, Material material, Changes changes, WorkDesk works, OneChange one) {
        this.links = links;
        this.store = store;
        this.material = material;
        this.changes = changes;
        this.works = works;
        this.one = one;
    }

    @Transactional
    public EditedView match(Writer writer, long work, String book, @Nullable Long with) {
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
            keys.forEach((key, ours) -> {
                if (ours.ours() == work && !ours.undone()) {
                    store.addKey(link.id(), change, KeyKind.WORK, key, with == null ? NOTHING : with, false);
                }
            });
        }
    }
}
