package app.navlo.server.notices;

import app.navlo.core.reminder.QuietHours;
import app.navlo.server.account.Person;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Notices;
import app.navlo.server.store.Sha256;
import app.navlo.server.time.ServerClock;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which words somebody wants, and the mails that bring them. */
@Service
@Transactional
class NoticeService {
    private final Notices notices;
    private final Letters letters;
    private final ServerClock clock;

    NoticeService(Notices notices, Letters letters, ServerClock clock) {
        this.notices = notices;
        this.letters = letters;
        this.clock = clock;
    }

    /** Nothing is sent to who never chose. */
    private static final Notices.Choice NONE = new Notices.Choice(
            false,
            false,
            false,
            null,
            QuietHours.USUAL.from(),
            QuietHours.USUAL.untilExclusive(),
            Instant.EPOCH,
            Instant.EPOCH);

    public NoticeChoiceView choice(Person person) {
        Notices.Choice choice = notices.choice(person.id()).orElse(NONE);
        return new NoticeChoiceView(
                letters.canSend(),
                person.email(),
                choice.losses(),
                choice.asked(),
                choice.scores(),
                choice.weekDay(),
                choice.quietFrom(),
                choice.quietUntil());
    }

    /** Somebody with what they chose; empty for who never did. */
    public Optional<Notices.Reader> reader(Person person) {
        return notices.choice(person.id())
                .map(choice -> new Notices.Reader(person.id(), person.name(), person.email(), person.zone(), choice));
    }

    public NoticeChoiceView choose(Person person, NoticeForm form) {
        notices.choose(person.id(), form.choice(notices.choice(person.id()).orElse(NONE), clock.instant()));
        return choice(person);
    }

    /** Stops all words to whom a mail with this secret went. */
    public void stop(String secret) {
        notices.stop(notices.stoppedBy(Sha256.of(secret)).orElseThrow(() -> Refusal.notFound("mail")));
    }

    /**
     * Puts what is told into one mail. What another round told meanwhile ends it, and nothing of it is kept.
     *
     * @param now at which it was looked what there is to tell
     * @throws org.springframework.dao.DuplicateKeyException if one of the words was told already
     */
    public void tell(Notices.Reader reader, List<Word> words, Instant now) {
        words.forEach(word -> notices.tell(reader.person(), word.student(), word.key(), now));
        notices.send(reader.person(), now, subject(words), body(words), true);
    }

    /** Says how much there is, and nothing that a look over a shoulder may not see. */
    private static String subject(List<Word> words) {
        long losses =
                words.stream().filter(word -> word.kind() == Word.Kind.LOSS).count();
        if (losses > 0) {
            return losses == 1 ? "Navlo: one thing can't wait" : "Navlo: " + losses + " things can't wait";
        }
        boolean week = words.stream().allMatch(word -> word.kind() == Word.Kind.WEEK);
        if (week) {
            return "Navlo: the week ahead";
        }
        return words.size() == 1 ? "Navlo: something new" : "Navlo: " + words.size() + " new things";
    }

    private String body(List<Word> words) {
        String parts = Arrays.stream(Word.Kind.values())
                .map(kind -> part(
                        kind, words.stream().filter(word -> word.kind() == kind).toList()))
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining("\n\n"));
        return parts + "\n\nAll of it: " + letters.address()
                + "/\nWhat comes, and when it is quiet: \"Reminders\" in the menu of your name there.\n";
    }

    private static String part(Word.Kind kind, List<Word> words) {
        return words.isEmpty()
                ? ""
                : kind.title() + "\n"
                        + words.stream().map(word -> "  - " + word.line()).collect(Collectors.joining("\n"));
    }

    /** Where a mail is answered by a press that stops all words. */
    String stopAddress(String secret) {
        return letters.address() + NoticeController.STOP + secret;
    }
}
