package app.navlo.school.college;

/** The made-up schools, each out of a folder of files, with one student whose record it keeps. */
public enum School {
    THORNMERE("", "/demo/", "thornmere-box-4f1c9a", "TC", 20_261_124),
    FERNBANK("fernbank", "/demo/fernbank/", "fernbank-box-8d27e1", "FL", 20_261_113);

    private final String key;
    private final String folder;
    private final String token;
    private final String receipts;
    private final long seed;

    School(String key, String folder, String token, String receipts, long seed) {
        this.key = key;
        this.folder = folder;
        this.token = token;
        this.receipts = receipts;
        this.seed = seed;
    }

    /** By which addresses tell it apart; empty for the first. */
    public String key() {
        return key;
    }

    /** Among the resources, with a slash at its end. */
    public String folder() {
        return folder;
    }

    /** Under which the student's record is read and their work handed in. */
    public String token() {
        return token;
    }

    /** With which the numbers of its receipts begin. */
    String receipts() {
        return receipts;
    }

    /** With which its teachers act in the demo. */
    public long seed() {
        return seed;
    }
}
