package app.navlo.server.exports;

import app.navlo.server.account.Person;
import app.navlo.server.account.Secrets;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.CalendarFeeds;
import app.navlo.server.store.CalendarFeeds.CalendarFeed;
import app.navlo.server.store.Keyring;
import app.navlo.server.store.Sha256;
import app.navlo.server.time.ServerClock;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** A student's calendar, for any calendar program that knows its secret address. */
@RestController
public class FeedController {
    private static final MediaType CALENDAR = new MediaType("text", "calendar", StandardCharsets.UTF_8);
    private static final String PURPOSE = "calendar-feed";

    private final CalendarFeeds feeds;
    private final FeedWriter writer;
    private final ServerClock clock;
    private final boolean reachable;
    private final Keyring keyring;
    private final Secrets secrets;

    FeedController(
            CalendarFeeds feeds,
            FeedWriter writer,
            ServerClock clock,
            Keyring keyring,
            Secrets secrets,
            @Value("${server.address:localhost}") String host) {
        this.reachable = !host.equals("localhost") && !host.startsWith("127.") && !host.equals("::1");
        this.feeds = feeds;
        this.keyring = keyring;
        this.secrets = secrets;
        this.writer = writer;
        this.clock = clock;
    }

    /**
     * @param address null where there is none, where the key has changed with which it was made, and for a guardian: it is the
     *     student's to give
     * @param madeAt null where there is none
     * @param reachable whether other machines of the network can ask for it at all
     */
    public record FeedView(
            @Nullable String address, @Nullable Instant madeAt, boolean reachable) {}

    /** The address of the calendar for other programs, if there is one. */
    @GetMapping("/api/students/{student}/calendar-feed")
    public FeedView read(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        return feeds.of(student)
                .map(feed -> new FeedView(reader.id() == student ? address(feed) : null, feed.madeAt(), reachable))
                .orElseGet(() -> new FeedView(null, null, reachable));
    }

    /** Makes an address, or a new one: the old one then leads nowhere. */
    @PostMapping("/api/students/{student}/calendar-feed")
    public FeedView make(@PathVariable long student) {
        String salt = secrets.next();
        CalendarFeed feed = new CalendarFeed(student, salt, Sha256.of(secret(student, salt)), clock.instant());
        feeds.make(feed);
        return new FeedView(address(feed), feed.madeAt(), reachable);
    }

    /** Takes the address back: who has it reads nothing any more. */
    @DeleteMapping("/api/students/{student}/calendar-feed")
    public FeedView stop(@PathVariable long student) {
        feeds.stop(student);
        return new FeedView(null, null, reachable);
    }

    /** Made from the key of this Navlo, so that it can be shown again and is stored nowhere. */
    private String secret(long student, String salt) {
        return keyring.sign(PURPOSE, student + " " + salt);
    }

    private @Nullable String address(CalendarFeed feed) {
        String secret = secret(feed.student(), feed.salt());
        if (!Sha256.of(secret).equals(feed.digest())) {
            return null;
        }
        return ServletUriComponentsBuilder.fromCurrentContextPath()
                .path("/calendar/{secret}.ics")
                .buildAndExpand(secret)
                .toUriString();
    }

    /**
     * Whoever knows the secret reads it, signed in or not.
     *
     * @param as whether dues are events, or to-dos with how far they are; many programs show no to-dos of others
     * @param alarm so many minutes before a due; null for none
     * @param reminders whether there is an alarm at the last moment at which acting still saves what waiting would cost instead
     */
    @GetMapping("/calendar/{secret}.ics")
    public ResponseEntity<byte[]> calendar(
            @PathVariable String secret,
            @RequestParam(defaultValue = "EVENTS") Dues as,
            @RequestParam(required = false) @Min(0) @Max(20_160) @Nullable Integer alarm,
            @RequestParam(defaultValue = "false") boolean reminders) {
        long student = feeds.student(secret).orElseThrow(() -> Refusal.notFound("calendar"));
        byte[] calendar = writer.write(student, as, reminders, alarm == null ? null : Duration.ofMinutes(alarm))
                .getBytes(StandardCharsets.UTF_8);
        return ResponseEntity.ok()
                .contentType(CALENDAR)
                .cacheControl(CacheControl.noCache().cachePrivate())
                .eTag(Sha256.of(new String(calendar, StandardCharsets.UTF_8)))
                .body(calendar);
    }
}
