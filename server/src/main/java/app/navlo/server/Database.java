package app.navlo.server;

import app.navlo.server.administration.CopyService;
import app.navlo.server.door.Reserve;
import app.navlo.server.store.DataServer;
import app.navlo.server.store.Keyring;
import app.navlo.server.time.ServerClock;
import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;

/**
 * The data of a folder for several instances of Navlo, which have none of their own: {@code ./navlo database}. It looks after the
 * file as a Navlo does that has it for itself: it claims and seals it, brings it up to date, makes the copies, and holds some room.
 */
final class Database implements AutoCloseable {
    private static final String PORT = "9092";
    private static final Duration OFTEN = Duration.ofSeconds(1);
    private static final Duration NOW_AND_THEN = Duration.ofHours(1);
    private static final Duration AFTER_THE_START = Duration.ofMinutes(10);

    private final Launch launch;
    private final DataServer data;
    private final ThreadPoolTaskScheduler rounds = new ThreadPoolTaskScheduler();

    private Database(Launch launch, DataServer data) {
        this.launch = launch;
        this.data = data;
    }

    /**
     * @param environment of the process
     * @throws IllegalArgumentException with a line for the person who typed it
     */
    static Database start(List<String> args, Map<String, String> environment) throws IOException, SQLException {
        ((Logger) LoggerFactory.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME)).setLevel(Level.WARN);
        ((Logger) LoggerFactory.getLogger("app.navlo")).setLevel(Level.INFO);
        Launch launch = launch(args, environment);
        int days = days(environment);
        DataServer.listenAt(launch.host());
        launch.prepare();
        try {
            Path file = launch.database();
            String name = name(Keyring.of(
                    environment.getOrDefault("NAVLO_KEY", ""), launch.key().toString()));
            Database database = new Database(
                    launch, DataServer.start(file, launch.url(), Launch.USER, name, launch.host(), launch.port()));
            database.goRound(days);
            return database;
        } catch (SQLException | RuntimeException failed) {
            launch.seal().put();
            throw failed;
        }
    }

    /** The options of a start that have a meaning here. What the instances are told of their own address doesn't hold for it. */
    private static Launch launch(List<String> args, Map<String, String> environment) {
        List<String> start = new ArrayList<>(List.of("start", "--port", PORT));
        start.addAll(args);
        Map<String, String> own = new HashMap<>(environment);
        own.keySet().removeAll(List.of("NAVLO_DB", "NAVLO_HOST"));
        return Launch.of(start, own);
    }

    private static int days(Map<String, String> environment) {
        String said = environment.getOrDefault("NAVLO_COPIES_DAYS", "").strip();
        if (!said.matches("\\d{0,4}")) {
            throw new IllegalArgumentException("NAVLO_COPIES_DAYS wants a number of days, not '" + said + "'");
        }
        return said.isEmpty() ? 0 : Integer.parseInt(said);
    }

    /** By which the data are asked for: made from the key that all instances share, so that whoever has none learns nothing. */
    static String name(Keyring keyring) {
        return keyring.sign("database", "the data of several");
    }

    private void goRound(int days) {
        Path folder = launch.data();
        CopyService copies = new CopyService(data.copies(), folder, days, ServerClock.ofMachine());
        Reserve reserve = new Reserve(folder);
        rounds.setPoolSize(3);
        rounds.setDaemon(true);
        rounds.initialize();
        rounds.scheduleWithFixedDelay(copies::lookWhetherAsked, OFTEN);
        rounds.scheduleWithFixedDelay(reserve::look, OFTEN);
        Instant first = ServerClock.ofMachine().instant().plus(AFTER_THE_START);
        rounds.scheduleWithFixedDelay(copies::round, first, NOW_AND_THEN);
    }

    int port() {
        return data.port();
    }

    /** What is said to who started it. */
    String ready() {
        return "The data are ready: NAVLO_DB=jdbc:h2:tcp://" + launch.host() + ":" + port()
                + "/navlo, for each instance of this Navlo, with the key in " + launch.key() + " as NAVLO_KEY";
    }

    @Override
    public void close() {
        rounds.shutdown();
        data.close();
        try {
            launch.seal().put();
        } catch (IOException unsealed) {
            System.err.println("navlo: the data stay without a seal: " + unsealed.getMessage());
        }
    }
}
