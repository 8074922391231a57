package app.navlo.server.message;

import app.navlo.server.live.LiveFeed;
import app.navlo.server.outbox.SchoolBox;
import app.navlo.server.store.Files;
import app.navlo.server.store.OutgoingMessages;
import app.navlo.server.store.StoredFile;
import app.navlo.server.time.ServerClock;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayOutputStream;
import java.io.UnsupportedEncodingException;
import java.time.Duration;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import java.util.Objects;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.mail.MailException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Takes stored messages to the mail server, and beside that to the box of a school that takes them. Tries again with growing
 * pauses.
 */
@Component
class OutgoingMailSender {
    private static final Logger LOG = LoggerFactory.getLogger(OutgoingMailSender.class);
    private static final List<Duration> PAUSES = List.of(
            Duration.ofMinutes(1),
            Duration.ofMinutes(5),
            Duration.ofMinutes(30),
            Duration.ofHours(2),
            Duration.ofHours(12));

    /** Longer than any try takes: who holds a message that long has been stopped in the middle. */
    private static final Duration IN_HAND = Duration.ofMinutes(2);

    private static final int LONGEST_FAULT = 400;

    private final OutgoingMessages letters;
    private final Files files;
    private final JavaMailSender sender;
    private final MailSettings settings;
    private final SchoolBox box;
    private final LiveFeed live;
    private final ServerClock clock;

    OutgoingMailSender(
            OutgoingMessages letters,
            Files files,
            JavaMailSender sender,
            MailSettings settings,
            SchoolBox box,
            LiveFeed live,
            ServerClock clock) {
        this.box = box;
        this.letters = letters;
        this.files = files;
        this.sender = sender;
        this.settings = settings;
        this.live = live;
        this.clock = clock;
    }

    @Scheduled(fixedDelayString = "${navlo.mail.round:2s}")
    void round() {
        if (settings.canSend()) {
            for (long id : letters.due(clock.instant())) {
                try {
                    take(id);
                } catch (RuntimeException broken) {
                    LOG.error("message {} couldn't be dealt with; it is tried again", id, broken);
                }
            }
        }
    }

    private void take(long id) {
        Instant now = clock.instant();
        if (!letters.claim(id, now, now.plus(IN_HAND))) {
            return;
        }
        OutgoingMessages.Letter letter = letters.find(id).orElseThrow();
        try {
            if (letter.sentAt() == null) {
                sender.send(mail(letter));
            }
            letters.sent(id, Objects.requireNonNullElseGet(letter.sentAt(), clock::instant));
            tell(letter);
        } catch (MailException | MessagingException | UnsupportedEncodingException | SchoolBox.Unreachable e) {
            boolean again = letter.tries() <= PAUSES.size();
            letters.failed(id, fault(e), again ? now.plus(PAUSES.get(letter.tries() - 1)) : null);
        }
        live.changed(letter.student());
    }

    private void tell(OutgoingMessages.Letter letter) throws SchoolBox.Unreachable {
        if (letter.work() != null && letter.school() == null) {
            box.tell(
                            letter.student(),
                            letter.work(),
                            "message " + letter.id() + " " + letter.at(),
                            letter.subject(),
                            letter.body(),
                            letters.filesOf(letter.id()))
                    .ifPresent(taken -> letters.told(letter.id(), taken.school(), taken.number()));
        }
    }

    /** From Navlo by name of the writer, whom an answer reaches. */
    private MimeMessage mail(OutgoingMessages.Letter letter) throws MessagingException, UnsupportedEncodingException {
        MimeMessage mail = sender.createMimeMessage();
        List<StoredFile> along = letters.filesOf(letter.id());
        MimeMessageHelper helper = new MimeMessageHelper(mail, !along.isEmpty(), "UTF-8");
        helper.setFrom(new InternetAddress(settings.from(), letter.fromName() + " by Navlo"));
        helper.setReplyTo(new InternetAddress(letter.fromAddress(), letter.fromName()));
        helper.setTo(new InternetAddress(letter.toAddress(), letter.toName()));
        helper.setSubject(letter.subject());
        helper.setText(letter.body());
        helper.setSentDate(Date.from(letter.at()));
        for (StoredFile file : along) {
            ByteArrayOutputStream content = new ByteArrayOutputStream();
            files.copy(file.sha256(), content);
            helper.addAttachment(file.name(), new ByteArrayResource(content.toByteArray()), file.mediaType());
        }
        return mail;
    }

    private static String fault(Exception e) {
        String words = String.valueOf(e.getMessage()).lines().findFirst().orElse("");
        return words.substring(0, Math.min(LONGEST_FAULT, words.length()));
    }
}
