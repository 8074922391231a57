package app.navlo.server.notices;

import app.navlo.server.account.Person;
import jakarta.validation.Valid;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Which words come by mail. */
@RestController
class NoticeController {
    static final String STOP = "/api/notices/stops/";

    private final NoticeService notices;

    NoticeController(NoticeService notices) {
        this.notices = notices;
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
