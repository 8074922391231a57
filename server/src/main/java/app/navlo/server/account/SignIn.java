package app.navlo.server.account;

import app.navlo.server.store.People;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.stereotype.Component;

/** Finds who signs in. */
@Component
class SignIn implements UserDetailsService {
    private final People people;

    SignIn(People people) {
        this.people = people;
    }

    @Override
    public UserDetails loadUserByUsername(String email) {
        return people.find(email)
                .map(row -> new Person(row.id(), row.email(), row.name(), row.role(), row.zone(), row.passwordHash()))
                .orElseThrow(() -> new UsernameNotFoundException("no such person"));
    }
}
