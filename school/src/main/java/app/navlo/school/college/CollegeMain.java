package app.navlo.school.college;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;

/** Runs the school alone: its clock begins where the demo's does and runs on at the machine's pace. */
public final class CollegeMain {
    private static final int PORT = 8090;

    private CollegeMain() {}

    /** @param args the port, and the file of the school's store; both may be left out */
    public static void main(String[] args) throws IOException, InterruptedException {
        int port = args.length > 0 ? Integer.parseInt(args[0]) : PORT;
        String url = args.length > 1 ? "jdbc:h2:file:" + args[1] : "jdbc:h2:mem:school;DB_CLOSE_DELAY=-1";
        Instant begun = Instant.now();
        Instant start = CollegeFiles.read(School.THORNMERE).start();
        InstantSource clock = () -> start.plus(Duration.between(begun, Instant.now()));
        try (CollegeServer server =
                CollegeServer.open(School.THORNMERE, () -> College.open(School.THORNMERE, url, clock), port)) {
            System.out.println("The school is at " + server.address() + "/");
            Thread.currentThread().join();
        }
    }
}
