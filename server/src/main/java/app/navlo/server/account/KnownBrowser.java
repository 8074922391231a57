package app.navlo.server.account;

import app.navlo.server.store.Keyring;
import app.navlo.server.store.People;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;

/** Knows a browser again with which somebody signed in: by a signed cookie that names nobody and lets nobody in. */
@Component
public class KnownBrowser {
    private static final String COOKIE = "navlo-known";
    private static final String PURPOSE = "known-browser";
    private static final Duration LASTS = Duration.ofDays(400);
    /** A family's browser. */
    private static final int MOST = 6;

    private final Keyring keyring;

    KnownBrowser(Keyring keyring) {
        this.keyring = keyring;
    }

    private static List<String> marks(HttpServletRequest request) {
        Cookie[] cookies = request.getCookies();
        return cookies == null
                ? List.of()
                : Arrays.stream(cookies)
                        .filter(cookie -> cookie.getName().equals(COOKIE))
                        .flatMap(cookie -> Arrays.stream(cookie.getValue().split("\\.")))
                        .limit(MOST)
                        .toList();
    }

    boolean knows(HttpServletRequest request, String email) {
        return marks(request).stream().anyMatch(mark -> keyring.isSigned(PURPOSE, People.key(email), mark));
    }

    /** From now on it is known to this address. */
    public void remember(HttpServletRequest request, HttpServletResponse response, String email) {
        List<String> marks = new ArrayList<>();
        marks.add(keyring.sign(PURPOSE, People.key(email)));
        marks(request).stream().filter(mark -> !marks.contains(mark)).forEach(marks::add);
        ResponseCookie cookie = ResponseCookie.from(
                        COOKIE, String.join(".", marks.subList(0, Math.min(MOST, marks.size()))))
                .path("/")
                .httpOnly(true)
                .secure(request.isSecure())
                .sameSite("Lax")
                .maxAge(LASTS)
                .build();
        response.addHeader(HttpHeaders.SET_COOKIE, cookie.toString());
    }
}
