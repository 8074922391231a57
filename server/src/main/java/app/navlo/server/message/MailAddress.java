package app.navlo.server.message;

import app.navlo.server.sheet.Lines;
import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;
import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;

/** The last look at who a mail is from and to: nothing of a name or an address becomes a header of its own. */
public final class MailAddress {
    private MailAddress() {}

    /**
     * @param name beside the address; null for none
     * @throws AddressException if it is no address
     */
    public static InternetAddress of(String address, @Nullable String name) throws AddressException {
        InternetAddress checked = new InternetAddress(Lines.one(address), true);
        if (name != null) {
            try {
                checked.setPersonal(Lines.one(name), StandardCharsets.UTF_8.name());
            } catch (UnsupportedEncodingException e) {
                throw new IllegalStateException(e);
            }
        }
        return checked;
    }
}
