package app.navlo.server.session;

import app.navlo.server.account.OwnAddress;
import app.navlo.server.account.Person;
import app.navlo.server.account.Sights;
import app.navlo.server.account.SignUp;
import app.navlo.server.account.SignUpMode;
import app.navlo.server.account.SignedIn;
import app.navlo.server.demo.DemoInfo;
import app.navlo.server.message.MailSettings;
import app.navlo.server.people.AddressService;
import app.navlo.server.people.AskingService;
import app.navlo.server.people.DepartureService;
import app.navlo.server.people.KeptService;
import app.navlo.server.people.PersonForms;
import app.navlo.server.people.PersonService;
import app.navlo.server.problem.OneLine;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Instance;
import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import app.navlo.server.store.Sight;
import app.navlo.server.time.ServerClock;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
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
    private final PersonService persons;
    private final Instance instance;
    private final SignUp signUp;
    private final SignedIn signedIn;
    private final ServerClock clock;
    private final DemoInfo demo;
    private final MailSettings mail;
    private final DepartureService departures;
    private final KeptService kept;
    private final AskingService asking;
    private final Sights sights;
    private final OwnAddress address;
    private final AddressService addresses;

    SessionController(
            People people,
            PersonService persons,
            Instance instance,
            SignUp signUp,
            SignedIn signedIn,
            ServerClock clock,
            DemoInfo demo,
            MailSettings mail,
            DepartureService departures,
            KeptService kept,
            AskingService asking,
            Sights sights,
            OwnAddress address,
            AddressService addresses) {
        this.addresses = addresses;
        this.address = address;
        this.sights = sights;
        this.people = people;
        this.persons = persons;
        this.instance = instance;
        this.signUp = signUp;
        this.signedIn = signedIn;
        this.clock = clock;
        this.demo = demo;
        this.mail = mail;
        this.departures = departures;
        this.kept = kept;
        this.asking = asking;
    }

    /**
     * @param person null for nobody
     * @param students whose data this person may read
     * @param signUp who may sign up now; null for nobody who isn't invited
     * @param mails whether mail can be sent from here
     * @param passkeysOf the name of this Navlo, to which passkeys belong
     */
    public record SessionView(
            Instant now,
            @Nullable PersonView person,
            List<ReadableView> students,
            @Nullable WhoSignsUp signUp,
            boolean mails,
            String passkeysOf,
            @Nullable DemoView demo) {}

    /**
     * A student whose data somebody may read.
     *
     * @param sees of it, beside work and grades
     */
    public record ReadableView(long id, String name, String zone, Sight sees) {}

    /**
     * @param administrator whether this person lets others in
     * @param kept whether a guardian keeps this account; its address is a name then
     * @param unconfirmed whether they still have to say that the address is theirs, by a link that was mailed
     * @param asked how many guardians ask to see this person's work
     * @param leavesAt when everything of this person is deleted; null for who stays
     */
    public record PersonView(
            long id,
            String name,
            String email,
            Role role,
            String zone,
            boolean administrator,
            boolean kept,
            boolean unconfirmed,
            int asked,
            @Nullable Instant leavesAt,
            People.Formats formats) {}

    /**
     * The sign-ins that a demo offers.
     *
     * @param mailBox where the mail that it sends can be read; null where it goes to a real server
     */
    public record DemoView(
            String school,
            List<DemoInfo.SignIn> signIns,
            @Nullable String mailBox) {}

    /** Who may sign up without an invitation. */
    public enum WhoSignsUp {
        /** The first person, with the code that was printed when Navlo was started. */
        FIRST,
        ANYBODY
    }

    private @Nullable WhoSignsUp whoSignsUp() {
        if (demo.running()) {
            return null;
        }
        if (signUp.isFirst()) {
            return WhoSignsUp.FIRST;
        }
        return signUp.mode() == SignUpMode.OPEN ? WhoSignsUp.ANYBODY : null;
    }

    private List<ReadableView> readable(Person person) {
        return people.readableBy(person.id()).stream()
                .map(student -> new ReadableView(student.id(), student.name(), student.zone(), sights.of(student.id())))
                .toList();
    }

    /** Also hands out the CSRF token, in a cookie. */
    @GetMapping("/api/session")
    public SessionView session(@AuthenticationPrincipal @Nullable Person person) {
        return new SessionView(
                clock.instant(),
                person == null ? null : view(person),
                person == null ? List.of() : readable(person),
                whoSignsUp(),
                mail.canSend(),
                address.host(),
                demo.running() ? new DemoView(demo.school(), demo.signIns(), mail.address()) : null);
    }

    /** Signs up: the first person with the code that was printed; where sign-up is open, anybody. Signs them in. */
    @PostMapping("/api/people")
    @ResponseStatus(HttpStatus.CREATED)
    public PersonView signUp(
            @Valid @RequestBody PersonForms.SignUpForm request, HttpServletRequest http, HttpServletResponse response) {
        if (demo.running()) {
            throw Refusal.conflict("This is a demo", "Sign in as one of its people.");
        }
        Person person = persons.signUp(request.person(), request.code());
        addresses.begin(person.id(), person.email());
        signedIn.begin(person, http, response);
        return view(person);
    }

    private PersonView view(Person person) {
        return new PersonView(
                person.id(),
                person.name(),
                person.email(),
                person.role(),
                person.zone(),
                instance.administers(person.id()),
                kept.isKept(person.id()),
                addresses.isOpen(person.id(), person.email()),
                person.role() == Role.STUDENT ? asking.to(person.id()).size() : 0,
                departures.of(person.id()).orElse(null),
                people.formats(person.id()));
    }

    /**
     * What a person says of themselves.
     *
     * @param email null to leave it as it is
     * @param firstWeekday 1 is Monday, 7 Sunday; null for as the browser does
     */
    public record PersonForm(
            @NotBlank(message = "Type your name.") @Size(max = 120, message = "At most 120 letters.") @OneLine
            String name,

            @Nullable
            @Email(message = "This isn't an e-mail address; one looks like name@example.org.")
            @Size(min = 1, max = 254, message = "Type your address, of at most 254 letters.")
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
        String zone = PersonService.zone(form.zone()).getId();
        String email = form.email() == null ? person.email() : form.email().strip();
        if (!email.equals(person.email()) && kept.isKept(person.id())) {
            throw Refusal.invalid(
                    "email", "Your guardian keeps your account. It gets an address when they hand it over to you.");
        }
        try {
            people.change(
                    person.id(),
                    form.name(),
                    email,
                    zone,
                    new People.Formats(form.hour12(), form.firstWeekday(), form.dateOrder()));
        } catch (DuplicateKeyException taken) {
            throw Refusal.invalid("email", "Somebody else signs in with this address. Choose another.");
        }
        if (!People.key(email).equals(People.key(person.email()))) {
            addresses.begin(person.id(), email);
        }
        Person now = new Person(person.id(), email, form.name().strip(), person.role(), zone, "");
        signedIn.renew(now, http, response);
        return view(now);
    }
}
