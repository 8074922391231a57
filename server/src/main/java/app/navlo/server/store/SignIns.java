package app.navlo.server.store;

import org.springframework.jdbc.core.simple.JdbcClient;

/** The sign-ins that stand, where no server runs that holds them. */
public final class SignIns {
    private final JdbcClient db;

    public SignIns(JdbcClient db) {
        this.db = db;
    }

    /** @return how many there were */
    public int endAllOf(long person) {
        return db.sql("DELETE FROM spring_session WHERE principal_name = :person")
                .param("person", Long.toString(person))
                .update();
    }
}
