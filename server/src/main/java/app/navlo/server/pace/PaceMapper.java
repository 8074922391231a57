package app.navlo.server.pace;

import app.navlo.core.course.CoursePace;
import app.navlo.core.course.PaceChain;
import app.navlo.core.id.WorkId;
import app.navlo.core.pace.Pace;
import app.navlo.core.pace.UnitPace;
import app.navlo.core.reason.Sentences;
import app.navlo.server.sheet.Figures;
import app.navlo.server.store.Term;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Writes what the core counts of a course as it is sent. */
final class PaceMapper {
    private PaceMapper() {}

    /** @param term null for a course without one */
    static CoursePaceView view(
            long course, CoursePace counted, @Nullable Term term, List<Instant> closes, ZoneId zone) {
        Pace pace = counted.pace();
        return new CoursePaceView(
                course,
                pace.standing(),
                Sentences.write(pace.reason(), zone),
                pace.done(),
                pace.left(),
                pace.outOfReach(),
                pace.expected(),
                pace.lead(),
                pace.leadMinutes(),
                pace.schoolDaysLeft(),
                Figures.textOrNull(pace.neededPerDay()),
                pace.neededMinutesPerDay(),
                counted.guessed(),
                Figures.textOrNull(pace.ratePerDay()),
                pace.finish(),
                pace.inTime(),
                pace.firstDone(),
                pace.lastDone(),
                term == null ? null : counted.close(),
                closes,
                daysOff(term),
                counted.line().stream()
                        .map(point -> new PacePoint(point.day(), point.due(), point.done()))
                        .toList(),
                pace.units().stream().map(PaceMapper::unit).toList(),
                counted.chains().stream().map(PaceMapper::chain).toList());
    }

    private static List<DayOffView> daysOff(@Nullable Term term) {
        return term == null
                ? List.of()
                : term.daysOff().stream()
                        .map(off -> new DayOffView(off.first(), off.last(), off.name()))
                        .toList();
    }

    private static UnitPaceView unit(UnitPace unit) {
        return new UnitPaceView(
                unit.unit(),
                unit.complete(),
                unit.done(),
                unit.left(),
                unit.outOfReach(),
                Figures.textOrNull(unit.meanPercent()),
                unit.started());
    }

    private static ChainView chain(PaceChain chain) {
        return new ChainView(
                chain.to().number(),
                chain.possible(),
                chain.shutBy().stream().map(WorkId::number).sorted().toList(),
                chain.links().stream()
                        .map(link -> new LinkView(
                                link.work().number(), link.unlocks(), link.startBy(), link.handInBy(), link.graded()))
                        .toList());
    }
}
