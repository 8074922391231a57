package app.navlo.school.college;

import app.navlo.school.college.CollegeFiles.Course;
import app.navlo.school.college.CollegeFiles.Habits;
import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * What the teacher of a piece of work does next about it, and when: decided by what has happened so far, the teacher's
 * habits and a seed, so that the same term goes the same way each time.
 */
final class Teachers {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final LocalTime MORNING = LocalTime.of(8, 20);
    private static final int LOOKS_WITHIN_HOURS = 20;
    private static final int ANSWERS_AFTER_HOURS = 3;
    private static final Duration ANSWERS_RELEASED_AFTER = Duration.ofDays(1);

    private final CollegeFiles.Read college;
    private final long seed;
    private final Set<LocalDate> off;
    private final Remarks remarks;

    Teachers(CollegeFiles.Read college, long seed) {
        this.college = college;
        this.seed = seed;
        this.off = new HashSet<>(college.daysOff());
        this.remarks = new Remarks(college.start(), seed);
    }

    /**
     * The next thing that the teacher does about an item by itself.
     *
     * @param life what has happened to it so far, in order
     * @return empty if nothing is to come
     */
    Optional<Deed> next(Item item, List<Deed> life) {
        Course course = Objects.requireNonNull(college.courses().get(item.course()));
        Deed last = lastOf(life, Deed.Kind.PUBLISHED, Deed.Kind.COMMENTED, Deed.Kind.MOVED, Deed.Kind.WRITTEN_TO);
        boolean later = item.published().isAfter(college.start());
        if (later && life.stream().noneMatch(deed -> deed.kind() == Deed.Kind.PUBLISHED)) {
            return Optional.of(deed(item.published(), Deed.Kind.PUBLISHED, item, course, JSON.createObjectNode()));
        }
        if (last != null && last.kind() == Deed.Kind.EXTENSION_ASKED) {
            return Optional.of(answer(item, course, last));
        }
        if (last != null && (last.kind() == Deed.Kind.HANDED_IN)) {
            return answerToHandIn(item, course, life, last);
        }
        if (last != null
                && last.kind() == Deed.Kind.SCORED
                && !last.body().path("posted").asBoolean(true)) {
            ObjectNode shown = last.body().deepCopy().put("posted", true);
            Instant at =
                    last.at().plus(Duration.ofHours(Math.max(1, course.habits().postsAfterHours())));
            return Optional.of(deed(at, Deed.Kind.SCORED, item, course, shown));
        }
        return cleared(item, course, life)
                .or(() -> remarks.next(item, course, life))
                .or(() -> release(item, course, life))
                .or(() -> missing(item, course, life));
    }

    /** The last deed of the others: what it is waiting for. */
    private static @Nullable Deed lastOf(List<Deed> life, Deed.Kind... without) {
        Set<Deed.Kind> passed = Set.of(without);
        Deed last = null;
        for (Deed deed : life) {
            boolean counts = !passed.contains(deed.kind())
                    && deed.kind() != Deed.Kind.FLAGGED
                    && deed.kind() != Deed.Kind.RUBRIC_MARKED
                    && deed.kind() != Deed.Kind.ANSWERS_RELEASED;
            last = counts ? deed : last;
        }
        return last;
    }

    private Deed answer(Item item, Course course, Deed asked) {
        Habits habits = course.habits();
        Random random = random(item, "answer", asked.id());
        Instant at =
                morning(since(asked).plus(Duration.ofHours(ANSWERS_AFTER_HOURS + random.nextInt(LOOKS_WITHIN_HOURS))));
        Instant due = item.due();
        boolean inTime = due != null
                && habits.extensionDays() > 0
                && !asked.at().isAfter(due.plus(Duration.ofHours(habits.askWithinHours())));
        if (due == null || !inTime) {
            return deed(at, Deed.Kind.EXTENSION_DECLINED, item, course, JSON.createObjectNode());
        }
        String until = LocalDate.ofInstant(due.minusSeconds(1), college.zone())
                .plusDays(habits.extensionDays())
                .toString();
        String text = String.valueOf(item.dueText());
        String time = text.length() > 10 ? text.substring(10) : "";
        return deed(
                at,
                Deed.Kind.EXTENSION_GRANTED,
                item,
                course,
                JSON.createObjectNode().put("due", until + time));
    }

    private Optional<Deed> answerToHandIn(Item item, Course course, List<Deed> life, Deed handedIn) {
        String wrong = wrongFile(item, handedIn);
        if (wrong != null) {
            Instant at = morning(since(handedIn).plus(Duration.ofHours(2)));
            String wanted = item.takes().stream()
                    .map(ending -> ending.toUpperCase(Locale.ROOT))
                    .collect(Collectors.joining(" or "));
            String why = "I can't open " + wrong + " to mark it. Hand it in again as " + wanted + ".";
            return Optional.of(deed(
                    at,
                    Deed.Kind.SENT_BACK,
                    item,
                    course,
                    JSON.createObjectNode().put("why", why)));
        }
        Random random = random(item, "score", handedIn.id());
        boolean forgotten =
                course.habits().forgets() > 0 && random.nextInt(course.habits().forgets()) == 0;
        Instant at = graded(course.habits(), since(handedIn), random);
        if (forgotten) {
            Instant reminded = life.stream()
                    .filter(deed ->
                            deed.kind() == Deed.Kind.WRITTEN_TO && deed.at().isAfter(handedIn.at()))
                    .map(Deed::at)
                    .findFirst()
                    .orElse(null);
            if (reminded == null) {
                return Optional.empty();
            }
            at = morning(reminded.plus(Duration.ofHours(ANSWERS_AFTER_HOURS)));
        }
        return Optional.of(score(item, course, handedIn, at, random));
    }

    /** What lay there before the school began is dealt with from then on. */
    private Instant since(Deed deed) {
        return deed.at().isBefore(college.start()) ? college.start() : deed.at();
    }

    private Deed score(Item item, Course course, Deed handedIn, Instant at, Random random) {
        BigDecimal possible = item.points();
        if (possible == null || possible.signum() == 0) {
            return deed(at, Deed.Kind.RETURNED, item, course, JSON.createObjectNode());
        }
        BigDecimal points = remarks.points(item, possible, handedIn, random);
        ObjectNode body = JSON.createObjectNode()
                .put("attempt", handedIn.body().path("attempt").asInt(1))
                .put("points", points)
                .put("posted", course.habits().postsAfterHours() == 0);
        return deed(at, Deed.Kind.SCORED, item, course, body);
    }

    /** What was recorded as missing isn't any more once it is scored. */
    private Optional<Deed> cleared(Item item, Course course, List<Deed> life) {
        Deed flag = null;
        Deed scored = null;
        for (Deed deed : life) {
            flag = deed.kind() == Deed.Kind.FLAGGED ? deed : flag;
            scored = deed.kind() == Deed.Kind.SCORED ? deed : scored;
        }
        boolean stale = flag != null
                && scored != null
                && scored.at().isAfter(college.start())
                && scored.at().isAfter(flag.at())
                && "missing".equalsIgnoreCase(flag.text("flag"));
        return scored != null && stale
                ? Optional.of(deed(
                        scored.at().plus(Duration.ofMinutes(1)),
                        Deed.Kind.FLAGGED,
                        item,
                        course,
                        JSON.createObjectNode().put("flag", "CLEARED")))
                : Optional.empty();
    }

    /** The answers of a quiz, a day after everybody had to be done. */
    private Optional<Deed> release(Item item, Course course, List<Deed> life) {
        Deed planned = college.planned().stream()
                .filter(deed -> deed.item().equals(item.key()) && deed.kind() == Deed.Kind.ANSWERS_RELEASED)
                .findFirst()
                .orElse(null);
        if (planned != null && life.stream().noneMatch(deed -> deed.at().equals(planned.at()))) {
            return Optional.of(planned);
        }
        boolean quiz = "quiz".equals(item.kind()) && item.due() != null;
        boolean scored = life.stream().anyMatch(deed -> deed.kind() == Deed.Kind.SCORED);
        boolean released = life.stream().anyMatch(deed -> deed.kind() == Deed.Kind.ANSWERS_RELEASED);
        if (!quiz || !scored || released) {
            return Optional.empty();
        }
        Instant at = Objects.requireNonNull(item.due()).plus(ANSWERS_RELEASED_AFTER);
        return at.isBefore(college.start())
                ? Optional.empty()
                : Optional.of(deed(at, Deed.Kind.ANSWERS_RELEASED, item, course, Remarks.answers(item, course, life)));
    }

    private Optional<Deed> missing(Item item, Course course, List<Deed> life) {
        Instant due = item.due();
        boolean nothing = life.stream()
                .noneMatch(deed -> deed.kind() == Deed.Kind.HANDED_IN
                        || deed.kind() == Deed.Kind.POSTED
                        || deed.kind() == Deed.Kind.FLAGGED
                        || deed.kind() == Deed.Kind.EXTENSION_GRANTED
                        || deed.kind().answers());
        if (!course.habits().marksMissing() || due == null || !item.expectsHandIn() || !item.required() || !nothing) {
            return Optional.empty();
        }
        Instant at = graded(course.habits(), due, random(item, "missing", 0));
        return at.isBefore(college.start())
                ? Optional.empty()
                : Optional.of(deed(
                        at,
                        Deed.Kind.FLAGGED,
                        item,
                        course,
                        JSON.createObjectNode().put("flag", "MISSING")));
    }

    private static @Nullable String wrongFile(Item item, Deed handedIn) {
        if (item.takes().isEmpty()) {
            return null;
        }
        for (var file : handedIn.body().path("files")) {
            String name = file.isObject() ? file.path("name").asString("") : file.asString("");
            String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
            if (!item.takes().contains(ending)) {
                return name;
            }
        }
        return null;
    }

    /** When something that lies there since then is graded: on the next grading day, or some working hours later. */
    private Instant graded(Habits habits, Instant since, Random random) {
        ZonedDateTime then = since.atZone(college.zone());
        if (habits.day() == null) {
            int least = habits.hours().get(0);
            int more = habits.hours().get(1) - least;
            return morning(since.plus(Duration.ofMinutes(60L * least + random.nextInt(60 * more + 1))));
        }
        ZonedDateTime day = then.toLocalDate().atTime(habits.at()).atZone(college.zone());
        while (!day.isAfter(then) || day.getDayOfWeek() != habits.day() || off.contains(day.toLocalDate())) {
            day = day.plusDays(1);
        }
        return day.plusMinutes(random.nextInt(90)).toInstant();
    }

    /** The instant itself by day on a school day, else the next school morning. */
    private Instant morning(Instant instant) {
        ZoneId zone = college.zone();
        ZonedDateTime at = instant.atZone(zone);
        boolean early = at.toLocalTime().isBefore(MORNING);
        boolean late = at.getHour() >= 18;
        if (!early && !late && isSchoolDay(at.toLocalDate())) {
            return instant;
        }
        LocalDate day = early ? at.toLocalDate() : at.toLocalDate().plusDays(1);
        while (!isSchoolDay(day)) {
            day = day.plusDays(1);
        }
        return day.atTime(MORNING).plusMinutes(at.getMinute() / 2).atZone(zone).toInstant();
    }

    private boolean isSchoolDay(LocalDate day) {
        return day.getDayOfWeek() != DayOfWeek.SATURDAY && day.getDayOfWeek() != DayOfWeek.SUNDAY && !off.contains(day);
    }

    private Random random(Item item, String what, long which) {
        return random(seed, item, what, which);
    }

    /** The same for the same of all. */
    static Random random(long seed, Item item, String what, long which) {
        Random random = new Random(seed * 31 + (item.key() + what + which).hashCode());
        random.nextInt();
        return random;
    }

    static Deed deed(Instant at, Deed.Kind kind, Item item, Course course, ObjectNode body) {
        return new Deed(0, at, kind, item.key(), course.teacher(), body);
    }
}
