package app.navlo.server.demo;

import app.navlo.core.exact.Rational;
import app.navlo.core.policy.KeptScore;
import app.navlo.core.policy.RedoRule;
import app.navlo.core.work.WorkItem;
import app.navlo.core.work.WorkKind;
import app.navlo.server.demo.DemoFiles.CourseFile;
import app.navlo.server.demo.DemoFiles.WorkFile;
import app.navlo.server.sheet.GradeSheet;
import app.navlo.server.sheet.RuleSheet;
import app.navlo.server.sheet.WorkSheet;
import app.navlo.server.sheet.WorkSheet.GateSheet;
import app.navlo.server.store.Work;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What the demo's files say of work and of rules, in the words of the store. */
final class DemoDefinitions {
    private DemoDefinitions() {}

    /** @param ids of the work that is there already, by title */
    static Work.Definition work(long course, String place, WorkFile work, DemoTimes times, Map<String, Long> ids) {
        WorkKind kind = Objects.requireNonNullElse(work.kind(), WorkKind.ASSIGNMENT);
        return new Work.Definition(
                new Work.Place(course, work.unit(), work.category()),
                work.title(),
                kind,
                new Work.Dates(times.atOrNull(work.opens()), times.deadline(work.due()), times.deadline(work.closes())),
                new Work.Handling(
                        !work.optional() && kind != WorkKind.PRACTICE,
                        !work.inClass(),
                        work.attempts(),
                        work.parts(),
                        redo(work.redo(), times),
                        takes(work.takes())),
                new WorkItem.Marking(
                        work.points() == null ? Rational.ZERO : Rational.of(work.points()),
                        work.pass() == null ? null : Rational.of(work.pass()),
                        Objects.requireNonNullElse(work.kept(), KeptScore.HIGHEST)),
                work.effort(),
                new WorkSheet(
                        work.late(),
                        Objects.requireNonNullElse(work.gates(), List.<DemoFiles.GateFile>of()).stream()
                                .map(gate -> gate(gate, ids))
                                .toList(),
                        Objects.requireNonNullElse(work.standards(), List.of()),
                        work.extra(),
                        work.timeLimit(),
                        work.filesWanted(),
                        work.rubric(),
                        work.ends() == null
                                ? null
                                : new WorkSheet.AppointmentSheet(
                                        times.at(Objects.requireNonNull(work.due())), times.at(work.ends())),
                        place,
                        Set.of()));
    }

    private static GateSheet gate(DemoFiles.GateFile gate, Map<String, Long> ids) {
        if (gate.unit() != null) {
            return new GateSheet(GateSheet.Kind.UNIT, null, null, null, gate.unit());
        }
        return gate.done() != null
                ? new GateSheet(GateSheet.Kind.DONE, null, id(ids, gate.done()), null, null)
                : new GateSheet(GateSheet.Kind.PERCENT, null, id(ids, gate.reach()), gate.percent(), null);
    }

    static long id(Map<String, Long> ids, @Nullable String title) {
        Long id = ids.get(title);
        if (id == null) {
            throw new IllegalArgumentException("the demo names '" + title + "' before it is there");
        }
        return id;
    }

    /** The thresholds name work by its title in the file, and by its number in the store. */
    static RuleSheet rules(CourseFile file, Map<String, Long> ids) {
        RuleSheet written = Objects.requireNonNullElse(file.rules(), RuleSheet.UNKNOWN);
        if (file.thresholds() == null) {
            return written;
        }
        GradeSheet grade = written.grade();
        return new RuleSheet(
                written.soonHours(),
                written.late(),
                written.leeway(),
                new GradeSheet(
                        grade.kind(),
                        grade.categories(),
                        grade.standards(),
                        grade.noneBelow(),
                        file.thresholds().stream()
                                .map(one -> new GradeSheet.ThresholdSheet(id(ids, one.work()), one.percent()))
                                .toList(),
                        grade.letters(),
                        grade.decimals()),
                written.ordered(),
                written.paceCap(),
                written.printed());
    }

    private static @Nullable RedoRule redo(DemoFiles.@Nullable RedoFile redo, DemoTimes times) {
        return redo == null ? null : new RedoRule(times.atOrNull(redo.until()), redo.reopening());
    }

    private static Work.Takes takes(DemoFiles.@Nullable TakesFile takes) {
        return takes == null
                ? new Work.Takes(false, false, false, List.of())
                : new Work.Takes(
                        takes.files() != null,
                        takes.text(),
                        takes.done(),
                        Objects.requireNonNullElse(takes.files(), List.of()),
                        20,
                        (long) Objects.requireNonNullElse(takes.maxMb(), 50) << 20);
    }
}
