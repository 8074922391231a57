package app.navlo.server;

/** Settings that tests share. */
final class TestSettings {
    /** A database of its own in memory for each context. */
    static final String MEMORY =
            "spring.datasource.url=jdbc:h2:mem:${random.uuid};DB_CLOSE_DELAY=-1;LOCK_TIMEOUT=20000";

    static final String DEMO = "navlo.demo=true";

    /** The demo's clock stands still, so that tests know what it shows. */
    static final String STILL = "navlo.demo.clock=still";

    static final String MIRA = "mira@thornmere.example";
    static final String MIRAS_PASSWORD = "garden-gate-24";
    static final String TOBIAS = "tobias@solheim.example";
    static final String TOBIAS_PASSWORD = "tool-shed-11";

    private TestSettings() {}
}
