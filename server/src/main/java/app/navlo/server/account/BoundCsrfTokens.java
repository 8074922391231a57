package app.navlo.server.account;

import app.navlo.server.store.Keyring;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import org.jspecify.annotations.Nullable;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.DefaultCsrfToken;

/**
 * Tokens in a cookie that the page reads, each signed for the session that it was made in: another's is worth nothing here. Where
 * nobody is signed in there is no session to hold it to; whoever's session has ended is then told to sign in.
 */
final class BoundCsrfTokens implements CsrfTokenRepository {
    private static final String PURPOSE = "csrf";

    private final CookieCsrfTokenRepository cookies = CookieCsrfTokenRepository.withHttpOnlyFalse();
    private final Keyring keyring;

    BoundCsrfTokens(Keyring keyring) {
        this.keyring = keyring;
        cookies.setCookiePath("/");
    }

    /** Empty where nobody is signed in. */
    private static String session(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        boolean signedIn = session != null
                && session.getAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY) != null;
        return signedIn ? session.getId() : "";
    }

    @Override
    public CsrfToken generateToken(HttpServletRequest request) {
        CsrfToken random = cookies.generateToken(request);
        String bound = random.getToken() + "." + signature(request, random.getToken());
        return new DefaultCsrfToken(random.getHeaderName(), random.getParameterName(), bound);
    }

    private String signature(HttpServletRequest request, String random) {
        return keyring.sign(PURPOSE, session(request) + " " + random);
    }

    @Override
    public void saveToken(@Nullable CsrfToken token, HttpServletRequest request, HttpServletResponse response) {
        cookies.saveToken(token, request, response);
    }

    @Override
    public @Nullable CsrfToken loadToken(HttpServletRequest request) {
        CsrfToken token = cookies.loadToken(request);
        int dot = token == null ? -1 : token.getToken().indexOf('.');
        if (token == null || dot < 0) {
            return null;
        }
        if (session(request).isEmpty()) {
            return token;
        }
        String random = token.getToken().substring(0, dot);
        boolean ours = keyring.isSigned(
                PURPOSE, session(request) + " " + random, token.getToken().substring(dot + 1));
        return ours ? token : null;
    }
}
