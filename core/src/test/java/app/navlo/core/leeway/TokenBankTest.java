package app.navlo.core.leeway;

import static org.testng.Assert.assertEquals;

import app.navlo.core.exact.Rational;
import app.navlo.core.id.WorkId;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** The bank against every allocation there is. */
public class TokenBankTest {
    private Rational best = Rational.ZERO;
    private int fewest;
    private int ways;

    private void tryAll(List<TokenBank.Candidate> candidates, int at, int left, int used, Rational total) {
        if (at == candidates.size()) {
            int order = total.compareTo(best);
            if (order > 0 || (order == 0 && used < fewest)) {
                best = total;
                fewest = used;
                ways = 1;
            } else if (order == 0 && used == fewest) {
                ways++;
            }
            return;
        }
        List<Rational> values = candidates.get(at).values();
        for (int here = 0; here < values.size() && here <= left; here++) {
            tryAll(candidates, at + 1, left - here, used + here, total.plus(values.get(here)));
        }
    }

    @Test
    public void noAllocationIsBetterAndNoneAsGoodIsCheaper() {
        Random random = new Random(3);
        for (int i = 0; i < 1_500; i++) {
            List<TokenBank.Candidate> candidates = new ArrayList<>();
            for (int c = random.nextInt(6); c >= 0; c--) {
                List<Rational> values = new ArrayList<>();
                for (int v = random.nextInt(4); v >= 0; v--) {
                    values.add(Rational.of(random.nextInt(9), 1 + random.nextInt(3)));
                }
                candidates.add(new TokenBank.Candidate(new WorkId("w" + c), values));
            }
            int tokens = random.nextInt(6);
            best = Rational.of(-1);
            tryAll(candidates, 0, tokens, 0, Rational.ZERO);
            TokenBank.BestUse use = TokenBank.bestUse(tokens, candidates);
            assertEquals(use.total(), best);
            assertEquals(use.tokens(), fewest);
            assertEquals(use.only(), ways == 1);
            assertEquals(use.uses().values().stream().mapToInt(n -> n).sum(), fewest);
            Rational claimed = candidates.stream()
                    .map(one -> one.values().get(use.uses().getOrDefault(one.id(), 0)))
                    .reduce(Rational.ZERO, Rational::plus);
            assertEquals(claimed, best);
        }
    }
}
