package app.navlo.server.account;

import java.net.URI;
import java.net.URISyntaxException;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Under which people reach this Navlo: what is set, or else this machine. */
@Component
public class OwnAddress {
    private final String set;
    private volatile @Nullable Integer port;

    /** @throws IllegalArgumentException if something is set that is no address */
    OwnAddress(@Value("${navlo.address:}") String set) {
        this.set = set.strip().replaceFirst("/+$", "");
        if (!this.set.isEmpty() && !isAddress(this.set)) {
            throw new IllegalArgumentException("NAVLO_ADDRESS is '" + set + "'; write it like https://navlo.example");
        }
    }

    private static boolean isAddress(String text) {
        try {
            URI address = new URI(text);
            return text.matches("https?://.*") && address.getHost() != null;
        } catch (URISyntaxException none) {
            return false;
        }
    }

    @EventListener
    void listening(WebServerInitializedEvent event) {
        if (event.getApplicationContext().getServerNamespace() == null) {
            port = event.getWebServer().getPort();
        }
    }

    /** Without a slash at its end. */
    @Override
    public String toString() {
        return set.isEmpty() ? "http://localhost:" + (port == null ? 8080 : port) : set;
    }

    /** Its name alone, to which passkeys belong. */
    public String host() {
        return URI.create(toString()).getHost();
    }

    /** Without a path, as browsers name where a page is from. */
    String origin() {
        URI address = URI.create(toString());
        return address.getScheme() + "://" + address.getAuthority();
    }
}
