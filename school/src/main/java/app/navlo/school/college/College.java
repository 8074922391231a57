package app.navlo.school.college;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The school at work. Whoever asks it something has it catch up with its clock first: what teachers did since then is put
 * among the deeds, at the instants at which they did it. The same seed and the same requests give the same deeds.
 */
public final class College implements AutoCloseable {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String SITE = "Course site";

    private final CollegeFiles.Read files;
    private final Teachers teachers;
    private final CollegeStore store;
    private final InstantSource clock;
    private final List<Deed> deeds = new ArrayList<>();
    private final Map<String, Item> items = new LinkedHashMap<>();
    private final Map<String, List<Deed>> lives = new LinkedHashMap<>();
    private final long begunWith;

    private College(School school, String url, InstantSource clock) {
        this.files = CollegeFiles.read(school);
        this.teachers = new Teachers(files, school.seed());
        this.store = new CollegeStore(url);
        this.clock = clock;
        for (Item item : files.items()) {
            items.put(item.key(), item);
            lives.put(item.key(), new ArrayList<>());
        }
        List<Deed> kept = store.deeds();
        if (kept.isEmpty()) {
            append(files.happened());
        } else {
            kept.forEach(this::take);
        }
        this.begunWith = files.happened().size();
    }

    /**
     * @param url of H2, of a database of its own
     * @param clock that says what time it is at the school
     */
    public static College open(School school, String url, InstantSource clock) {
        return new College(school, url, clock);
    }

    private void take(Deed deed) {
        deeds.add(deed);
        life(deed.item()).add(deed);
    }

    private List<Deed> append(List<Deed> more) {
        List<Deed> numbered = new ArrayList<>();
        for (Deed deed : more) {
            long id = deeds.size() + 1L;
            Deed one = new Deed(id, deed.at(), deed.kind(), deed.item(), deed.by(), deed.body());
            take(one);
            numbered.add(one);
        }
        store.add(numbered);
        return numbered;
    }

    /** Has the teachers do what they had to do by now. */
    private void catchUp() {
        Instant now = clock.instant();
        List<Deed> done = new ArrayList<>();
        Map<String, Optional<Deed>> next = new LinkedHashMap<>();
        items.forEach((key, item) -> next.put(key, teachers.next(item, life(key))));
        while (true) {
            Deed first = null;
            for (Optional<Deed> one : next.values()) {
                boolean sooner = one.isPresent()
                        && !one.get().at().isAfter(now)
                        && (first == null || one.get().at().isBefore(first.at()));
                first = sooner ? one.get() : first;
            }
            if (first == null) {
                break;
            }
            Deed numbered =
                    new Deed(deeds.size() + 1L, first.at(), first.kind(), first.item(), first.by(), first.body());
            take(numbered);
            done.add(numbered);
            Item item = Objects.requireNonNull(items.get(first.item()));
            next.put(first.item(), teachers.next(item, life(first.item())));
        }
        if (!done.isEmpty()) {
            store.add(done);
        }
    }

    public String name() {
        return files.name();
    }

    CollegeFiles.Read files() {
        return files;
    }

    Instant now() {
        return clock.instant();
    }

    CollegeStore store() {
        return store;
    }

    /** The last of the deeds that the school began with. */
    long begunWith() {
        return begunWith;
    }

    /** Up to now, after {@code after}, at most so many. */
    synchronized List<Deed> deedsAfter(long after, int most) {
        catchUp();
        int from = (int) Math.min(Math.max(after, 0), deeds.size());
        return List.copyOf(deeds.subList(from, Math.min(deeds.size(), from + most)));
    }

    synchronized long lastDeed() {
        catchUp();
        return deeds.size();
    }

    /** What the class has seen by now. */
    synchronized List<Item> published() {
        catchUp();
        Instant now = clock.instant();
        return items.values().stream()
                .filter(item ->
                        !item.published().isAfter(now) || !life(item.key()).isEmpty())
                .toList();
    }

    synchronized List<Deed> life(Item item) {
        return lifeOf(item.key());
    }

    synchronized List<Deed> lifeOf(String item) {
        return List.copyOf(life(item));
    }

    /** Why the school takes something not; in words for the person at the screen. */
    static final class Refused extends Exception {
        private static final long serialVersionUID = 1L;

        final int status;

        Refused(int status, String why) {
            super(why);
            this.status = status;
        }
    }

    /** Something that the student does. @return with its number */
    synchronized Deed student(Deed.Kind kind, @Nullable String key, ObjectNode body) throws Refused {
        catchUp();
        Instant now = clock.instant();
        Item item = key == null ? null : items.get(key);
        if (item == null || item.published().isAfter(now)) {
            throw new Refused(404, "The school has no such piece of work. Ask it again what there is.");
        }
        if (kind == Deed.Kind.HANDED_IN) {
            check(item, now);
            body.put("attempt", used(item) + 1);
        }
        return append(List.of(new Deed(0, now, kind, item.key(), files.student(), body)))
                .get(0);
    }

    /** Begins an attempt at what is answered on the course site; nothing if one is begun. */
    synchronized void begin(Item item) throws Refused {
        catchUp();
        if (!isBegun(item)) {
            Instant now = clock.instant();
            check(item, now);
            append(List.of(new Deed(0, now, Deed.Kind.ATTEMPT_BEGUN, item.key(), files.student(), attempt(item))));
        }
    }

    /** Hands in what was answered on the course site, which scores it at once. */
    synchronized void answer(Item item, List<String> given) throws Refused {
        catchUp();
        if (!isBegun(item)) {
            throw new Refused(409, "This attempt is over. Begin another one if there is one left.");
        }
        Instant now = clock.instant();
        check(item, now);
        ObjectNode taken = Quiz.handIn(given).setAll(attempt(item));
        ObjectNode scored = attempt(item)
                .put("points", item.quiz().points(given, Objects.requireNonNullElse(item.points(), BigDecimal.ZERO)));
        append(List.of(
                new Deed(0, now, Deed.Kind.HANDED_IN, item.key(), files.student(), taken),
                new Deed(0, now, Deed.Kind.SCORED, item.key(), SITE, scored)));
    }

    private ObjectNode attempt(Item item) {
        return JSON.createObjectNode().put("attempt", used(item) + 1);
    }

    /** Whether an attempt is begun that isn't handed in. */
    synchronized boolean isBegun(Item item) {
        boolean begun = false;
        for (Deed deed : life(item.key())) {
            begun = deed.kind() == Deed.Kind.ATTEMPT_BEGUN || (begun && deed.kind() != Deed.Kind.HANDED_IN);
        }
        return begun;
    }

    /** Why no attempt can be begun or handed in now; null if one can. */
    synchronized @Nullable String whyNot(Item item) {
        try {
            check(item, clock.instant());
            return null;
        } catch (Refused refused) {
            return refused.getMessage();
        }
    }

    /** Hand-ins that weren't taken back. */
    synchronized long used(Item item) {
        return life(item.key()).stream()
                .mapToLong(deed -> deed.kind() == Deed.Kind.HANDED_IN ? 1 : deed.kind() == Deed.Kind.WITHDRAWN ? -1 : 0)
                .sum();
    }

    private void check(Item item, Instant now) throws Refused {
        List<Deed> life = life(item.key());
        if (!item.quiz().isEmpty() && item.opens() != null && now.isBefore(item.opens())) {
            throw new Refused(409, "It isn't open yet.");
        }
        if (item.closes() != null && now.isAfter(item.closes())) {
            throw new Refused(409, "It is closed: the school takes nothing more for it.");
        }
        boolean sentBack = !life.isEmpty() && life.get(life.size() - 1).kind() == Deed.Kind.SENT_BACK;
        if (item.attempts() > 0 && used(item) >= item.attempts() && !sentBack) {
            throw new Refused(409, "All " + item.attempts() + " attempts are used.");
        }
    }

    @Override
    public void close() {
        store.close();
    }

    private List<Deed> life(String item) {
        return Objects.requireNonNull(lives.get(item), item);
    }
}
