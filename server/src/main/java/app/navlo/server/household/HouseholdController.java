package app.navlo.server.household;

import app.navlo.server.account.Person;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
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

    /**
     * The same rows as a table for a spreadsheet, with what the reader keeps of each.
     *
     * @param students in the order in which they are wanted; all for none
     */
    @GetMapping("/api/household/students.csv")
    ResponseEntity<byte[]> table(
            @AuthenticationPrincipal Person reader,
            @RequestParam(defaultValue = "PERIOD") Spanning span,
            @RequestParam(defaultValue = "") List<Long> students)
            throws IOException {
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"navlo-students.csv\"")
                .header(HttpHeaders.CACHE_CONTROL, "no-store")
                .body(HouseholdTable.of(household.of(reader, span), students).getBytes(StandardCharsets.UTF_8));
    }
}
