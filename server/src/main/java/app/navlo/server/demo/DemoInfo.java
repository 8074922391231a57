package app.navlo.server.demo;

import java.util.List;

/**
 * Whether this is the demo, and who can sign in to it.
 *
 * @param signIns empty when it isn't
 */
public record DemoInfo(boolean running, String school, List<SignIn> signIns) {
    public static final DemoInfo NONE = new DemoInfo(false, "", List.of());

    public record SignIn(String name, String who, String email, String password) {}
}
