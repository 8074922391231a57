package app.navlo.server;

/** Settings that tests share. */
public final class TestSettings {
    /** A database of its own in memory for each context. */
    public static final String MEMORY =
            "spring.datasource.url=jdbc:h2:mem:${random.uuid};DB_CLOSE_DELAY=-1;LOCK_TIMEOUT=20000";

    public static final String DEMO = "navlo.demo=true";

    /** The demo's clock stands still, so that tests know what it shows. */
    public static final String STILL = "navlo.demo.clock=still";

    public static final String MIRA = "mira@thornmere.example";
    public static final String MIRAS_PASSWORD = "garden-gate-24";
    public static final String ANDERS = "anders@fernbank.example";
    public static final String ANDERS_PASSWORD = "paper-boat-13";
    public static final String TOBIAS = "tobias@solheim.example";
    public static final String TOBIAS_PASSWORD = "tool-shed-11";

    private TestSettings() {}
}
