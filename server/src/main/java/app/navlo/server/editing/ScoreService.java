package app.navlo.server.editing;

import app.navlo.core.exact.Rational;
import app.navlo.core.work.Fact;
import app.navlo.core.work.Stamp;
import app.navlo.core.work.WorkItem;
import app.navlo.formats.told.ScoreWords;
import app.navlo.server.board.Board;
import app.navlo.server.change.Changed;
import app.navlo.server.change.WorkWrites;
import app.navlo.server.change.WriteOnce;
import app.navlo.server.change.Writer;
import app.navlo.server.problem.Refusal;
import app.navlo.server.problem.Refusal.Fault;
import app.navlo.server.sheet.EditableField;
import app.navlo.server.sheet.GradeSheet;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Facts;
import app.navlo.server.store.Work;
import app.navlo.server.store.Works;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Writes down scores that a student knows, any number of them as one change. */
@Service
class ScoreService {
    private final WorkWrites writes;
    private final Works works;
    private final Facts facts;
    private final WriteOnce once;

    ScoreService(WorkWrites writes, Works works, Facts facts, WriteOnce once) {
        this.writes = writes;
        this.works = works;
        this.facts = facts;
        this.once = once;
    }

    /** @throws Refusal naming every score that isn't one */
    @Transactional
    public Changed write(Writer writer, List<ScoreEntry> scores) {
        WriteOnce.Once request =
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), "scores " + scores, writes.now());
        return once.run(request, Changed.class, () -> writeNow(writer, scores));
    }

    private Changed writeNow(Writer writer, List<ScoreEntry> scores) {
        List<Long> ids = scores.stream().map(ScoreEntry::work).toList();
        if (ids.stream().distinct().count() < ids.size()) {
            throw Refusal.invalid("scores", "Two scores of one piece of work. Write one of them.");
        }
        List<Board.Entry> entries = writes.openAll(writer, ids);
        long change = writes.change(writer, ChangeKind.RECORD, summary(entries));
        List<Facts.NewFact> reported = new ArrayList<>();
        List<Works.Revision> possible = new ArrayList<>();
        List<Fault> faults = new ArrayList<>();
        for (int i = 0; i < scores.size(); i++) {
            try {
                one(writer, change, entries.get(i), scores.get(i), reported, possible);
            } catch (IllegalArgumentException noScore) {
                faults.add(new Fault("scores[" + i + "].text", noScore.getMessage() + "."));
            }
        }
        if (!faults.isEmpty()) {
            throw Refusal.invalid(faults);
        }
        facts.addAll(reported);
        works.reviseAll(possible);
        works.touchAll(ids, change);
        writes.tell(writer.student());
        return new Changed(change, ids.get(0));
    }

    private static String summary(List<Board.Entry> entries) {
        return entries.size() == 1
                ? "Wrote down the score of "
                        + entries.get(0).work().definition().title()
                : "Wrote down " + entries.size() + " scores";
    }

    private void one(
            Writer writer,
            long change,
            Board.Entry entry,
            ScoreEntry score,
            List<Facts.NewFact> reported,
            List<Works.Revision> possible) {
        Work.Definition definition = entry.work().definition();
        ScoreWords.Score read = ScoreWords.read(score.text(), letters(entry));
        Instant at = at(entry, score.day());
        Stamp stamp = writes.stamp(writer, at);
        if (read.excused()) {
            reported.add(writes.fact(writer, change, entry, new Fact.Excused(stamp, true)));
            return;
        }
        Rational of = definition.marking().possible();
        if (of.isZero() && (read.of() != null || isRating(entry, read))) {
            of = Objects.requireNonNullElse(read.of(), GradeSheet.BEST_RATING);
            possible.add(new Works.Revision(
                    entry.work().id(),
                    change,
                    TogetherService.byHand(
                            entry,
                            definition.marked(new WorkItem.Marking(
                                    of,
                                    definition.marking().passPercent(),
                                    definition.marking().kept())),
                            Set.of(EditableField.POINTS)),
                    writes.instructions(writer, entry.work().id()),
                    false));
        }
        Rational points = read.outOf(of);
        boolean ofUnknown = of.isZero() && !definition.rules().extra();
        if (points == null || ofUnknown) {
            throw new IllegalArgumentException(
                    read.isNothing()
                            ? "Write the score of “" + definition.title() + "” first"
                            : "“" + score.text()
                                    + "” of how many points? Write it like 17/20, or say first that it is extra credit");
        }
        int attempt = Math.max(1, entry.state().attemptsUsed());
        reported.add(writes.fact(writer, change, entry, new Fact.Scored(stamp, attempt, points, true, true)));
    }

    /** Whether a number without a word of how many is a rating, as a course by standards gives them. */
    private static boolean isRating(Board.Entry entry, ScoreWords.Score read) {
        return entry.course().rules().grade().kind() == GradeSheet.Kind.STANDARDS
                && read.points() != null
                && read.points().compareTo(GradeSheet.BEST_RATING) <= 0;
    }

    /** Each with the lowest percent that earns it. */
    private static Map<String, Rational> letters(Board.Entry entry) {
        Map<String, Rational> letters = new HashMap<>();
        entry.book()
                .rules()
                .table()
                .rows()
                .forEach(row -> letters.put(row.label().toUpperCase(Locale.ROOT), row.from()));
        return entry.course().rules().grade().kind() == GradeSheet.Kind.STANDARDS ? Map.of() : letters;
    }

    private Instant at(Board.Entry entry, @Nullable LocalDate day) {
        Instant now = writes.now();
        if (day == null) {
            return now;
        }
        ZoneId zone = entry.course().details().zone();
        if (day.isAfter(now.atZone(zone).toLocalDate())) {
            throw new IllegalArgumentException("That day is still to come; say when it came back");
        }
        Instant noon = day.atTime(12, 0).atZone(zone).toInstant();
        return noon.isAfter(now) ? now : noon;
    }
}
