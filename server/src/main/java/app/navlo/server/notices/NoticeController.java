package app.navlo.server.notices;

import app.navlo.server.account.Person;
import app.navlo.server.time.ServerClock;
import jakarta.validation.Valid;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Which words come, by mail and in an open browser. */
@RestController
class NoticeController {
    static final String STOP = "/api/notices/stops/";

    private final NoticeService notices;
    private final WordsToTell words;
    private final ServerClock clock;

    NoticeController(NoticeService notices, WordsToTell words, ServerClock clock) {
        this.notices = notices;
        this.words = words;
        this.clock = clock;
    }

    /**
     * One thing that is to be told now.
     *
     * @param key by which a browser knows that it told it
     */
    record WordView(long student, String key, Word.Kind kind, String line) {}

    /** What is to be told now of what one chose, for a browser that shows it while it is open; nothing while it is quiet. */
    @GetMapping("/api/people/me/words")
    List<WordView> words(@AuthenticationPrincipal Person person) {
        return notices.reader(person)
                .map(reader -> words.standing(reader, clock.instant()).stream()
                        .map(word -> new WordView(word.student(), word.key(), word.kind(), word.line()))
                        .toList())
                .orElse(List.of());
    }

    /** Which words come to whoever is signed in. */
    @GetMapping("/api/people/me/notices")
    NoticeChoiceView choice(@AuthenticationPrincipal Person person) {
        return notices.choice(person);
    }

    /** Chooses which words come, and when it is quiet. */
    @PutMapping("/api/people/me/notices")
    NoticeChoiceView choose(@AuthenticationPrincipal Person person, @Valid @RequestBody NoticeForm form) {
        return notices.choose(person, form);
    }

    /** Stops all words to whom the mail with this secret went, as mail programs do by one press (RFC 8058). */
    @PostMapping(STOP + "{secret}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stop(@PathVariable String secret) {
        notices.stop(secret);
    }
}
