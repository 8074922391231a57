package app.navlo.server.demo;

import app.navlo.core.work.Flag;
import app.navlo.core.work.WorkKind;
import app.navlo.server.demo.DemoFiles.CourseFile;
import app.navlo.server.demo.DemoFiles.FactFile;
import app.navlo.server.demo.DemoFiles.WorkFile;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;

/** What a made-up student did in the courses of a demo's school, from a seed: the same seed tells the same. */
final class Stories {
    private static final DateTimeFormatter AT = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");
    private static final int DAY_HOURS = 24;
    private static final double LATE_OF_THE_REST = 0.45;
    private static final double SCORED = 0.9;
    private static final double FLAGGED = 0.6;
    private static final double SENT_BACK = 0.03;
    private static final double LISTED_ALL_THE_SAME = 0.03;

    private final LocalDateTime now;
    private final double care;
    private final Random random;

    /**
     * @param now local to the school
     * @param care how well the student keeps up, of 100
     */
    Stories(LocalDateTime now, int care, long seed) {
        this.now = now;
        this.care = care / 100.0;
        this.random = new Random(seed);
    }

    /** The same course, in which this student did what they did. */
    CourseFile of(CourseFile course) {
        return new CourseFile(
                course.name(),
                course.shortName(),
                course.teacher(),
                course.email(),
                course.colour(),
                course.rules(),
                course.thresholds(),
                course.works().stream().map(this::of).toList());
    }

    private WorkFile of(WorkFile work) {
        return new WorkFile(
                work.title(),
                work.kind(),
                work.unit(),
                work.category(),
                work.points(),
                work.effort(),
                null,
                work.opens(),
                work.due(),
                work.ends(),
                work.closes(),
                work.late(),
                work.gates(),
                work.standards(),
                work.extra(),
                work.pass(),
                work.attempts(),
                work.kept(),
                work.parts(),
                work.redo(),
                work.optional(),
                work.inClass(),
                work.takes(),
                work.filesWanted(),
                work.timeLimit(),
                work.rubric(),
                null,
                null,
                null,
                null,
                work.instructions(),
                life(work));
    }

    private List<FactFile> life(WorkFile work) {
        List<FactFile> life = new ArrayList<>();
        LocalDateTime due = due(work);
        if (due != null && due.isBefore(now) && !work.optional() && !work.extra()) {
            past(work, due, life);
        }
        return life.stream()
                .filter(fact -> !LocalDateTime.parse(fact.at(), AT).isAfter(now))
                .toList();
    }

    private void past(WorkFile work, LocalDateTime due, List<FactFile> life) {
        if (work.inClass()) {
            score(work, due.plusHours(2), life);
            return;
        }
        double luck = random.nextDouble();
        if (luck < care) {
            handIn(work, due.minusMinutes(20 + random.nextInt(40 * DAY_HOURS)), life);
        } else if (luck < care + (1 - care) * LATE_OF_THE_REST && !isAppointment(work)) {
            handIn(work, due.plusHours(5 + random.nextInt(3 * DAY_HOURS)), life);
        } else if (random.nextDouble() < FLAGGED) {
            life.add(fact(due.plusDays(1), "flagged", null, null, Flag.MISSING));
        }
    }

    private static boolean isAppointment(WorkFile work) {
        return work.ends() != null || work.kind() == WorkKind.TEST;
    }

    private void handIn(WorkFile work, LocalDateTime at, List<FactFile> life) {
        if (work.kind() == WorkKind.DISCUSSION) {
            life.add(fact(at.minusDays(1), "posted", null, "What I saw on my round, and one question.", null));
            life.add(fact(at, "replied", null, "I saw the same by the lower gate.", null));
        } else {
            boolean attempt = work.kind() != null && work.kind().byAttempts();
            life.add(fact(at, attempt ? "finished" : "handed in", null, null, null));
        }
        double luck = random.nextDouble();
        if (luck < SENT_BACK && work.kind() == WorkKind.ASSIGNMENT) {
            life.add(sentBack(at.plusDays(2)));
        } else if (luck < SENT_BACK + LISTED_ALL_THE_SAME) {
            life.add(fact(at.plusDays(3), "flagged", null, null, Flag.MISSING));
        } else {
            score(work, at.plusDays(2 + random.nextInt(7)), life);
        }
    }

    /** Who keeps up scores more, too; a quarter of a point is as fine as a teacher goes. */
    private void score(WorkFile work, LocalDateTime at, List<FactFile> life) {
        BigDecimal possible = work.points();
        if (possible == null || possible.signum() == 0 || random.nextDouble() > SCORED) {
            return;
        }
        double share = Math.max(0.2, Math.min(1, 0.5 + 0.42 * care + 0.13 * random.nextGaussian()));
        BigDecimal quarters = possible.multiply(BigDecimal.valueOf(4 * share)).setScale(0, RoundingMode.HALF_UP);
        life.add(fact(at, "scored", quarters.divide(BigDecimal.valueOf(4)), null, null));
    }

    private static @Nullable LocalDateTime due(WorkFile work) {
        String due = work.due();
        if (due == null) {
            return null;
        }
        return due.length() > 10 ? LocalDateTime.parse(due, AT) : LocalDateTime.parse(due + " 23:59", AT);
    }

    private FactFile sentBack(LocalDateTime at) {
        return fact(at, "sent back", null, null, null, "The second page is missing. Hand in all of it, please.");
    }

    private static FactFile fact(
            LocalDateTime at, String did, @Nullable BigDecimal points, @Nullable String say, @Nullable Flag flag) {
        return fact(at, did, points, say, flag, null);
    }

    private static FactFile fact(
            LocalDateTime at,
            String did,
            @Nullable BigDecimal points,
            @Nullable String say,
            @Nullable Flag flag,
            @Nullable String why) {
        return new FactFile(
                AT.format(at),
                did,
                null,
                false,
                null,
                null,
                null,
                null,
                null,
                points,
                null,
                false,
                false,
                why,
                null,
                null,
                flag,
                null,
                say,
                null,
                null,
                null,
                false);
    }
}
