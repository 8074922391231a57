package app.navlo.server.message;

import org.jspecify.annotations.Nullable;

/**
 * The mail server that messages go to, and who they say they are from.
 *
 * @param host null where none is set; then nothing can be sent
 * @param user null for a server that asks for none
 * @param address where what was sent can be read; null for a real server
 */
public record MailSettings(
        @Nullable String host,
        int port,
        @Nullable String user,
        @Nullable String password,
        boolean startTls,
        String from,
        @Nullable String address) {
    public boolean canSend() {
        return host != null;
    }
}
