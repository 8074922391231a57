package app.navlo.server.leeway;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * @param until when the last of it can be had; null where nothing can any more
 * @param mayAsk whether an extension may be asked for
 * @param askUntil null where it may not
 * @param newDue that an extension gives; null where it may not be asked for
 * @param whyNot why an extension can't be asked for, each in a clause; empty where it may
 * @param mayUse whether a token may be used
 * @param tokenDues that one, two, … tokens give
 * @param pending whether an extension is asked for and not answered
 * @param keyOpened whether the answer key was opened
 * @param rule of the course, in a sentence
 * @param doneAt when it would be finished, by the plan
 * @param choices side by side
 * @param lines what each keeps over time
 * @param leewayBrings points beyond what there is without leeway; "0" for none
 */
public record LeewayCaseView(
        long work,
        @Nullable Instant until,
        boolean mayAsk,
        @Nullable Instant askUntil,
        @Nullable Instant newDue,
        boolean atOnce,
        List<String> whyNot,
        boolean mayUse,
        List<Instant> tokenDues,
        boolean pending,
        boolean keyOpened,
        String rule,
        Instant doneAt,
        String possible,
        List<ChoiceView> choices,
        List<LeewayLineView> lines,
        String leewayBrings) {}
