package app.navlo.server.account;

import app.navlo.server.store.Sha256;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.util.List;
import org.springframework.session.SessionIdGenerator;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.session.web.http.DefaultCookieSerializer;
import org.springframework.stereotype.Component;

/**
 * A session's number lets whoever has it in: the browser alone holds it, and what is stored is its digest. Behind TLS the cookie is
 * sent over nothing else, and belongs to this host alone.
 */
@Component
class SessionCookie implements CookieSerializer, SessionIdGenerator {
    private static final String NAME = "navlo";
    private static final Duration LASTS = Duration.ofSeconds(SessionStoreConfig.LAST_SECONDS);
    private static final String HOST_ALONE = "__Host-";

    private final DefaultCookieSerializer plain;
    private final DefaultCookieSerializer secure;
    private final Secrets secrets;

    /** Until the answer is written that makes the session: the number, by its digest. */
    private final Cache<String, String> made = Caffeine.newBuilder()
            .expireAfterWrite(Duration.ofMinutes(2))
            .maximumSize(10_000)
            .build();

    SessionCookie(Secrets secrets) {
        this.secrets = secrets;
        plain = serializer(NAME);
        secure = serializer(HOST_ALONE + NAME);
        secure.setUseSecureCookie(true);
    }

    private static DefaultCookieSerializer serializer(String name) {
        DefaultCookieSerializer serializer = new DefaultCookieSerializer();
        serializer.setCookieName(name);
        serializer.setCookiePath("/");
        serializer.setCookieMaxAge((int) LASTS.toSeconds());
        serializer.setUseHttpOnlyCookie(true);
        serializer.setSameSite("Lax");
        return serializer;
    }

    private DefaultCookieSerializer of(HttpServletRequest request) {
        return request.isSecure() ? secure : plain;
    }

    @Override
    public String generate() {
        String number = secrets.next();
        String digest = Sha256.of(number);
        made.put(digest, number);
        return digest;
    }

    /** Empty for a session that ends. */
    @Override
    public void writeCookieValue(CookieValue value) {
        String number = value.getCookieValue().isEmpty() ? "" : made.getIfPresent(value.getCookieValue());
        if (number != null) {
            of(value.getRequest()).writeCookieValue(new CookieValue(value.getRequest(), value.getResponse(), number));
        }
    }

    @Override
    public List<String> readCookieValues(HttpServletRequest request) {
        return of(request).readCookieValues(request).stream().map(Sha256::of).toList();
    }
}
