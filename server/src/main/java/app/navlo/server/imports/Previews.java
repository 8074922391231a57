package app.navlo.server.imports;

import app.navlo.formats.told.SourceSnapshot;
import app.navlo.server.board.Board;
import app.navlo.server.imports.SyncPlan.Status;
import app.navlo.server.problem.Refusal;
import app.navlo.server.sheet.EditableField;
import app.navlo.server.sheet.GradeSheet;
import app.navlo.server.store.Course;
import app.navlo.server.store.Courses;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.Link;
import app.navlo.server.store.Sha256;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Says what taking in what a source tells would do, with what a person says of it. Nothing of the board is changed. */
@Component
public class Previews {
    private static final int MOST_WORKS = 5_000;
    private static final int SHORTEST_LIKE = 3;

    private final Planners planners;

    Previews(Planners planners) {
        this.planners = planners;
    }

    /**
     * What was looked at.
     *
     * @param choices with the names that courses of the source have here
     * @param told with the corrections in it
     * @param fingerprint the same for as long as taking it in would do the same
     */
    public record Looked(Choices choices, SyncPlan plan, SourceSnapshot told, Wanted wanted, String fingerprint) {
        /** Class hours that would be taken. */
        List<SourceSnapshot.ClassTime> classes() {
            return choices.classes() ? told.beside().classes() : List.of();
        }

        /** Whether there is nothing to write: no work, no hours, nothing newly left out. */
        public boolean isEmpty() {
            boolean leaves = plan.works().stream().anyMatch(row -> row.status() == Status.ASIDE && row.newKey());
            return plan.isEmpty() && classes().isEmpty() && !leaves;
        }
    }

    /**
     * @param link that tells it; its number is 0 where it isn't there yet
     * @param news with all that is told
     * @throws Refusal if there is too much of it, or a correction can't be
     */
    public Looked of(Link link, SyncDelta news, Choices said, Board board) {
        SourceSnapshot told = Objects.requireNonNull(news.told());
        if (told.works().size() > MOST_WORKS) {
            throw Refusal.invalid(
                    "file",
                    "It tells of " + told.works().size() + " pieces of work; at most " + MOST_WORKS
                            + " are read at once. Read in one term, or one course, at a time.");
        }
        Choices choices = said.calling(courseNames(told, said, board));
        SourceSnapshot corrected = new Corrections(choices.rows(), choices.courses(), board.zone()).of(told);
        boolean tellsOfHandIns = link.access().kind() == Links.Kind.BOX;
        Wanted wanted = wanted(choices, corrected, board, !tellsOfHandIns);
        SyncPlan plan = planners.of(link, board)
                .plan(
                        new SyncDelta(
                                corrected, news.whole(), news.deeds(), news.announcements(), news.upTo(), news.tag()),
                        wanted);
        return new Looked(choices, plan, corrected, wanted, fingerprint(plan, choices));
    }

    private static String fingerprint(SyncPlan plan, Choices choices) {
        return Sha256.of(plan.works().stream().map(Object::toString).collect(Collectors.joining("\n")) + "\n"
                + new TreeMap<>(plan.results()) + plan.courses() + choices.classes()
                + plan.happened().size() + " " + plan.records().size());
    }

    /** Those that the person named; of the others the course here that is meant most likely. */
    private static Map<String, String> courseNames(SourceSnapshot told, Choices choices, Board board) {
        Map<String, String> names = new LinkedHashMap<>();
        for (SourceSnapshot.Course course : told.courses()) {
            String chosen = choices.courses().get(course.key());
            names.put(course.key(), chosen == null || chosen.isBlank() ? like(course.name(), board) : chosen.strip());
        }
        return names;
    }

    /** The course of this name; else the only one whose name begins so; else a new one of this name. */
    private static String like(String name, Board board) {
        List<String> here = board.courses().values().stream()
                .map(course -> course.details().name())
                .toList();
        String low = name.toLowerCase(Locale.ROOT);
        List<String> alike = here.stream()
                .filter(one -> one.equalsIgnoreCase(name)
                        || (low.length() >= SHORTEST_LIKE
                                && one.toLowerCase(Locale.ROOT).startsWith(low))
                        || low.startsWith(one.toLowerCase(Locale.ROOT) + " "))
                .toList();
        return here.stream().filter(name::equalsIgnoreCase).findFirst().orElse(alike.size() == 1 ? alike.get(0) : name);
    }

    private static Wanted wanted(Choices choices, SourceSnapshot told, Board board, boolean asksPast) {
        Set<String> leave = new HashSet<>();
        Set<String> retake = new HashSet<>();
        Map<String, Wanted.Past> past = new HashMap<>();
        for (SourceSnapshot.Work work : told.works()) {
            RowEdit edit = choices.rows().get(work.key());
            Boolean take = edit == null ? null : edit.take();
            boolean left = take == null ? work.hint().notWork() != null : !take;
            if (left) {
                leave.add(work.key());
            } else if (take != null) {
                retake.add(work.key());
            }
            if (edit != null && edit.past() != null) {
                past.put(work.key(), edit.past());
            }
        }
        Set<String> grades = new HashSet<>();
        Map<String, Set<EditableField>> byHand = new HashMap<>();
        choices.rows().forEach((key, edit) -> byHand.put(key, edit.byHand()));
        Set<String> scored = choices.rows().values().stream()
                .filter(edit -> edit.score() != null)
                .map(RowEdit::key)
                .collect(Collectors.toSet());
        if (choices.grading()) {
            told.courses().stream()
                    .filter(course -> isWeighted(course) && isUngraded(course, board))
                    .forEach(course -> grades.add(course.key()));
        }
        return new Wanted(leave, retake, asksPast, choices.past(), past, true, grades, byHand, scored);
    }

    /** Whether every category of it has a weight. */
    static boolean isWeighted(SourceSnapshot.Course course) {
        return course.categories().size() > 1
                && course.categories().stream().allMatch(category -> category.weight() != null);
    }

    private static boolean isUngraded(SourceSnapshot.Course course, Board board) {
        Course here = Courses.named(board.courses().values(), course.name());
        return here == null || here.rules().grade().equals(GradeSheet.POINTS);
    }
}
