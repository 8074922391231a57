package app.navlo.bench;

import java.io.IOException;
import java.util.Random;
import java.util.concurrent.TimeUnit;

/** A student who wrote until the server was killed, and what was confirmed until then. */
record WrittenRound(String email, long student, Confirmed confirmed) {
    private static final int LONGEST_MILLIS = 2_500;
    private static final int ENOUGH = 5;

    static WrittenRound untilKilled(Running navlo, String name, Random random)
            throws IOException, InterruptedException {
        return until(navlo, name, random, navlo::close);
    }

    /** @param end ends the server at once */
    static WrittenRound until(Running navlo, String name, Random random, Runnable end)
            throws IOException, InterruptedException {
        Client student = Client.joining(navlo.address(), name, "");
        long course = student.addCourse(1);
        WrittenRound round = new WrittenRound(FaultsBench.email(name), student.id(), new Confirmed());
        Writers writers =
                new Writers(course, round.confirmed, () -> Client.again(navlo.address(), round.email, round.student));
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(60);
        while (round.confirmed.count() < ENOUGH && System.nanoTime() < until) {
            TimeUnit.MILLISECONDS.sleep(20);
        }
        TimeUnit.MILLISECONDS.sleep(random.nextInt(LONGEST_MILLIS));
        end.run();
        writers.end();
        return round;
    }

    Confirmed.Found look(Running navlo) throws IOException, InterruptedException {
        return confirmed.look(Client.again(navlo.address(), email, student));
    }
}
