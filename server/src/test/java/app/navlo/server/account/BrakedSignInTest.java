package app.navlo.server.account;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.InternalAuthenticationServiceException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.password.NoOpPasswordEncoder;
import org.testng.annotations.Test;

/** What the brake on signing in counts, and what it doesn't. */
public class BrakedSignInTest {
    private static final String ASTA = "asta@example.org";
    private static final String RIGHT = "garden-gate-24";
    /** More than the brake lets anybody try at once. */
    private static final int MANY = 60;

    private boolean outOfReach;
    private final BrakedSignIn door = door();

    @SuppressWarnings("deprecation")
    private BrakedSignIn door() {
        UserDetailsService people = name -> {
            if (outOfReach) {
                throw new DataAccessResourceFailureException("the data are out of reach");
            }
            return User.withUsername(name).password(RIGHT).build();
        };
        return new BrakedSignIn(people, NoOpPasswordEncoder.getInstance(), new SignInBrake());
    }

    private static UsernamePasswordAuthenticationToken tried(String password, String source) {
        UsernamePasswordAuthenticationToken asked = UsernamePasswordAuthenticationToken.unauthenticated(ASTA, password);
        asked.setDetails(new BrakedSignIn.Details(source, false));
        return asked;
    }

    private AuthenticationException refused(String password, String source) {
        return expectThrows(AuthenticationException.class, () -> door.authenticate(tried(password, source)));
    }

    /** While the data can't be reached nobody knows whether a password is right: who tries again isn't shut out afterwards. */
    @Test
    public void whatNobodyCouldLookUpIsntCounted() {
        outOfReach = true;
        for (int i = 0; i < MANY; i++) {
            assertEquals(refused(RIGHT, "10.0.0.1").getClass(), InternalAuthenticationServiceException.class);
        }
        outOfReach = false;
        assertTrue(door.authenticate(tried(RIGHT, "10.0.0.1")).isAuthenticated());
    }

    @Test
    public void whatWasLookedUpAndWrongIs() {
        for (int i = 0; i < 8; i++) {
            assertEquals(refused("wrong " + i, "10.0.0.2").getClass(), BadCredentialsException.class);
        }
        assertEquals(refused(RIGHT, "10.0.0.2").getClass(), BrakedSignIn.TooSoon.class, "not even the right one");
        assertTrue(door.authenticate(tried(RIGHT, "10.0.0.3")).isAuthenticated(), "its owner comes in from elsewhere");
    }
}
