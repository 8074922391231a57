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
import org.jspecify.annotations.Nullable;
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

    /** What sort of thing is new. */
    public enum NewsKind {
        WORK,
        SCORE,
        WORDS,
        FLAG,
        ANSWER,
        DUE,
        SENT_BACK,
        RETURNED,
        EXCUSED,
        REOPENED,
        CLOSED,
        FILE,
        ANNOUNCEMENT,
        CHANGE
    }

    /**
     * @param key by which it is marked
     * @param at since when it can be seen here; the order goes by that
     * @param happened when it happened
     * @param courseId null for what is of a school, or of several
     * @param workId null for what belongs to no piece of work
     * @param title of the work, the announcement or the change
     * @param by who did or said it; empty where nobody is named
     * @param words what happened, in a line; empty where the title says it
     * @param body what was said; empty for nothing
     * @param address of a page that belongs to it; null for none
     * @param isNew whether this reader hasn't seen it
     */
    public record NewsItem(
            String key,
            NewsKind kind,
            Instant at,
            Instant happened,
            @Nullable Long courseId,
            @Nullable Long workId,
            String title,
            String by,
            String words,
            String body,
            @Nullable String address,
            boolean isNew) {
        NewsItem as(boolean fresh) {
            return new NewsItem(key, kind, at, happened, courseId, workId, title, by, words, body, address, fresh);
        }
    }

    /**
     * @param now when it was read: everything until then can be marked as seen
     * @param fresh how many are new
     * @param items those that are new first, then what was seen in the last days; each newest first
     */
    public record NewsView(Instant now, int fresh, List<NewsItem> items) {}

    /** @param seen false makes them new again */
    public record SeenForm(
            @NotNull @Size(max = 300) List<@NotNull @Size(max = SeenMarks.LONGEST_ITEM) String> items, boolean seen) {}

    /** @param until when the list was read that was seen */
    public record AllSeenForm(@NotNull Instant until) {}

    @GetMapping
    public NewsView news(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        return news.of(new Reader(reader.id(), student), ZoneId.of(reader.zone()));
    }

    @PostMapping("/marks")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    public void mark(
            @PathVariable long student, @AuthenticationPrincipal Person reader, @Valid @RequestBody SeenForm form) {
        seen.mark(new Reader(reader.id(), student), form.items(), form.seen());
        live.changed(student);
    }

    @PostMapping("/all")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Transactional
    public void all(
            @PathVariable long student, @AuthenticationPrincipal Person reader, @Valid @RequestBody AllSeenForm form) {
        seen.all(new Reader(reader.id(), student), form.until());
        live.changed(student);
    }
}
