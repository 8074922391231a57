package app.navlo.server.next;

import app.navlo.server.account.Person;
import app.navlo.server.board.AnswersOfTheMinute;
import app.navlo.server.board.AnswersOfTheMinute.Answer;
import app.navlo.server.board.Written;
import app.navlo.server.store.HeldPlans.HeldPlan;
import app.navlo.server.store.HeldPlans.Turned;
import app.navlo.server.store.WishList.Wish;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Objects;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.TransactionException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads the plan for somebody; as the student reads it, it holds from then on. Within the minute it is written once, as long as
 * nothing is changed. @see AnswersOfTheMinute
 */
@Service
class NextReading {
    private static final Logger LOG = LoggerFactory.getLogger(NextReading.class);
    private static final int KEPT = 1_000;

    private final NextService next;
    private final PlansInTurn plans;
    private final PlanHolding holding;
    private final PlansOfTheMinute minute;
    private final JsonMapper json;
    private final AnswersOfTheMinute<NextService.Question, Sent> kept = new AnswersOfTheMinute<>(KEPT);

    NextReading(NextService next, PlansInTurn plans, PlanHolding holding, PlansOfTheMinute minute, JsonMapper json) {
        this.next = next;
        this.plans = plans;
        this.holding = holding;
        this.minute = minute;
        this.json = json;
    }

    /** @param held that holds once it was read; null for none */
    private record Sent(Written<NextView> plan, @Nullable HeldPlan held) {}

    /** @param budgetMinutes that today has from now on, whatever its free hours; null for those */
    Written<NextView> read(long student, Person reader, @Nullable Integer budgetMinutes, Instant now) {
        NextService.Question question = next.question(student, reader, budgetMinutes, now);
        Answer<Sent> there = kept.of(question, now, () -> anew(student, reader, budgetMinutes, now));
        HeldPlan held = there.what().held();
        if (!Objects.equals(held, question.held())) {
            // Who asks again asks with it in force.
            kept.also(question.with(held), there);
        }
        return there.what().plan();
    }

    private Answer<Sent> anew(long student, Person reader, @Nullable Integer budgetMinutes, Instant now) {
        NextService.Made made = plans.make(student, ZoneId.of(reader.zone()), budgetMinutes, now);
        Turned turned = budgetMinutes == null
                ? holding.turned(made.holding(), made.plan(), now).orElse(null)
                : null;
        HeldPlan held = budgetMinutes == null && reader.id() == student
                ? keep(student, made, turned, now)
                : made.holding().row();
        NextView view =
                new PlanWriting(made.board(), made.wishes()).view(made.plan(), made.free(), budgetMinutes, turned);
        return new Answer<>(now, until(made, turned), new Sent(Written.of(view, json), held));
    }

    /** A change of the board, the end of some news, or of putting off. */
    private static @Nullable Instant until(NextService.Made made, @Nullable Turned turned) {
        Stream<@Nullable Instant> all = Stream.concat(
                Stream.of(made.board().nextChange(), PlanHolding.saidUntil(turned)),
                made.wishes().stream().map(Wish::notBefore));
        return all.filter(Objects::nonNull)
                .filter(at -> !at.isBefore(made.board().now()))
                .min(Instant::compareTo)
                .orElse(null);
    }

    /** What can't be kept, on a full disk for example, is planned anew in the next minute; reading goes on. */
    private @Nullable HeldPlan keep(long student, NextService.Made made, @Nullable Turned turned, Instant now) {
        try {
            HeldPlan held = holding.keep(student, made.holding(), made.plan(), turned, now);
            minute.holds(made.question(), made.holding().with(held));
            return held;
        } catch (DataAccessException | TransactionException fault) {
            LOG.warn("the plan of student {} couldn't be kept", student, fault);
            return made.holding().row();
        }
    }
}
