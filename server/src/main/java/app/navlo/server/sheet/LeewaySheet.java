package app.navlo.server.sheet;

import app.navlo.core.leeway.ExtensionRule;
import app.navlo.core.leeway.TokenRule;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import java.time.Duration;
import org.jspecify.annotations.Nullable;

/** What a course lets be moved. Null for what it doesn't give. */
public record LeewaySheet(
        @Nullable @Valid ExtensionSheet extension,
        @Nullable @Valid TokenSheet tokens) {
    public static final LeewaySheet NONE = new LeewaySheet(null, null);

    /**
     * @param beforeHours null for any time before the due
     * @param afterHours past the original due
     * @param lengthDays counted from the original due
     * @param limit on one piece of work
     * @param tokens that one costs
     * @param penaltyPercent of the points earned after the original due; null for none
     */
    public record ExtensionSheet(
            @Nullable @Max(value = 20_000, message = "At most 20,000 hours.")
            Integer beforeHours,

            @Max(value = 20_000, message = "At most 20,000 hours.")
            int afterHours,

            @Max(value = 366, message = "At most 366 days.") int lengthDays,
            @Max(value = 20, message = "At most 20.") int limit,

            @NotNull(message = "Choose who answers.") ExtensionRule.Answered answered,

            @Max(value = 100, message = "At most 100.") int tokens,

            @Nullable @Pattern(regexp = Figures.PATTERN, message = Figures.WRITE_IT_SO)
            String penaltyPercent) {

        /** @throws app.navlo.core.check.IllegalInput naming every field that doesn't fit */
        public ExtensionRule rule() {
            return new ExtensionRule(
                    beforeHours == null ? null : Duration.ofHours(beforeHours),
                    Duration.ofHours(afterHours),
                    lengthDays,
                    limit,
                    answered,
                    tokens,
                    Figures.orZero(penaltyPercent));
        }
    }

    /**
     * @param bank for the term
     * @param spanHours that each adds to the due
     * @param most on one piece of work
     * @param afterHours past the due in force
     */
    public record TokenSheet(
            @Max(value = 1_000, message = "At most 1,000.") int bank,

            @Max(value = 2_000, message = "At most 2,000 hours.")
            int spanHours,

            @Max(value = 100, message = "At most 100.") int most,

            @Max(value = 20_000, message = "At most 20,000 hours.")
            int afterHours) {
        /** @throws app.navlo.core.check.IllegalInput naming every field that doesn't fit */
        public TokenRule rule() {
            return new TokenRule(bank, Duration.ofHours(spanHours), most, Duration.ofHours(afterHours));
        }
    }

    public @Nullable ExtensionRule extensionRule() {
        return extension == null ? null : extension.rule();
    }

    public @Nullable TokenRule tokenRule() {
        return tokens == null ? null : tokens.rule();
    }
}
