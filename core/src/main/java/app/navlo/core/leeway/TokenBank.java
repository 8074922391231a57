package app.navlo.core.leeway;

import app.navlo.core.check.Check;
import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The best use of a bank of tokens over all work that could take some: exact, by dynamic programming over candidates and
 * tokens. Of equal totals the one with the fewest tokens. Cost: candidates × tokens × the most tokens on one of them.
 */
public final class TokenBank {
    private static final long MANY = 2;

    private TokenBank() {}

    /** @param values with 0, 1, … tokens on it; at least the first, and they may fall */
    public record Candidate(WorkId id, List<Rational> values) {
        public Candidate {
            values = List.copyOf(values);
            new Check()
                    .that(!values.isEmpty(), "values", "of " + id + " is empty; give at least the value without tokens")
                    .orThrow();
        }
    }

    /**
     * @param total of the values, untouched candidates at their value without tokens
     * @param tokens the fewest with which that total is reached
     * @param uses tokens by candidate, zeros left out, in the given order
     * @param only whether no other allocation has this total with so few tokens
     */
    public record BestUse(Rational total, int tokens, Map<WorkId, Integer> uses, boolean only) {}

    /** The best of the candidates seen so far with exactly so many tokens. {@code ways} stops counting at 2. */
    private record Cell(Rational total, int here, long ways) {}

    /** @throws app.navlo.core.check.IllegalInput if {@code tokens} is negative */
    public static BestUse bestUse(int tokens, List<Candidate> candidates) {
        new Check().notNegative(tokens, "tokens").orThrow();
        Cell[][] table = new Cell[candidates.size() + 1][];
        table[0] = new Cell[] {new Cell(Rational.ZERO, 0, 1)};
        for (int i = 0; i < candidates.size(); i++) {
            table[i + 1] = withOneMore(table[i], candidates.get(i), tokens);
        }
        Cell[] last = table[candidates.size()];
        int fewest = 0;
        for (int used = 1; used < last.length; used++) {
            fewest = last[used].total().compareTo(last[fewest].total()) > 0 ? used : fewest;
        }
        Map<WorkId, Integer> uses = uses(table, candidates, fewest);
        return new BestUse(last[fewest].total(), fewest, uses, last[fewest].ways() == 1);
    }

    private static Cell[] withOneMore(Cell[] before, Candidate candidate, int tokens) {
        int most = candidate.values().size() - 1;
        Cell[] after = new Cell[Math.min(tokens, before.length - 1 + most) + 1];
        for (int used = 0; used < after.length; used++) {
            for (int here = Math.max(0, used - before.length + 1); here <= Math.min(most, used); here++) {
                Cell rest = before[used - here];
                Rational total = rest.total().plus(candidate.values().get(here));
                after[used] = better(after[used], new Cell(total, here, rest.ways()));
            }
        }
        return after;
    }

    private static Cell better(@Nullable Cell best, Cell next) {
        int order = best == null ? 1 : next.total().compareTo(best.total());
        if (best == null || order > 0) {
            return next;
        }
        return order < 0 ? best : new Cell(best.total(), best.here(), Math.min(MANY, best.ways() + next.ways()));
    }

    private static Map<WorkId, Integer> uses(Cell[][] table, List<Candidate> candidates, int tokens) {
        int[] here = new int[candidates.size()];
        int left = tokens;
        for (int i = candidates.size() - 1; i >= 0; i--) {
            here[i] = table[i + 1][left].here();
            left -= here[i];
        }
        Map<WorkId, Integer> uses = new LinkedHashMap<>();
        for (int i = 0; i < here.length; i++) {
            if (here[i] > 0) {
                uses.put(candidates.get(i).id(), here[i]);
            }
        }
        return uses;
    }
}
