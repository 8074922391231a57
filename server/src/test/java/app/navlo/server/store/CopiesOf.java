package app.navlo.server.store;

import org.springframework.jdbc.core.simple.JdbcClient;

/** Copies of a database that a test has made. */
public final class CopiesOf {
    private CopiesOf() {}

    public static Copies the(JdbcClient db) {
        return new Copies(db);
    }
}
