package app.navlo.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Connections to schools' systems, what they call our things, and what they brought. */
@Repository
public class Links {
    /** Begins what was sealed, so that it is told from what lies open. */
    private static final String SEALED = "sealed:";

    private final JdbcClient db;
    private final Keyring keyring;

    Links(JdbcClient db, Keyring keyring) {
        this.db = db;
        this.keyring = keyring;
    }

    public enum Kind {
        /** A course site with a hand-in box: dues, gradebook, handing in and asking. */
        BOX,
        /** A calendar: dues only. */
        CALENDAR,
        /** A gradebook's bundle: dues and scores. */
        ROSTER,
        /** Files of one source, read in by hand: dues and scores. */
        FILE
    }

    /**
     * How a link is reached.
     *
     * @param token with which it is asked; null for none
     * @param knownAs who the student is there; null where that goes without saying
     */
    public record Access(
            Kind kind,
            String address,
            @Nullable String token,
            @Nullable String knownAs) {}

    /**
     * How a link fares.
     *
     * @param upTo where it goes on from; null for the beginning
     * @param tag of what it last told; null for none
     * @param askedAt when it last answered
     * @param toldAt when it last told anything new
     * @param nextAskAt null while it isn't asked
     * @param failures in a row
     * @param fault what went wrong last; null if it went well
     * @param news what it last told, in words; null for nothing yet
     */
    public record Faring(
            @Nullable String upTo,
            @Nullable String tag,
            @Nullable Instant askedAt,
            @Nullable Instant toldAt,
            @Nullable Instant nextAskAt,
            int failures,
            @Nullable String fault,
            @Nullable String news) {}

    public record Link(long id, long student, String name, boolean paused, Access access, Faring faring) {}

    /** Those that stand, in the order in which they came. */
    public List<Link> of(long student, Set<Long> undone) {
        Map<Long, Link> standing = new LinkedHashMap<>();
        db.sql("""
                SELECT l.id, l.student_id, l.kind, l.address, l.token, l.known_as, l.told_up_to, l.tag, l.asked_at,
                       l.told_at, l.next_ask_at, l.failures, l.fault, l.news, r.change_id, r.gone, r.paused, r.name
                FROM link l JOIN link_revision r ON r.link_id = l.id
                WHERE l.student_id = :student ORDER BY r.id
                """).param("student", student).query(row -> {
            if (undone.contains(row.getLong("change_id"))) {
                return;
            }
            if (row.getBoolean("gone")) {
                standing.remove(row.getLong("id"));
            } else {
                standing.put(row.getLong("id"), link(row));
            }
        });
        return new ArrayList<>(standing.values());
    }

    /** How several students' links fare, by the number of the link. */
    public Map<Long, Faring> faring(Collection<Long> students) {
        Map<Long, Faring> faring = new LinkedHashMap<>();
        if (!students.isEmpty()) {
            db.sql("""
                    SELECT id, told_up_to, tag, asked_at, told_at, next_ask_at, failures, fault, news
                    FROM link WHERE student_id IN (:students)
                    """).param("students", students).query(row -> {
                faring.put(row.getLong("id"), faring(row));
            });
        }
        return faring;
    }

    private Link link(ResultSet row) throws SQLException {
        return new Link(
                row.getLong("id"),
                row.getLong("student_id"),
                row.getString("name"),
                row.getBoolean("paused"),
                new Access(
                        Kind.valueOf(row.getString("kind")),
                        row.getString("address"),
                        token(row.getString("token")),
                        row.getString("known_as")),
                faring(row));
    }

    /** Null for one that was sealed with another key: then the school says that nobody is let in with it. */
    private @Nullable String token(@Nullable String stored) {
        if (stored == null || !stored.startsWith(SEALED)) {
            return stored;
        }
        return keyring.open(stored.substring(SEALED.length())).orElse(null);
    }

    private @Nullable String sealed(@Nullable String token) {
        return token == null ? null : SEALED + keyring.seal(token);
    }

    /** Seals the tokens that still lie open, from before there was a key. */
    @EventListener(ApplicationReadyEvent.class)
    @Transactional
    public void sealTokens() {
        Map<Long, String> open = new HashMap<>();
        db.sql("SELECT id, token FROM link WHERE token IS NOT NULL AND token NOT LIKE :sealed")
                .param("sealed", SEALED + "%")
                .query(row -> {
                    open.put(row.getLong("id"), row.getString("token"));
                });
        open.forEach((link, token) -> db.sql("UPDATE link SET token = :token WHERE id = :link")
                .param("token", sealed(token))
                .param("link", link)
                .update());
    }

    private static Faring faring(ResultSet row) throws SQLException {
        return new Faring(
                row.getString("told_up_to"),
                row.getString("tag"),
                Rows.instantOrNull(row, "asked_at"),
                Rows.instantOrNull(row, "told_at"),
                Rows.instantOrNull(row, "next_ask_at"),
                row.getInt("failures"),
                row.getString("fault"),
                row.getString("news"));
    }

    /** @param upTo where it goes on from; null for the beginning */
    public long add(
            long student, long change, String name, Access access, @Nullable String upTo, @Nullable Instant nextAskAt) {
        KeyHolder key = new GeneratedKeyHolder();
        db.sql("""
                INSERT INTO link (student_id, kind, address, token, known_as, told_up_to, next_ask_at)
                VALUES (:student, :kind, :address, :token, :knownAs, :upTo, :next)
                """)
                .param("student", student)
                .param("kind", access.kind().name())
                .param("address", access.address())
                .param("token", sealed(access.token()))
                .param("knownAs", access.knownAs())
                .param("upTo", upTo)
                .param("next", nextAskAt)
                .update(key, "id");
        long id = Rows.newId(key);
        revise(id, change, name, false, false);
        return id;
    }

    public void revise(long link, long change, String name, boolean paused, boolean gone) {
        db.sql("""
                INSERT INTO link_revision (link_id, change_id, gone, paused, name)
                VALUES (:link, :change, :gone, :paused, :name)
                """)
                .param("link", link)
                .param("change", change)
                .param("gone", gone)
                .param("paused", paused)
                .param("name", name)
                .update();
    }

    /** It answered. @param news what was new, in words; null for nothing, and what it told before stays */
    public void answered(
            long link,
            @Nullable String upTo,
            @Nullable String tag,
            @Nullable String news,
            Instant now,
            @Nullable Instant next) {
        db.sql("""
                UPDATE link
                SET told_up_to = :upTo, tag = :tag, asked_at = :now, next_ask_at = :next, failures = 0, fault = NULL,
                    news = COALESCE(:news, news), told_at = CASE WHEN CAST(:news AS VARCHAR) IS NULL THEN told_at ELSE :now END
                WHERE id = :link
                """)
                .param("link", link)
                .param("upTo", upTo)
                .param("tag", tag)
                .param("news", news)
                .param("now", now)
                .param("next", next)
                .update();
    }

    /** What it told before stays. */
    public void failed(long link, String fault, Instant next) {
        db.sql("UPDATE link SET failures = failures + 1, fault = :fault, next_ask_at = :next WHERE id = :link")
                .param("link", link)
                .param("fault", fault)
                .param("next", next)
                .update();
    }

    /** It is asked again from the beginning, and at once. */
    public void fromTheBeginning(long link, Instant now) {
        db.sql("UPDATE link SET told_up_to = NULL, tag = NULL, next_ask_at = :now WHERE id = :link")
                .param("link", link)
                .param("now", now)
                .update();
    }

    public void askAt(long link, Instant at) {
        db.sql("UPDATE link SET next_ask_at = :at WHERE id = :link")
                .param("link", link)
                .param("at", at)
                .update();
    }

    public List<Long> studentsToAsk(Instant now) {
        return db.sql("SELECT DISTINCT student_id FROM link WHERE next_ask_at <= :now ORDER BY student_id")
                .param("now", now)
                .query(Long.class)
                .list();
    }

    /** Takes one in hand, so that no other server asks it at the same time. @return whether it was free to be taken */
    public boolean claim(long link, Instant now, Instant until) {
        return db.sql("UPDATE link SET next_ask_at = :until WHERE id = :link AND next_ask_at <= :now")
                        .param("link", link)
                        .param("now", now)
                        .param("until", until)
                        .update()
                == 1;
    }

    /** Those that are paused or removed aren't asked for a while. */
    public void rest(long student, List<Long> asked, Instant now, Instant until) {
        db.sql("""
                UPDATE link SET next_ask_at = :until
                WHERE student_id = :student AND next_ask_at <= :now AND id NOT IN (:asked)
                """)
                .param("student", student)
                .param("now", now)
                .param("until", until)
                .param("asked", asked.isEmpty() ? List.of(0L) : asked)
                .update();
    }

    /** What was said of a table with these heads; empty for nothing. */
    public Optional<String> mapping(long student, String heads) {
        return db.sql("SELECT mapping FROM table_mapping WHERE student_id = :student AND heads = :heads")
                .param("student", student)
                .param("heads", heads)
                .query(String.class)
                .optional();
    }

    public void rememberMapping(long student, String heads, String mapping) {
        db.sql("""
                MERGE INTO table_mapping (student_id, heads, mapping) KEY (student_id, heads)
                VALUES (:student, :heads, :mapping)
                """)
                .param("student", student)
                .param("heads", heads)
                .param("mapping", mapping)
                .update();
    }

    /** What words for states mean to this student, as they were asked. */
    public Map<String, String> stateWords(long student) {
        Map<String, String> words = new HashMap<>();
        db.sql("SELECT word, meaning FROM state_word WHERE student_id = :student")
                .param("student", student)
                .query(row -> {
                    words.put(row.getString("word"), row.getString("meaning"));
                });
        return words;
    }

    public void rememberWord(long student, String word, String meaning) {
        db.sql("""
                MERGE INTO state_word (student_id, word, meaning) KEY (student_id, word)
                VALUES (:student, :word, :meaning)
                """)
                .param("student", student)
                .param("word", word)
                .param("meaning", meaning)
                .update();
    }

    public enum KeyKind {
        COURSE,
        WORK,
        DEED
    }

    /**
     * @param ours the number of the course, the work or the fact
     * @param brought whether it came by this link
     * @param undone whether the change that said so is undone: it was told of, and the student wants it not
     */
    public record Key(long ours, boolean brought, boolean undone) {}

    /** By kind and by what the link calls them; the last that was said holds. */
    public Map<KeyKind, Map<String, Key>> keys(long link, Set<Long> undone) {
        Map<KeyKind, Map<String, Key>> keys = new HashMap<>();
        for (KeyKind kind : KeyKind.values()) {
            keys.put(kind, new HashMap<>());
        }
        db.sql("SELECT kind, source_key, change_id, ours, brought FROM link_key WHERE link_id = :link ORDER BY id")
                .param("link", link)
                .query(row -> {
                    Key key = new Key(
                            row.getLong("ours"), row.getBoolean("brought"), undone.contains(row.getLong("change_id")));
                    Map<String, Key> ofKind = keys.get(KeyKind.valueOf(row.getString("kind")));
                    Key before = Objects.requireNonNull(ofKind).get(row.getString("source_key"));
                    if (before == null || before.undone() || !key.undone()) {
                        ofKind.put(row.getString("source_key"), key);
                    }
                });
        return keys;
    }

    public void addKey(long link, long change, KeyKind kind, String sourceKey, long ours, boolean brought) {
        db.sql("""
                INSERT INTO link_key (link_id, change_id, kind, source_key, ours, brought)
                VALUES (:link, :change, :kind, :key, :ours, :brought)
                """)
                .param("link", link)
                .param("change", change)
                .param("kind", kind.name())
                .param("key", sourceKey)
                .param("ours", ours)
                .param("brought", brought)
                .update();
    }

    /** Whether this fact came by a link. */
    public boolean tellsOf(long fact) {
        return db.sql("SELECT COUNT(*) FROM link_key WHERE kind = 'DEED' AND ours = :fact AND brought")
                        .param("fact", fact)
                        .query(Long.class)
                        .single()
                > 0;
    }

    /** The fact that a deed of a link is. */
    public Optional<Long> factOf(long link, String deed) {
        return db.sql("""
                SELECT ours FROM link_key WHERE link_id = :link AND kind = 'DEED' AND source_key = :deed ORDER BY id DESC
                """).param("link", link).param("deed", deed).query(Long.class).list().stream()
                .findFirst();
    }

    /** What the link calls a piece of work; the link that brought it first. */
    public Optional<WorkKey> keyOf(long work, List<Long> links) {
        return db
                .sql("""
                SELECT link_id, source_key FROM link_key
                WHERE kind = 'WORK' AND ours = :work AND link_id IN (:links) ORDER BY brought DESC, id DESC
                """)
                .param("work", work)
                .param("links", links.isEmpty() ? List.of(0L) : links)
                .query((row, n) -> new WorkKey(row.getLong("link_id"), row.getString("source_key")))
                .list()
                .stream()
                .findFirst();
    }

    public record WorkKey(long link, String key) {}

    /** @param troubles a line each */
    public record Import(
            long change, Instant at, String summary, int added, int changed, int gone, int happened, String troubles) {}

    public void addImport(long link, Import one) {
        db.sql("""
                INSERT INTO link_import (change_id, link_id, added, changed, gone, happened, troubles)
                VALUES (:change, :link, :added, :changed, :gone, :happened, :troubles)
                """)
                .param("change", one.change())
                .param("link", link)
                .param("added", one.added())
                .param("changed", one.changed())
                .param("gone", one.gone())
                .param("happened", one.happened())
                .param("troubles", one.troubles())
                .update();
    }

    /** The latest first. */
    public List<Import> imports(long link, int atMost) {
        return db.sql("""
                SELECT i.change_id, c.at, c.summary, i.added, i.changed, i.gone, i.happened, i.troubles
                FROM link_import i JOIN change c ON c.id = i.change_id
                WHERE i.link_id = :link ORDER BY i.change_id DESC LIMIT :most
                """)
                .param("link", link)
                .param("most", atMost)
                .query((row, n) -> new Import(
                        row.getLong("change_id"),
                        Rows.instant(row, "at"),
                        row.getString("summary"),
                        row.getInt("added"),
                        row.getInt("changed"),
                        row.getInt("gone"),
                        row.getInt("happened"),
                        row.getString("troubles")))
                .list();
    }
}
