package app.navlo.server.account;

import app.navlo.server.store.Role;
import java.io.Serializable;
import java.util.Collection;
import java.util.List;
import org.springframework.security.core.CredentialsContainer;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/** A person who can sign in. Kept in the session, without the password's hash once it has been checked. */
public final class Person implements UserDetails, CredentialsContainer, Serializable {
    private static final long serialVersionUID = 1L;

    private final long id;
    private final String email;
    private final String name;
    private final Role role;
    private final String zone;
    private String passwordHash;

    public Person(long id, String email, String name, Role role, String zone, String passwordHash) {
        this.id = id;
        this.email = email;
        this.name = name;
        this.role = role;
        this.zone = zone;
        this.passwordHash = passwordHash;
    }

    public long id() {
        return id;
    }

    public String name() {
        return name;
    }

    public Role role() {
        return role;
    }

    /** The zone that this person reads times in. */
    public String zone() {
        return zone;
    }

    /** With which this person signs in. */
    public String email() {
        return email;
    }

    /** Their number: it stays the same whatever their address is, so that all their sessions can be found. */
    @Override
    public String getUsername() {
        return Long.toString(id);
    }

    @Override
    public String getPassword() {
        return passwordHash;
    }

    @Override
    public Collection<? extends GrantedAuthority> getAuthorities() {
        return List.of(new SimpleGrantedAuthority("ROLE_" + role.name()));
    }

    @Override
    public void eraseCredentials() {
        passwordHash = "";
    }
}
