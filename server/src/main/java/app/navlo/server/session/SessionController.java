package app.navlo.server.session;

import app.navlo.server.account.Person;
import app.navlo.server.demo.DemoInfo;
import app.navlo.server.message.MailSettings;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import app.navlo.server.time.ServerClock;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Who is signed in, and signing up. Signing in and out is done by the security filters. */
@RestController
public class SessionController {
    private final People people;
    private final PasswordEncoder passwords;
    private final ServerClock clock;
    private final DemoInfo demo;
    private final MailSettings mail;

    SessionController(People people, PasswordEncoder passwords, ServerClock clock, DemoInfo demo, MailSettings mail) {
        this.mail = mail;
        this.people = people;
        this.passwords = passwords;
        this.clock = clock;
        this.demo = demo;
    }

    /**
     * @param person null for nobody
     * @param students whose data this person may read
     * @param signUpOpen whether the first person has still to sign up
     */
    public record SessionView(
            Instant now,
            @Nullable PersonView person,
            List<People.Student> students,
            boolean signUpOpen,
            @Nullable DemoView demo) {}

    public record PersonView(long id, String name, String email, Role role, String zone, People.Formats formats) {}

    /**
     * The sign-ins that a demo offers.
     *
     * @param mailBox where the mail that it sends can be read; null where it goes to a real server
     */
    public record DemoView(
            String school,
            List<DemoInfo.SignIn> signIns,
            @Nullable String mailBox) {}

    /** Also hands out the CSRF token, in a cookie. */
    @GetMapping("/api/session")
    public SessionView session(@AuthenticationPrincipal @Nullable Person person) {
        return new SessionView(
                clock.instant(),
                person == null ? null : view(person),
                person == null ? List.of() : people.readableBy(person.id()),
                !demo.running() && people.isEmpty(),
                demo.running() ? new DemoView(demo.school(), demo.signIns(), mail.address()) : null);
    }

    public record SignUp(
            @NotBlank(message = "Type your name.") @Size(max = 120, message = "At most 120 letters.")
            String name,

            @NotBlank(message = "Type your address.")
            @Email(message = "This isn't an e-mail address; one looks like name@example.org.")
            @Size(max = 254, message = "At most 254 letters.")
            String email,

            @Size(min = 10, max = 72, message = "Choose a password of 10 to 72 characters.")
            String password,

            @NotBlank String zone) {}

    /** Signs the first person up, as a student, and in. */
    @PostMapping("/api/people")
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    public PersonView signUp(
            @Valid @RequestBody SignUp request, HttpServletRequest http, HttpServletResponse response) {
        if (demo.running() || !people.isEmpty()) {
            throw Refusal.conflict("Somebody has signed up here already", "Sign in instead.");
        }
        Person person = new Person(
                people.add(new People.NewPerson(
                        request.email(),
                        Objects.requireNonNull(passwords.encode(request.password())),
                        request.name(),
                        Role.STUDENT,
                        zone(request.zone()).getId(),
                        clock.instant())),
                request.email(),
                request.name(),
                Role.STUDENT,
                request.zone(),
                "");
        signIn(person, http, response);
        return view(person);
    }

    private PersonView view(Person person) {
        return new PersonView(
                person.id(),
                person.name(),
                person.getUsername(),
                person.role(),
                person.zone(),
                people.formats(person.id()));
    }

    /**
     * What a person says of themselves.
     *
     * @param firstWeekday 1 is Monday, 7 Sunday; null for as the browser does
     */
    public record PersonForm(
            @NotBlank(message = "Type your name.") @Size(max = 120, message = "At most 120 letters.")
            String name,

            @NotBlank(message = "Type your address.")
            @Email(message = "This isn't an e-mail address; one looks like name@example.org.")
            @Size(max = 254, message = "At most 254 letters.")
            String email,

            @NotBlank(message = "Choose a time zone.") String zone,
            @Nullable Boolean hour12,
            @Nullable @Min(1) @Max(7) Integer firstWeekday,
            People.@Nullable DateOrder dateOrder) {}

    /** Changes who one is here; other sessions see it when they sign in again. */
    @PutMapping("/api/people/me")
    @Transactional
    public PersonView change(
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody PersonForm form,
            HttpServletRequest http,
            HttpServletResponse response) {
        String zone = zone(form.zone()).getId();
        try {
            people.change(
                    person.id(),
                    form.name(),
                    form.email(),
                    zone,
                    new People.Formats(form.hour12(), form.firstWeekday(), form.dateOrder()));
        } catch (DuplicateKeyException taken) {
            throw Refusal.invalid("email", "Somebody else signs in with this address. Choose another.");
        }
        Person now = new Person(person.id(), form.email().strip(), form.name().strip(), person.role(), zone, "");
        keep(now, http, response);
        return view(now);
    }

    private static ZoneId zone(String name) {
        try {
            return ZoneId.of(name);
        } catch (DateTimeException e) {
            throw Refusal.invalid("zone", "'" + name + "' is no time zone; one looks like Europe/Copenhagen.");
        }
    }

    private static void signIn(Person person, HttpServletRequest http, HttpServletResponse response) {
        if (http.getSession(false) != null) {
            http.changeSessionId();
        }
        keep(person, http, response);
    }

    private static void keep(Person person, HttpServletRequest http, HttpServletResponse response) {
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(
                UsernamePasswordAuthenticationToken.authenticated(person, null, person.getAuthorities()));
        SecurityContextHolder.setContext(context);
        new HttpSessionSecurityContextRepository().saveContext(context, http, response);
    }
}
