package app.navlo.server.household;

import app.navlo.server.account.Person;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The students whose work somebody sees. */
@RestController
class HouseholdController {
    private final HouseholdService household;

    HouseholdController(HouseholdService household) {
        this.household = household;
    }

    /**
     * A row for each student whose work this person may see, who needs it most first.
     *
     * @param span of which the figures count work
     */
    @GetMapping("/api/household")
    HouseholdView rows(@AuthenticationPrincipal Person reader, @RequestParam(defaultValue = "PERIOD") Spanning span) {
        return household.of(reader, span);
    }
}
