package app.navlo.server;

import app.navlo.server.account.SignUp;
import app.navlo.server.demo.DemoInfo;
import app.navlo.server.message.MailSettings;
import java.io.IOException;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.web.server.PortInUseException;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts the server, says in one line that it is ready, or in one line why it isn't. */
@SpringBootApplication
@EnableScheduling
public class NavloApplication {
    private static final int WRONG_CALL = 2;

    public static void main(String[] args) {
        try {
            Launch launch = Launch.of(List.of(args));
            launch.prepare();
            SpringApplication application = new SpringApplication(NavloApplication.class);
            application.setDefaultProperties(launch.properties());
            System.out.println(ready(application.run()));
        } catch (IllegalArgumentException | IOException wrong) {
            stop(WRONG_CALL, String.valueOf(wrong.getMessage()));
        } catch (SpringApplication.AbandonedRunException preparedByTheBuild) {
            throw preparedByTheBuild;
        } catch (RuntimeException failed) {
            stop(1, why(failed));
        }
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

    private static String why(Throwable failed) {
        for (Throwable cause = failed; cause != null; cause = cause.getCause()) {
            if (cause instanceof PortInUseException busy) {
                return "port " + busy.getPort() + " is in use; choose another with --port, or stop what runs there";
            }
            if (String.valueOf(cause.getMessage()).contains("Database may be already in use")) {
                return "another Navlo uses this data; stop it, or choose another folder with --data";
            }
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
