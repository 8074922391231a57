package app.navlo.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;

/**
 * How a search looks at a bonus. A bonus counts only whole, so a search that weighs it as it is can miss the way to it, or
 * hold on to one that isn't worth its price: some searches leave it out, and some go for it at any price.
 */
enum Aim {
    LEFT(0, 0, false),
    /** The way to it is credited, by the square of the part: it leads there, and counts nothing in the end. */
    AS_IT_IS(1, 0, true),
    AT_ANY_PRICE(3, 2.7, false);

    /** How many ways to look at several bonuses are tried. */
    private static final int WAYS = 5;

    private static final int WAYS_FOR_ONE = 3;
    private static final int WAYS_FOR_TWO = 4;
    private static final long SEED = 7;
    /** How many times over it counts when it is reached. */
    final double weight;

    /** And, in proportion to the part that is there, before; below the weight. */
    final double byPart;

    final boolean credited;

    Aim(double weight, double byPart, boolean credited) {
        this.weight = weight;
        this.byPart = byPart;
        this.credited = credited;
    }

    static Aim[] asTheyAre(int bonuses) {
        Aim[] all = new Aim[bonuses];
        Arrays.fill(all, AS_IT_IS);
        return all;
    }

    /** Ways to look at so many bonuses, the plain one first; the same each time. */
    static List<Aim[]> ways(int bonuses) {
        List<Aim[]> ways = new ArrayList<>();
        ways.add(asTheyAre(bonuses));
        int most = bonuses == 0 ? 1 : bonuses == 1 ? WAYS_FOR_ONE : bonuses == 2 ? WAYS_FOR_TWO : WAYS;
        if (most > 1) {
            Aim[] all = new Aim[bonuses];
            Arrays.fill(all, AT_ANY_PRICE);
            ways.add(all);
        }
        SplittableRandom random = new SplittableRandom(SEED);
        while (ways.size() < most) {
            Aim[] some = new Aim[bonuses];
            Arrays.setAll(some, bonus -> values()[random.nextInt(values().length)]);
            ways.add(some);
        }
        return ways;
    }
}
