package app.navlo.server.store;

import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** This Navlo itself: who was the first here. */
@Repository
public class Instance {
    private final JdbcClient db;

    Instance(JdbcClient db) {
        this.db = db;
    }

    public boolean isWithoutFirst() {
        return db.sql("SELECT COUNT(*) FROM instance WHERE first_person_id IS NULL")
                        .query(Long.class)
                        .single()
                > 0;
    }

    /** Makes somebody the first, who administers. @return false if another is */
    public boolean first(long person) {
        boolean first = db.sql("UPDATE instance SET first_person_id = :person WHERE id = 1 AND first_person_id IS NULL")
                        .param("person", person)
                        .update()
                == 1;
        if (first) {
            db.sql("UPDATE person SET administrator = TRUE WHERE id = :person")
                    .param("person", person)
                    .update();
        }
        return first;
    }

    public boolean administers(long person) {
        return db.sql("SELECT COUNT(*) FROM person WHERE id = :person AND administrator AND disabled_at IS NULL")
                        .param("person", person)
                        .query(Long.class)
                        .single()
                > 0;
    }

    /** Whether there would be people here and none who administers and stays without this one. */
    public boolean needs(long person) {
        return administers(person)
                && db.sql("""
                        SELECT (SELECT COUNT(*) FROM person WHERE id <> :person) > 0
                            AND (SELECT COUNT(*) FROM person WHERE id <> :person AND administrator AND disabled_at IS NULL
                                AND leaves_at IS NULL) = 0
                        """).param("person", person).query(Boolean.class).single();
    }
}
