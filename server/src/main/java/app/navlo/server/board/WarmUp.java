package app.navlo.server.board;

import app.navlo.server.account.Person;
import app.navlo.server.store.People;
import app.navlo.server.store.People.Student;
import app.navlo.server.store.Role;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/**
 * Where there are many students, makes the boards of some of them before anybody can ask: the first to ask would wait for a
 * program that was never run, a hundred at once for each other. A Navlo of few starts without.
 */
@Component
class WarmUp implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(WarmUp.class);
    private static final int MOST = 200;

    private final People people;
    private final BoardsOfTheMinute boards;
    private final ServerClock clock;
    private final int from;
    private final Duration longest;
    private int made;

    /**
     * @param from as many students have to be there
     * @param longest after which no further board is begun
     */
    WarmUp(
            People people,
            BoardsOfTheMinute boards,
            ServerClock clock,
            @Value("${navlo.warm-up.from:50}") int from,
            @Value("${navlo.warm-up.longest:1500ms}") Duration longest) {
        this.people = people;
        this.boards = boards;
        this.clock = clock;
        this.from = from;
        this.longest = longest;
    }

    @Override
    public void start() {
        List<Student> students = people.newest(MOST);
        if (students.size() < from) {
            return;
        }
        long until = System.nanoTime() + longest.toNanos();
        for (Student student : students) {
            if (System.nanoTime() >= until) {
                break;
            }
            try {
                boards.of(
                        student,
                        new Person(student.id(), "", student.name(), Role.STUDENT, student.zone(), ""),
                        clock.instant());
                made++;
            } catch (RuntimeException broken) {
                LOG.warn("the board of student {} can't be made", student.id(), broken);
            }
        }
    }

    /** How many boards were made. */
    int made() {
        return made;
    }

    @Override
    public void stop() {
        // Nothing goes on.
    }

    @Override
    public boolean isRunning() {
        return false;
    }

    /** Before the port is opened, and before the rounds begin. */
    @Override
    public int getPhase() {
        return 0;
    }
}
