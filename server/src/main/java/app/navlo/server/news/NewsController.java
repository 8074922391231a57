package app.navlo.server.news;

import app.navlo.server.account.Person;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.store.SeenMarks;
import app.navlo.server.store.SeenMarks.Reader;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What is new about a student, to whoever reads: a guardian has marks of their own. */
@RestController
@RequestMapping("/api/news/{student}")
public class NewsController {
    private final WhatIsNew news;
    private final SeenMarks seen;
    private final LiveFeed live;

    NewsController(WhatIsNew news, SeenMarks seen, LiveFeed live) {
        this.news = news;
        this.seen = seen;
        this.live = live;
    }

    /** @param seen false makes them new again */
    public record SeenForm(
            @NotNull @Size(max = 300) List<@NotNull @Size(max = SeenMarks.LONGEST_ITEM) String> items, boolean seen) {}

    /** @param until when the list was read that was seen */
    public record AllSeenForm(@NotNull Instant until) {}

    /** What is new for this reader. */
    @GetMapping
    public NewsView news(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        return news.of(new Reader(reader.id(), student), ZoneId.of(reader.zone()));
    }

    /** Says up to where this reader has seen what is new, or makes something new again. */
    @PostMapping("/marks")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    public void mark(
            @PathVariable long student, @AuthenticationPrincipal Person reader, @Valid @RequestBody SeenForm form) {
        seen.mark(new Reader(reader.id(), student), form.items(), form.seen());
        live.changed(student);
    }

    /** Says that this reader has seen everything. */
    @PostMapping("/all")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    public void all(
            @PathVariable long student, @AuthenticationPrincipal Person reader, @Valid @RequestBody AllSeenForm form) {
        seen.all(new Reader(reader.id(), student), form.until());
        live.changed(student);
    }
}
