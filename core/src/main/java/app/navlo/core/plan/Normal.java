package app.navlo.core.plan;

/** The normal distribution, the same to the last digit on every machine. */
final class Normal {
    /** Of the rational approximations of P. J. Acklam: off by a billionth at most. */
    private static final double[] A = {
        -3.969683028665376e+01,
        2.209460984245205e+02,
        -2.759285104469687e+02,
        1.383577518672690e+02,
        -3.066479806614716e+01,
        2.506628277459239e+00
    };

    private static final double[] B = {
        -5.447609879822406e+01,
        1.615858368580409e+02,
        -1.556989798598866e+02,
        6.680131188771972e+01,
        -1.328068155288572e+01,
        1
    };

    private static final double[] C = {
        -7.784894002430293e-03,
        -3.223964580411365e-01,
        -2.400758277161838e+00,
        -2.549732539343734e+00,
        4.374664141464968e+00,
        2.938163982698783e+00
    };

    private static final double[] D = {
        7.784695709041462e-03, 3.224671290700398e-01, 2.445134137142996e+00, 3.754408661907416e+00, 1
    };

    private static final double TAIL = 0.02425;

    /** Of the formula 26.2.17 of Abramowitz and Stegun: off by a ten-millionth at most. */
    private static final double[] T = {1.330274429, -1.821255978, 1.781477937, -0.356563782, 0.319381530, 0};

    private static final double T_SCALE = 0.2316419;

    private Normal() {}

    /** The chance of at most {@code z}. */
    static double below(double z) {
        double t = 1 / (1 + T_SCALE * Math.abs(z));
        double above = StrictMath.exp(-z * z / 2) / Math.sqrt(2 * Math.PI) * polynomial(T, t);
        return z > 0 ? 1 - above : above;
    }

    /** The inverse. @param chance above 0, below 1 */
    static double quantile(double chance) {
        if (chance < TAIL) {
            double q = Math.sqrt(-2 * StrictMath.log(chance));
            return polynomial(C, q) / polynomial(D, q);
        }
        if (chance > 1 - TAIL) {
            return -quantile(1 - chance);
        }
        double q = chance - 0.5;
        return q * polynomial(A, q * q) / polynomial(B, q * q);
    }

    /** The highest power first. */
    private static double polynomial(double[] factors, double x) {
        double sum = 0;
        for (double factor : factors) {
            sum = sum * x + factor;
        }
        return sum;
    }
}
