package app.navlo.server.household;

import app.navlo.server.account.Person;
import app.navlo.server.store.Onlookers;
import app.navlo.server.time.ServerClock;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What who looks after students keeps of each for themselves. */
@RestController
@RequestMapping("/api/household/{student}")
@Transactional
class OwnWordsController {
    private final Onlookers onlookers;
    private final ServerClock clock;

    OwnWordsController(Onlookers onlookers, ServerClock clock) {
        this.onlookers = onlookers;
        this.clock = clock;
    }

    /** @param note empty to keep none */
    record OwnWordsForm(
            @NotNull(message = "Write a note, or leave it empty.") @Size(max = 4000, message = "At most 4,000 letters.")
            String note,

            @NotNull(message = "Name the groups; none is an empty list.")
            @Size(max = 20, message = "At most 20 groups for one student.")
            List<
                            @NotBlank(message = "A group has a name.")
                            @Size(max = 60, message = "A group's name has at most 60 letters.") String>
                    groups) {}

    /**
     * Keeps a note on a student, for oneself, and puts them into groups of one's own and out of all others. The same name written
     * otherwise is one group.
     */
    @PutMapping("/own")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keep(
            @PathVariable long student, @AuthenticationPrincipal Person person, @Valid @RequestBody OwnWordsForm form) {
        String note = form.note().strip();
        onlookers.note(person.id(), student, note.isEmpty() ? null : new Onlookers.Note(note, clock.instant()));
        Map<String, String> names = new TreeMap<>();
        form.groups().forEach(name -> names.putIfAbsent(name.strip().toLowerCase(Locale.ROOT), name.strip()));
        onlookers.groups(person.id(), student, names.values());
    }
}
