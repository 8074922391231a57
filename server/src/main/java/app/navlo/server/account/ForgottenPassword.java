package app.navlo.server.account;

import app.navlo.server.store.People;
import app.navlo.server.store.SignIns;
import java.util.List;
import java.util.Objects;

/** A new password for somebody who has forgotten theirs, given by who has the machine while no Navlo runs on the data. */
public final class ForgottenPassword {
    private final People people;
    private final SignIns signIns;
    private final PasswordRules rules = new PasswordRules();

    public ForgottenPassword(People people, SignIns signIns) {
        this.people = people;
        this.signIns = signIns;
    }

    /**
     * Sets it, and ends all sign-ins of that person.
     *
     * @param email however it is written
     * @return what was done, in a line
     * @throws IllegalArgumentException with a line for who typed it
     */
    public String set(String email, String password) {
        People.PersonRow person = people.find(email)
                .orElseThrow(() -> new IllegalArgumentException("nobody signs in with the address '" + email + "'"));
        rules.fault("password", password, List.of(person.name(), person.email()))
                .ifPresent(fault -> {
                    throw new IllegalArgumentException(fault.message());
                });
        people.setPassword(person.id(), Objects.requireNonNull(new LongPasswords().encode(password)));
        int ended = signIns.endAllOf(person.id());
        return person.name() + " signs in with the new password from now on; "
                + (ended == 0
                        ? "nobody was signed in."
                        : ended == 1 ? "one sign-in was ended." : ended + " sign-ins were ended.");
    }
}
