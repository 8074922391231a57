package app.navlo.server.notices;

import app.navlo.server.account.OwnAddress;
import app.navlo.server.message.MailSettings;
import app.navlo.server.store.Notices;
import app.navlo.server.time.ServerClock;
import org.springframework.stereotype.Component;

/** Mail from Navlo itself to one of its people, which was asked for just now. */
@Component
public class Letters {
    private final Notices notices;
    private final MailSettings settings;
    private final ServerClock clock;
    private final OwnAddress address;

    Letters(Notices notices, MailSettings settings, ServerClock clock, OwnAddress address) {
        this.notices = notices;
        this.settings = settings;
        this.clock = clock;
        this.address = address;
    }

    /** Whether a mail server is set up here. */
    public boolean canSend() {
        return settings.canSend();
    }

    /** Under which people reach this Navlo, without a slash at its end. */
    public String address() {
        return address.toString();
    }

    /** As {@link #send}, to somebody who isn't here yet. */
    public void sendTo(String to, String subject, String body) {
        notices.sendTo(to, clock.instant(), subject, body);
    }

    /** It goes on its way when what is written now is committed; what it says is forgotten once it is sent. */
    public void send(long person, String subject, String body) {
        notices.send(person, clock.instant(), subject, body, false);
    }
}
