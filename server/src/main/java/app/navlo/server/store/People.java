package app.navlo.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Repository;

/** People, and whose work each may read. */
@Repository
public class People {
    private final JdbcClient db;

    public People(JdbcClient db) {
        this.db = db;
    }

    /** A student as others see it. */
    public record Student(long id, String name, String zone) {}

    /** @param passwordHash never the password itself */
    public record NewPerson(
            String email, String passwordHash, String name, Role role, String zone, Instant createdAt) {}

    /** @param passwordHash never the password itself */
    public record PersonRow(long id, String email, String name, Role role, String zone, String passwordHash) {}

    /** Whose address it is, however it is written; nobody who is disabled. */
    public Optional<PersonRow> find(String email) {
        return db.sql("""
                SELECT id, email, name, role, zone, password_hash FROM person WHERE email_key = :key AND disabled_at IS NULL
                """).param("key", key(email)).query(People::person).optional();
    }

    /** Nobody who is disabled. */
    public Optional<PersonRow> byId(long id) {
        return db.sql("""
                SELECT id, email, name, role, zone, password_hash FROM person WHERE id = :id AND disabled_at IS NULL
                """).param("id", id).query(People::person).optional();
    }

    private static PersonRow person(ResultSet row, int n) throws SQLException {
        return new PersonRow(
                row.getLong("id"),
                row.getString("email"),
                row.getString("name"),
                Role.valueOf(row.getString("role")),
                row.getString("zone"),
                row.getString("password_hash"));
    }

    /** An address as it is compared: nobody else can have it written otherwise. */
    public static String key(String email) {
        return email.strip().toLowerCase(Locale.ROOT);
    }

    /**
     * How a person reads times and days; what is null is as their browser does.
     *
     * @param firstWeekday 1 is Monday, 7 Sunday
     */
    public record Formats(
            @Nullable Boolean hour12,
            @Nullable Integer firstWeekday,
            @Nullable DateOrder dateOrder) {}

    /** In which a day is written. */
    public enum DateOrder {
        DAY_FIRST,
        MONTH_FIRST,
        YEAR_FIRST
    }

    public Formats formats(long person) {
        return db.sql("SELECT hour12, first_weekday, date_order FROM person WHERE id = :id")
                .param("id", person)
                .query((row, n) -> new Formats(
                        row.getObject("hour12", Boolean.class),
                        row.getObject("first_weekday", Integer.class),
                        row.getString("date_order") == null ? null : DateOrder.valueOf(row.getString("date_order"))))
                .single();
    }

    /** @throws org.springframework.dao.DuplicateKeyException if somebody else has that address */
    public void change(long person, String name, String email, String zone, Formats formats) {
        db.sql("""
                UPDATE person SET name = :name, email = :email, email_key = :key, zone = :zone, hour12 = :hour12,
                    first_weekday = :weekday, date_order = :order
                WHERE id = :id
                """)
                .param("name", name.strip())
                .param("email", email.strip())
                .param("key", key(email))
                .param("zone", zone)
                .param("hour12", formats.hour12())
                .param("weekday", formats.firstWeekday())
                .param(
                        "order",
                        formats.dateOrder() == null ? null : formats.dateOrder().name())
                .param("id", person)
                .update();
    }

    public boolean isEmpty() {
        return db.sql("SELECT COUNT(*) FROM person").query(Long.class).single() == 0;
    }

    /** @param hash never the password itself */
    public void setPassword(long person, String hash) {
        db.sql("UPDATE person SET password_hash = :hash WHERE id = :id")
                .param("hash", hash)
                .param("id", person)
                .update();
    }

    /** The hash of somebody's password. */
    public String passwordOf(long person) {
        return db.sql("SELECT password_hash FROM person WHERE id = :id")
                .param("id", person)
                .query(String.class)
                .single();
    }

    public boolean knows(String email) {
        return db.sql("SELECT COUNT(*) FROM person WHERE email_key = :key")
                        .param("key", key(email))
                        .query(Long.class)
                        .single()
                > 0;
    }

    public long add(NewPerson person) {
        KeyHolder id = new GeneratedKeyHolder();
        db.sql("""
                INSERT INTO person (email, email_key, password_hash, name, role, zone, created_at)
                VALUES (:email, :key, :hash, :name, :role, :zone, :created)
                """)
                .param("email", person.email().strip())
                .param("key", key(person.email()))
                .param("hash", person.passwordHash())
                .param("name", person.name().strip())
                .param("role", person.role().name())
                .param("zone", person.zone())
                .param("created", person.createdAt())
                .update(id, "id");
        return Rows.newId(id);
    }

    /** Whose data a person may read: a student its own, a guardian those who accepted it. */
    public List<Student> readableBy(long person) {
        return db.sql("""
                SELECT id, name, zone FROM person p
                WHERE (p.id = :id AND p.role = 'STUDENT')
                   OR EXISTS (SELECT 1 FROM guardianship g WHERE g.guardian_id = :id AND g.student_id = p.id)
                ORDER BY p.id
                """)
                .param("id", person)
                .query((row, n) -> new Student(row.getLong("id"), row.getString("name"), row.getString("zone")))
                .list();
    }

    public Optional<Student> student(long id) {
        return db.sql("SELECT id, name, zone FROM person WHERE id = :id AND role = 'STUDENT'")
                .param("id", id)
                .query((row, n) -> new Student(row.getLong("id"), row.getString("name"), row.getString("zone")))
                .optional();
    }
}
