package app.navlo.server.account;

/** What a browser calls itself, in words that its person knows: "Firefox on Windows". */
final class Browser {
    /** In the order in which they are looked for: most call themselves by the names of older ones as well. */
    private static final String[][] NAMES = {
        {"Edg", "Edge"}, {"OPR", "Opera"}, {"Firefox", "Firefox"}, {"Chrom", "Chrome"}, {"Safari", "Safari"}
    };

    private static final String[][] SYSTEMS = {
        {"Android", "Android"},
        {"iPhone", "an iPhone"},
        {"iPad", "an iPad"},
        {"Windows", "Windows"},
        {"Mac OS", "a Mac"},
        {"CrOS", "a Chromebook"},
        {"Linux", "Linux"}
    };

    private Browser() {}

    static String words(String agent) {
        String name = first(NAMES, agent);
        String system = first(SYSTEMS, agent);
        if (name.isEmpty()) {
            return system.isEmpty() ? "A program" : "A program on " + system;
        }
        return system.isEmpty() ? name : name + " on " + system;
    }

    private static String first(String[][] known, String agent) {
        for (String[] one : known) {
            if (agent.contains(one[0])) {
                return one[1];
            }
        }
        return "";
    }
}
