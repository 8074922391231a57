package app.navlo.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.Test;

/** How hard a plan is looked for. */
public class SearchBudgetTest {
    private static final int MANY = 3_000;

    @Test
    public void moreJobsAreLookedAtForLongerAndQuicklyNeverHarderThanUsually() {
        long before = 0;
        for (int jobs = 0; jobs <= MANY; jobs++) {
            SearchBudget usual = SearchBudget.usual(jobs);
            SearchBudget quick = SearchBudget.quick(jobs);
            assertTrue(usual.steps() >= before, "fewer steps for " + jobs);
            before = usual.steps();
            assertTrue(quick.steps() <= usual.steps() && quick.labels() <= usual.labels(), "quick at " + jobs);
            assertTrue(quick.rounds() <= usual.rounds() && quick.rounds() >= 10, "rounds at " + jobs);
        }
    }

    @Test
    public void aProofIsTriedOfAsManyAsFitIntoASet() {
        for (int jobs = 1; jobs <= MANY; jobs++) {
            assertTrue(SearchBudget.usual(jobs).labels() == 0 || jobs <= LabelSetting.MOST_JOBS, "labels for " + jobs);
        }
        assertTrue(SearchBudget.usual(20).labels() > 0 && SearchBudget.quick(20).labels() > 0);
    }

    /** A round of prices looks at each job and each stretch of time: among thousands a few have to do. */
    @Test
    public void amongThousandsAQuickPlanStaysQuick() {
        for (int jobs = 500; jobs <= MANY; jobs += 500) {
            SearchBudget quick = SearchBudget.quick(jobs);
            assertTrue(quick.steps() * jobs <= 50_000_000, "steps of " + jobs);
            assertTrue((long) quick.rounds() * jobs * jobs <= 100_000_000, "rounds of " + jobs);
        }
        assertEquals(SearchBudget.quick(40).rounds(), SearchBudget.usual(40).rounds() / 2);
    }
}
