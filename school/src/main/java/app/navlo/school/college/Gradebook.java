package app.navlo.school.college;

import app.navlo.core.exact.Rational;
import app.navlo.formats.oneroster.OneRosterWriter;
import app.navlo.formats.oneroster.Roster;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The gradebook of record: a system of its own, which copies what the course site has each morning. What hasn't been scored
 * by then and wasn't handed in by its due it has as missing, also when it was handed in since.
 */
final class Gradebook {
    static final String NAME = "College gradebook";
    private static final LocalTime COPIES_AT = LocalTime.of(6, 0);
    private static final String TERM = "term";
    private static final int DAY_ALONE = 10;

    private final College college;
    private final String org;

    Gradebook(College college) {
        this.college = college;
        this.org = college.files().which().name().toLowerCase(Locale.ROOT);
    }

    /** When it last copied the site. */
    Instant asOf() {
        ZonedDateTime now = college.now().atZone(college.files().zone());
        ZonedDateTime today = now.toLocalDate().atTime(COPIES_AT).atZone(now.getZone());
        return (today.isAfter(now) ? today.minusDays(1) : today).toInstant();
    }

    byte[] bundle() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        write(out);
        return out.toByteArray();
    }

    private void write(OutputStream out) throws IOException {
        Instant asOf = asOf();
        CollegeFiles.Read files = college.files();
        List<Item> items = college.published().stream()
                .filter(item -> item.points() != null)
                .filter(item -> !item.published().isAfter(asOf))
                .toList();
        try (OneRosterWriter writer = new OneRosterWriter(out, NAME, asOf)) {
            writer.sessions(List.of(new Roster.Session(
                    TERM,
                    "Autumn term 2026",
                    Roster.SessionType.TERM,
                    files.firstDay(),
                    files.lastDay().plusDays(1),
                    null)));
            writer.categories(categories(items));
            writer.classes(files.courses().values().stream()
                    .map(course -> new Roster.ClassOf(course.key(), course.name(), org, TERM))
                    .toList());
            writer.enrolments(enrolments());
            writer.lineItems(items.stream().map(Gradebook::lineItem).toList());
            writer.orgs(List.of(new Roster.Org(org, college.name())));
            writer.results(results(items, asOf));
            writer.users(users());
        }
    }

    private static List<Roster.Category> categories(List<Item> items) {
        Set<String> names = new LinkedHashSet<>();
        items.forEach(item -> names.add(category(item)));
        return names.stream()
                .filter(name -> !name.isEmpty())
                .map(name -> new Roster.Category(name, name.substring(name.indexOf('/') + 1), null))
                .toList();
    }

    private static String category(Item item) {
        return item.category() == null ? "" : item.course() + "/" + item.category();
    }

    private List<Roster.Enrolment> enrolments() {
        List<Roster.Enrolment> enrolments = new ArrayList<>();
        for (CollegeFiles.Course course : college.files().courses().values()) {
            String key = course.key();
            enrolments.add(new Roster.Enrolment(
                    key + "-student", key, org, college.files().studentEmail(), Roster.Role.STUDENT));
            enrolments.add(new Roster.Enrolment(key + "-teacher", key, org, course.email(), Roster.Role.TEACHER));
        }
        return enrolments;
    }

    private List<Roster.User> users() {
        List<Roster.User> users = new ArrayList<>();
        users.add(user(
                college.files().studentEmail(),
                Roster.Role.STUDENT,
                college.files().student()));
        college.files()
                .courses()
                .values()
                .forEach(course -> users.add(user(course.email(), Roster.Role.TEACHER, course.teacher())));
        return users;
    }

    private static Roster.User user(String email, Roster.Role role, String name) {
        int space = name.indexOf(' ');
        return new Roster.User(email, role, name.substring(0, space), name.substring(space + 1), email);
    }

    private static Roster.LineItem lineItem(Item item) {
        String due = item.dueText() == null || item.due() == null
                ? null
                : item.dueText().length() == DAY_ALONE
                        ? item.dueText()
                        : item.due().toString();
        return new Roster.LineItem(
                item.key(),
                item.title(),
                "",
                item.opens() == null ? null : item.opens().toString(),
                due,
                item.course(),
                item.category() == null ? null : category(item),
                TERM,
                number(item.points()));
    }

    private List<Roster.Result> results(List<Item> items, Instant asOf) {
        List<Roster.Result> results = new ArrayList<>();
        for (Item item : items) {
            result(item, asOf).ifPresent(results::add);
        }
        return results;
    }

    private Optional<Roster.Result> result(Item item, Instant asOf) {
        Deed score = null;
        Deed handedIn = null;
        boolean excused = false;
        boolean answered = false;
        for (Deed deed : college.life(item)) {
            if (deed.at().isAfter(asOf)) {
                continue;
            }
            boolean posted = deed.kind() == Deed.Kind.SCORED
                    && deed.body().path("posted").asBoolean(true)
                    && !deed.body().path("hidden").asBoolean(false)
                    && !deed.body().path("provisional").asBoolean(false);
            score = posted ? deed : score;
            handedIn = deed.kind() == Deed.Kind.HANDED_IN ? deed : handedIn;
            answered = answered || deed.kind() == Deed.Kind.RETURNED || deed.kind() == Deed.Kind.POSTED;
            excused = excused || deed.kind() == Deed.Kind.EXCUSED;
        }
        boolean past = item.due() != null && item.due().isBefore(asOf);
        boolean late = handedIn != null && item.due() != null && handedIn.at().isAfter(item.due());
        if (excused) {
            return Optional.of(of(item, Roster.ScoreStatus.EXEMPT, null, null, false, false, asOf));
        }
        if (score != null) {
            Rational points = number(new BigDecimal(score.body().get("points").asString()));
            return Optional.of(of(item, Roster.ScoreStatus.FULLY_GRADED, points, score, late, false, score.at()));
        }
        boolean missing = past && (handedIn == null || late) && !answered && item.expectsHandIn() && item.required();
        if (!missing && handedIn == null) {
            return Optional.empty();
        }
        Roster.ScoreStatus status = missing ? Roster.ScoreStatus.NOT_SUBMITTED : Roster.ScoreStatus.SUBMITTED;
        return Optional.of(of(item, status, null, null, late, missing, asOf));
    }

    private Roster.Result of(
            Item item,
            Roster.ScoreStatus status,
            @Nullable Rational points,
            @Nullable Deed score,
            boolean late,
            boolean missing,
            Instant modified) {
        LocalDate day = score == null
                ? null
                : LocalDate.ofInstant(score.at(), college.files().zone());
        return new Roster.Result(
                "result/" + item.key(),
                item.key(),
                college.files().studentEmail(),
                status,
                points,
                day,
                "",
                false,
                false,
                late,
                missing,
                modified);
    }

    private static @Nullable Rational number(@Nullable BigDecimal value) {
        return value == null ? null : Rational.of(value);
    }
}
