package app.navlo.server.sheet;

import app.navlo.core.exact.Rational;
import java.math.BigDecimal;
import java.math.RoundingMode;
import org.jspecify.annotations.Nullable;

/** Exact numbers as decimal text, as they are stored and sent. */
public final class Figures {
    /** What a figure may look like: at most seven digits and four decimals. */
    public static final String PATTERN = "\\d{1,7}(\\.\\d{1,4})?";

    public static final String WRITE_IT_SO = "Write a number like 40 or 12.5.";
    private static final int DECIMALS_SENT = 6;

    private Figures() {}

    public static @Nullable Rational orNull(@Nullable String text) {
        return text == null || text.isBlank() ? null : Rational.of(new BigDecimal(text.strip()));
    }

    public static Rational orZero(@Nullable String text) {
        Rational value = orNull(text);
        return value == null ? Rational.ZERO : value;
    }

    /** The shortest decimal that says it; thirds and the like are cut after six places. */
    public static String text(Rational value) {
        return value.toDecimal(DECIMALS_SENT, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }

    /** To a tenth, as a forecast is shown. */
    public static String tenths(Rational value) {
        return value.toDecimal(1, RoundingMode.HALF_UP).toPlainString();
    }

    /** To a hundredth, with both places. */
    public static String hundredths(Rational value) {
        return value.toDecimal(2, RoundingMode.HALF_UP).toPlainString();
    }

    public static @Nullable String textOrNull(@Nullable Rational value) {
        return value == null ? null : text(value);
    }
}
