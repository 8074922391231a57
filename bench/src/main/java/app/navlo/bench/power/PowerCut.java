package app.navlo.bench.power;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.h2.store.fs.FilePath;

/** Goes into a Navlo as an agent of its JVM: there its data lie on a {@link CachingDisk}, whose power is cut when it is told. */
public final class PowerCut {
    /** In the folder that the agent is given: its being there cuts the power, and in it stands then what was lost. */
    public static final String SWITCH = "cut";

    /** As {@link Runtime#halt} ends it: no shutdown, no last write. */
    private static final int KILLED = 137;

    private PowerCut() {}

    /** The option of a JVM. @param jar in which this class is, as its agent */
    public static String option(Path jar, Path folder) {
        return "-javaagent:" + jar.toAbsolutePath() + "=" + folder.toAbsolutePath();
    }

    /** @param database without its ending */
    public static String url(Path database) {
        return "jdbc:h2:" + CachingDisk.SCHEME + ":" + database.toAbsolutePath();
    }

    public static void premain(String folder) {
        FilePath.register(new CachingDisk());
        Thread hand = new Thread(() -> await(Path.of(folder, SWITCH)), "power");
        hand.setDaemon(true);
        hand.start();
    }

    private static void await(Path cut) {
        try {
            while (!Files.exists(cut)) {
                TimeUnit.MILLISECONDS.sleep(1);
            }
            WriteCache.Lost lost = CachingDisk.CACHE.lose(new Random());
            Files.writeString(cut, lost.gone() + " " + lost.torn() + " " + lost.all());
        } catch (IOException | InterruptedException broken) {
            throw new IllegalStateException("the power wasn't cut as it should be", broken);
        } finally {
            Runtime.getRuntime().halt(KILLED);
        }
    }
}
