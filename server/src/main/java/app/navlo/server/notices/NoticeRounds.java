package app.navlo.server.notices;

import app.navlo.server.account.Secrets;
import app.navlo.server.live.ClockMoved;
import app.navlo.server.message.MailAddress;
import app.navlo.server.message.MailSettings;
import app.navlo.server.ops.Pauses;
import app.navlo.server.ops.Workers;
import app.navlo.server.sheet.Lines;
import app.navlo.server.store.Notices;
import app.navlo.server.store.Sha256;
import app.navlo.server.time.ServerClock;
import jakarta.annotation.PreDestroy;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.time.Duration;
import java.time.Instant;
import java.util.Date;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.mail.MailException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Looks every minute what somebody is to be told, and takes the mails to the mail server, again with growing pauses. */
@Component
class NoticeRounds {
    private static final Logger LOG = LoggerFactory.getLogger(NoticeRounds.class);
    private static final Pauses PAUSES =
            Pauses.of(Duration.ofMinutes(1), Duration.ofMinutes(5), Duration.ofMinutes(30), Duration.ofHours(2));
    private static final Duration IN_HAND = Duration.ofMinutes(2);
    private static final int AT_ONCE = 2;
    private static final int MOST = 100;
    private static final int LONGEST_FAULT = 400;

    private final Workers readers = new Workers("notices", AT_ONCE);
    private final Workers mails = new Workers("notice mail", AT_ONCE);
    private final Secrets secrets;
    private final Notices notices;
    private final WordsToTell words;
    private final NoticeService service;
    private final JavaMailSender sender;
    private final MailSettings settings;
    private final ServerClock clock;

    NoticeRounds(
            Notices notices,
            WordsToTell words,
            NoticeService service,
            JavaMailSender sender,
            MailSettings settings,
            ServerClock clock,
            Secrets secrets) {
        this.secrets = secrets;
        this.notices = notices;
        this.words = words;
        this.service = service;
        this.sender = sender;
        this.settings = settings;
        this.clock = clock;
    }

    @Scheduled(fixedDelayString = "${navlo.notices.round:60s}", initialDelayString = "${navlo.notices.round:60s}")
    void look() {
        if (settings.canSend()) {
            notices.readers().forEach(reader -> readers.take(reader.person(), () -> look(reader)));
        }
    }

    /** What comes from schools with the move is told by the next round. */
    @EventListener
    void clockMoved(ClockMoved moved) {
        look();
    }

    private void look(Notices.Reader reader) {
        Instant now = clock.instant();
        List<Word> told = words.to(reader, now);
        if (told.isEmpty()) {
            return;
        }
        try {
            service.tell(reader, told, now);
        } catch (DuplicateKeyException meanwhile) {
            LOG.debug("person {} was told by another round", reader.person());
        }
    }

    @Scheduled(fixedDelayString = "${navlo.mail.round:2s}")
    void send() {
        if (settings.canSend()) {
            notices.due(clock.instant(), MOST).forEach(id -> mails.take(id, () -> send(id)));
        }
    }

    private void send(long id) {
        Instant now = clock.instant();
        String secret = secrets.next();
        if (!notices.claim(id, now, now.plus(IN_HAND), Sha256.of(secret))) {
            return;
        }
        Notices.Mail mail = notices.mail(id);
        try {
            sender.send(mail(mail, service.stopAddress(secret)));
            notices.sent(id, now);
        } catch (MailException | MessagingException e) {
            boolean again = !PAUSES.areOver(mail.tries());
            notices.failed(id, fault(e), again ? now.plus(PAUSES.after(mail.tries())) : null);
        }
    }

    private MimeMessage mail(Notices.Mail notice, String stop) throws MessagingException {
        MimeMessage mail = sender.createMimeMessage();
        MimeMessageHelper helper = new MimeMessageHelper(mail, false, "UTF-8");
        helper.setFrom(MailAddress.of(settings.from(), "Navlo"));
        helper.setTo(MailAddress.of(notice.email(), notice.name()));
        helper.setSubject(Lines.one(notice.subject()));
        helper.setText(notice.body());
        helper.setSentDate(Date.from(notice.madeAt()));
        if (notice.stoppable()) {
            mail.setHeader("List-Unsubscribe", "<" + stop + ">");
            mail.setHeader("List-Unsubscribe-Post", "List-Unsubscribe=One-Click");
        }
        mail.setHeader("Auto-Submitted", "auto-generated");
        return mail;
    }

    private static String fault(Exception e) {
        String said = String.valueOf(e.getMessage()).lines().findFirst().orElse("");
        return said.substring(0, Math.min(LONGEST_FAULT, said.length()));
    }

    @PreDestroy
    void close() {
        readers.close();
        mails.close();
    }
}
