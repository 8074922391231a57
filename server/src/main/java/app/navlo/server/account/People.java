package app.navlo.server.account;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.stereotype.Repository;

/** People, and which guardian was accepted by which student. */
@Repository
public class People implements UserDetailsService {
    private final JdbcClient db;

    People(JdbcClient db) {
        this.db = db;
    }

    /** A student as others see it. */
    public record Student(long id, String name, String zone) {}

    /** @param passwordHash never the password itself */
    public record NewPerson(
            String email, String passwordHash, String name, Role role, String zone, Instant createdAt) {}

    @Override
    public UserDetails loadUserByUsername(String email) {
        return db.sql("""
                SELECT id, email, name, role, zone, password_hash FROM person WHERE email_key = :key
                """)
                .param("key", key(email))
                .query(People::person)
                .optional()
                .orElseThrow(() -> new UsernameNotFoundException("no such person"));
    }

    private static Person person(ResultSet row, int n) throws SQLException {
        return new Person(
                row.getLong("id"),
                row.getString("email"),
                row.getString("name"),
                Role.valueOf(row.getString("role")),
                row.getString("zone"),
                row.getString("password_hash"));
    }

    static String key(String email) {
        return email.strip().toLowerCase(Locale.ROOT);
    }

    public boolean isEmpty() {
        return db.sql("SELECT COUNT(*) FROM person").query(Long.class).single() == 0;
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
        return id.getKeyAs(Long.class);
    }

    public void accept(long student, long guardian, Instant at) {
        db.sql("""
                INSERT INTO guardianship (guardian_id, student_id, accepted_at) VALUES (:guardian, :student, :at)
                """)
                .param("guardian", guardian)
                .param("student", student)
                .param("at", at)
                .update();
    }

    /** Whether {@code student} accepted this guardian. */
    public boolean guards(long guardian, long student) {
        return db.sql("""
                        SELECT COUNT(*) FROM guardianship WHERE guardian_id = :guardian AND student_id = :student
                        """)
                        .param("guardian", guardian)
                        .param("student", student)
                        .query(Long.class)
                        .single()
                > 0;
    }

    /** Whose data a person may read: a student its own, a guardian those who accepted it. */
    public List<Student> readableBy(Person person) {
        return db.sql("""
                SELECT id, name, zone FROM person p
                WHERE (p.id = :id AND p.role = 'STUDENT')
                   OR EXISTS (SELECT 1 FROM guardianship g WHERE g.guardian_id = :id AND g.student_id = p.id)
                ORDER BY p.id
                """)
                .param("id", person.id())
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
