package app.navlo.server.live;

import java.security.Principal;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

@RestController
class LiveController {
    private final LiveFeed feed;

    LiveController(LiveFeed feed) {
        this.feed = feed;
    }

    /** An endless stream: {@code board} when something of the student changed, with
     * the number of the last change; {@code clock} when time was moved. Of many of one person the oldest end. */
    @GetMapping(path = "/api/students/{student}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    ResponseEntity<SseEmitter> events(@PathVariable long student, Principal reader) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .header("X-Accel-Buffering", "no")
                .body(feed.open(student, reader.getName()));
    }
}
