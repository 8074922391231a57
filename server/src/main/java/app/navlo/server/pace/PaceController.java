package app.navlo.server.pace;

import app.navlo.server.account.Person;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
public class PaceController {
    private final PaceService pace;

    PaceController(PaceService pace) {
        this.pace = pace;
    }

    /** What is done against what is needed, by course and unit. */
    @GetMapping("/api/students/{student}/pace")
    public List<CoursePaceView> pace(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        return pace.of(student, reader);
    }
}
