package app.navlo.server.account;

import java.time.Duration;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.InternalAuthenticationServiceException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.authentication.WebAuthenticationDetails;

/** Checks a password, once the brake has counted the try: whichever way it came, none is checked uncounted. */
final class BrakedSignIn implements AuthenticationProvider {
    private static final int LONGEST_EMAIL = 254;

    private final DaoAuthenticationProvider passwords;
    private final SignInBrake brake;

    BrakedSignIn(UserDetailsService people, PasswordEncoder encoder, SignInBrake brake) {
        this.passwords = new DaoAuthenticationProvider(people);
        passwords.setPasswordEncoder(encoder);
        this.brake = brake;
    }

    /** A try that was made too soon, and wasn't checked. */
    static final class TooSoon extends AuthenticationException {
        private static final long serialVersionUID = 1L;
        private final Duration wait;

        private TooSoon(Duration wait) {
            super("too many tries");
            this.wait = wait;
        }

        Duration longest() {
            return wait;
        }
    }

    /** From where and with what somebody tries. */
    static final class Details extends WebAuthenticationDetails {
        private static final long serialVersionUID = 1L;
        private final boolean known;

        Details(String source, boolean known) {
            super(source, null);
            this.known = known;
        }
    }

    @Override
    public Authentication authenticate(Authentication asked) {
        String email = asked.getName();
        if (email.isBlank() || email.length() > LONGEST_EMAIL || !(asked.getDetails() instanceof Details details)) {
            throw new BadCredentialsException("no address");
        }
        SignInBrake.Attempt attempt = new SignInBrake.Attempt(email, details.getRemoteAddress(), details.known);
        Duration wait = brake.count(attempt);
        if (!wait.isZero()) {
            throw new TooSoon(wait);
        }
        try {
            Authentication signedIn = passwords.authenticate(asked);
            brake.succeeded(attempt);
            return signedIn;
        } catch (InternalAuthenticationServiceException outOfReach) {
            brake.unchecked(attempt);
            throw outOfReach;
        }
    }

    @Override
    public boolean supports(Class<?> kind) {
        return UsernamePasswordAuthenticationToken.class.isAssignableFrom(kind);
    }
}
