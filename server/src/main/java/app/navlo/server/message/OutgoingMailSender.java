package app.navlo.server.message;

import app.navlo.server.live.LiveFeed;
import app.navlo.server.ops.Pauses;
import app.navlo.server.ops.Workers;
import app.navlo.server.outbox.SchoolBox;
import app.navlo.server.sheet.Lines;
import app.navlo.server.store.Files;
import app.navlo.server.store.OutgoingMessages;
import app.navlo.server.store.StoredFile;
import app.navlo.server.time.ServerClock;
import jakarta.annotation.PreDestroy;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayOutputStream;
import java.time.Duration;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import java.util.Objects;
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
    private static final Pauses PAUSES = Pauses.of(
            Duration.ofMinutes(1),
            Duration.ofMinutes(5),
            Duration.ofMinutes(30),
            Duration.ofHours(2),
            Duration.ofHours(12));

    /** Longer than any try takes: who holds a message that long has been stopped in the middle. */
    private static final Duration IN_HAND = Duration.ofMinutes(2);

    private static final int LONGEST_FAULT = 400;

    private static final int AT_ONCE = 4;

    private final Workers workers = new Workers("mail", AT_ONCE);
    private final OutgoingMessages messages;
    private final Files files;
    private final JavaMailSender sender;
    private final MailSettings settings;
    private final SchoolBox box;
    private final LiveFeed live;
    private final ServerClock clock;

    OutgoingMailSender(
            OutgoingMessages messages,
            Files files,
            JavaMailSender sender,
            MailSettings settings,
            SchoolBox box,
            LiveFeed live,
            ServerClock clock) {
        this.box = box;
        this.messages = messages;
        this.files = files;
        this.sender = sender;
        this.settings = settings;
        this.live = live;
        this.clock = clock;
    }

    @Scheduled(fixedDelayString = "${navlo.mail.round:2s}")
    void round() {
        if (settings.canSend()) {
            messages.due(clock.instant()).forEach(id -> workers.take(id, () -> take(id)));
        }
    }

    @PreDestroy
    void close() {
        workers.close();
    }

    private void take(long id) {
        Instant now = clock.instant();
        if (!messages.claim(id, now, now.plus(IN_HAND))) {
            return;
        }
        OutgoingMessages.OutgoingMessage message = messages.find(id).orElseThrow();
        try {
            if (message.sentAt() == null) {
                sender.send(mail(message));
            }
            messages.sent(id, Objects.requireNonNullElseGet(message.sentAt(), clock::instant));
            tell(message);
        } catch (MailException | MessagingException | SchoolBox.Unreachable e) {
            boolean again = !PAUSES.areOver(message.tries());
            messages.failed(id, fault(e), again ? now.plus(PAUSES.after(message.tries())) : null);
        }
        live.changed(message.student());
    }

    /** A school's box takes what it gets for the student's own. */
    private void tell(OutgoingMessages.OutgoingMessage message) throws SchoolBox.Unreachable {
        boolean own = Objects.equals(message.from(), message.student());
        if (message.work() != null && own && message.school() == null) {
            box.tell(
                            message.student(),
                            message.work(),
                            "message " + message.id() + " " + message.at(),
                            message.subject(),
                            message.body(),
                            messages.filesOf(message.id()))
                    .ifPresent(taken -> messages.told(message.id(), taken.school(), taken.number()));
        }
    }

    /** From Navlo by name of the writer, whom an answer reaches. */
    private MimeMessage mail(OutgoingMessages.OutgoingMessage message) throws MessagingException {
        MimeMessage mail = sender.createMimeMessage();
        List<StoredFile> along = messages.filesOf(message.id());
        MimeMessageHelper helper = new MimeMessageHelper(mail, !along.isEmpty(), "UTF-8");
        helper.setFrom(MailAddress.of(settings.from(), message.fromName() + " by Navlo"));
        if (message.fromAddress() != null) {
            helper.setReplyTo(MailAddress.of(message.fromAddress(), message.fromName()));
        }
        helper.setTo(MailAddress.of(message.toAddress(), message.toName()));
        helper.setSubject(Lines.one(message.subject()));
        helper.setText(message.body());
        helper.setSentDate(Date.from(message.at()));
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
