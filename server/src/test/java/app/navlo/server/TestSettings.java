package app.navlo.server;

/** Settings that tests share. */
final class TestSettings {
    /** A database of its own in memory for each context. */
    static final String MEMORY = "spring.datasource.url=jdbc:h2:mem:${random.uuid};DB_CLOSE_DELAY=-1";

    private TestSettings() {}
}
