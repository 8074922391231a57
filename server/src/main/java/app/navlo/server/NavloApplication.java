package app.navlo.server;

import app.navlo.server.account.ForgottenPassword;
import app.navlo.server.account.SignUp;
import app.navlo.server.demo.DemoInfo;
import app.navlo.server.message.MailSettings;
import app.navlo.server.store.People;
import app.navlo.server.store.SignIns;
import java.io.BufferedReader;
import java.io.Console;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.web.server.PortInUseException;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts the server, says in one line that it is ready, or in one line why it isn't. */
@SpringBootApplication
@EnableScheduling
public class NavloApplication {
    private static final int WRONG_CALL = 2;

    public static void main(String[] args) {
        if (args.length > 0 && args[0].equals("password")) {
            password(List.of(args).subList(1, args.length));
            return;
        }
        if (args.length > 0 && List.of("backup", "restore").contains(args[0])) {
            copy(args[0], List.of(args).subList(1, args.length));
            return;
        }
        if (args.length > 0 && args[0].equals("move")) {
            say(() -> new Move(System.getenv()).move(List.of(args).subList(1, args.length)));
            return;
        }
        if (args.length > 0 && args[0].equals("database")) {
            say(() -> served(List.of(args).subList(1, args.length)));
            return;
        }
        try {
            Launch launch = Launch.of(List.of(args));
            launch.prepare();
            SpringApplication.getShutdownHandlers().add(() -> seal(launch));
            SpringApplication application = new SpringApplication(NavloApplication.class);
            application.setDefaultProperties(launch.properties());
            System.out.println(ready(application.run()));
        } catch (Seal.DamagedData | Seal.InUse refused) {
            stop(1, String.valueOf(refused.getMessage()));
        } catch (IllegalArgumentException | IOException wrong) {
            stop(WRONG_CALL, String.valueOf(wrong.getMessage()));
        } catch (SpringApplication.AbandonedRunException preparedByTheBuild) {
            throw preparedByTheBuild;
        } catch (RuntimeException failed) {
            stop(1, why(failed));
        }
    }

    /** What is stopped in peace can be told from what was changed since. */
    private static void seal(Launch launch) {
        try {
            launch.seal().put();
        } catch (IOException unsealed) {
            System.err.println("navlo: the data stay without a seal: " + unsealed.getMessage());
        }
    }

    private static void copy(String verb, List<String> args) {
        Backup backup = new Backup(Duration.ofMinutes(5));
        try {
            System.out.println(verb.equals("backup") ? backup.backup(args) : backup.restore(args));
        } catch (IllegalArgumentException wrong) {
            stop(WRONG_CALL, String.valueOf(wrong.getMessage()));
        } catch (IOException failed) {
            stop(1, String.valueOf(failed.getMessage()));
        } catch (DataAccessException failed) {
            stop(1, why(failed));
        }
    }

    private interface Verb {
        /** @return what was done, in words */
        String done() throws IOException, SQLException;
    }

    private static void say(Verb verb) {
        try {
            System.out.println(verb.done());
        } catch (Seal.DamagedData | Seal.InUse refused) {
            stop(1, String.valueOf(refused.getMessage()));
        } catch (IllegalArgumentException | IOException wrong) {
            stop(WRONG_CALL, String.valueOf(wrong.getMessage()));
        } catch (SQLException | RuntimeException failed) {
            stop(1, why(failed));
        }
    }

    /** Goes on until it is stopped. */
    private static String served(List<String> args) throws IOException, SQLException {
        Database database = Database.start(args, System.getenv());
        Runtime.getRuntime().addShutdownHook(new Thread(database::close));
        return database.ready();
    }

    /** A new password for who has forgotten theirs: asked for on the terminal, or read from the input. */
    private static void password(List<String> args) {
        try {
            if (args.isEmpty() || args.get(0).startsWith("--")) {
                throw new IllegalArgumentException("say whose: ./navlo password ADDRESS [--data DIR]");
            }
            List<String> start = new ArrayList<>(List.of("start"));
            start.addAll(args.subList(1, args.size()));
            Launch launch = Launch.of(start);
            if (launch.shared() != null) {
                System.out.println(forgotten(launch.shared().data(), args.get(0)));
                return;
            }
            if (!Files.isRegularFile(launch.file())) {
                throw new IllegalArgumentException("there is no data in that folder; choose another with --data");
            }
            launch.seal().claim();
            try {
                System.out.println(forgotten(
                        new DriverManagerDataSource(launch.url() + ";IFEXISTS=TRUE", Launch.USER, ""), args.get(0)));
            } finally {
                launch.seal().put();
            }
        } catch (Seal.DamagedData | Seal.InUse refused) {
            stop(1, String.valueOf(refused.getMessage()));
        } catch (IllegalArgumentException | IOException wrong) {
            stop(WRONG_CALL, String.valueOf(wrong.getMessage()));
        } catch (DataAccessException failed) {
            stop(1, why(failed));
        }
    }

    private static String forgotten(DataSource data, String whose) throws IOException {
        JdbcClient db = JdbcClient.create(data);
        return new ForgottenPassword(new People(db), new SignIns(db)).set(whose, typed());
    }

    private static String typed() throws IOException {
        Console console = System.console();
        if (console != null) {
            return new String(Objects.requireNonNullElse(console.readPassword("New password: "), new char[0]));
        }
        String line = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8)).readLine();
        return Objects.requireNonNullElse(line, "");
    }

    private static String ready(ConfigurableApplicationContext context) {
        String port = context.getEnvironment().getProperty("local.server.port");
        DemoInfo demo = context.getBean(DemoInfo.class);
        String signIns = demo.signIns().stream()
                .map(one -> one.email() + " / " + one.password())
                .collect(Collectors.joining("  or  "));
        SignUp signUp = context.getBean(SignUp.class);
        boolean first = !demo.running() && signUp.isFirst();
        return "Navlo is ready: http://localhost:" + port
                + (first ? "/?code=" + signUp.code() + "  (the first person signs up with this code)" : "")
                + (demo.running() ? "  (demo; sign in as " + signIns + ")" + mailBox(context) : "");
    }

    private static String mailBox(ConfigurableApplicationContext context) {
        String address = context.getBean(MailSettings.class).address();
        return address == null ? "" : "\nIts mail-box: " + address;
    }

    /** In words for who started it; what nothing is known of is printed whole. */
    static String why(Throwable failed) {
        for (Throwable cause = failed; cause != null; cause = cause.getCause()) {
            if (cause instanceof PortInUseException busy) {
                return "port " + busy.getPort() + " is in use; choose another with --port, or stop what runs there";
            }
        }
        if (Failures.newer(failed)) {
            return "the data were written by a newer Navlo than this one; start that one";
        }
        if (Failures.outOfReach(failed)) {
            return "the PostgreSQL that NAVLO_DB names can't be reached: " + root(failed);
        }
        if (Failures.unanswered(failed)) {
            return "no ./navlo database answers at the address that NAVLO_DB names";
        }
        if (Failures.anotherKey(failed)) {
            return "the data that NAVLO_DB names have another key: set NAVLO_KEY to what stands in navlo.key beside them";
        }
        if (Failures.noData(failed)) {
            return "there is no data in that folder; choose another with --data";
        }
        if (Failures.inUse(failed)) {
            return "another Navlo uses this data; stop it, or choose another folder with --data";
        }
        if (Failures.full(failed)) {
            return "there is no space left on the disk of the data; make some and start again. Nothing was changed";
        }
        if (Failures.damaged(failed)) {
            return "the data can't be read: the file is damaged. Bring it back from a copy: ./navlo restore FILE [--data DIR];"
                    + " what is there now stays beside it";
        }
        failed.printStackTrace();
        return "it didn't start: " + root(failed);
    }

    private static String root(Throwable failed) {
        Throwable cause = failed;
        while (cause.getCause() != null) {
            cause = cause.getCause();
        }
        return cause.getClass().getSimpleName() + ": "
                + String.valueOf(cause.getMessage()).lines().findFirst().orElse("");
    }

    private static void stop(int status, String line) {
        System.err.println("navlo: " + line);
        System.exit(status);
    }
}
