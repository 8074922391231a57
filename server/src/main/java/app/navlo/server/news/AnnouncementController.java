package app.navlo.server.news;

import app.navlo.server.board.ReadBoard;
import app.navlo.server.http.StandIns;
import app.navlo.server.store.Announcements;
import app.navlo.server.store.Changes;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** What courses and schools say to all. */
@RestController
public class AnnouncementController {
    private final Announcements announcements;
    private final Changes changes;
    private final StandIns standIns;

    AnnouncementController(Announcements announcements, Changes changes, StandIns standIns) {
        this.announcements = announcements;
        this.changes = changes;
        this.standIns = standIns;
    }

    /**
     * @param courseId null for the school's own
     * @param source by whose link it came
     * @param lastDay after which nobody needs it; null for none
     * @param address of a page or file that belongs to it; null for none
     */
    public record AnnouncementView(
            @Nullable Long courseId,
            String source,
            String by,
            String title,
            String body,
            Instant at,
            @Nullable LocalDate lastDay,
            @Nullable String address) {}

    /** @param announcements the newest first */
    public record AnnouncementsView(List<AnnouncementView> announcements) {}

    /** What teachers and schools announced, the latest first. */
    @GetMapping("/api/students/{student}/announcements")
    @ReadBoard
    public AnnouncementsView announcements(@PathVariable long student) {
        return new AnnouncementsView(announcements.all(student, changes.undone(student)).stream()
                .map(one -> new AnnouncementView(
                        one.course(),
                        one.source(),
                        one.author(),
                        one.title(),
                        one.body(),
                        one.at(),
                        one.lastDay(),
                        standIns.page(one.address())))
                .toList());
    }
}
