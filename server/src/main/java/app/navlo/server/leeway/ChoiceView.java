package app.navlo.server.leeway;

import app.navlo.core.leeway.Choices;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * @param due null for none
 * @param score expected, in points
 * @param otherwise the score if the teacher says no; null where no answer is waited for
 * @param bars why it can't be chosen; empty where it can
 * @param best whether it is the best that can be chosen; of one case at most one is
 * @param shuts the kinds that choosing it bars from then on
 */
public record ChoiceView(
        Choices.Kind kind,
        int tokens,
        @Nullable Instant due,
        String score,
        @Nullable String otherwise,
        List<String> bars,
        boolean best,
        List<Choices.Kind> shuts) {}
