package app.navlo.server.household;

import static org.testng.Assert.assertEquals;

import app.navlo.core.course.Glance;
import app.navlo.server.TestSettings;
import app.navlo.server.account.Person;
import app.navlo.server.account.Sights;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Guardianships;
import app.navlo.server.store.People;
import app.navlo.server.store.Role;
import app.navlo.server.store.SeenMarks;
import app.navlo.server.store.Sight;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Rows that changed are read before their reader asks again, and say what they would have said to them. */
@DirtiesContext
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {
            TestSettings.MEMORY,
            TestSettings.DEMO,
            TestSettings.STILL,
            "navlo.household.many=2",
            "navlo.household.first=1h",
            "navlo.household.round=1h"
        })
public class HouseholdRoundsTest extends AbstractTestNGSpringContextTests {
    private static final long MIRA = 1;

    @Autowired
    private HouseholdService households;

    @Autowired
    private HouseholdRounds rounds;

    @Autowired
    private StudentRows rows;

    @Autowired
    private Sights sights;

    @Autowired
    private People people;

    @Autowired
    private Guardianships guardianships;

    @Autowired
    private Changes changes;

    @Autowired
    private ServerClock clock;

    @Autowired
    private TransactionTemplate transactions;

    @Autowired
    private JdbcTemplate jdbc;

    private Person tobias;

    @BeforeMethod
    public void tobiasSignsIn() {
        People.PersonRow row = people.find(TestSettings.TOBIAS).orElseThrow();
        tobias = new Person(row.id(), row.email(), row.name(), row.role(), row.zone(), "");
        SecurityContextHolder.getContext()
                .setAuthentication(
                        UsernamePasswordAuthenticationToken.authenticated(tobias, null, tobias.getAuthorities()));
    }

    @AfterMethod
    public void nobodyIsSignedIn() {
        SecurityContextHolder.clearContext();
    }

    /** As many rows as are read anew by it. */
    private long readBy(Runnable asking) {
        long before = rows.readAnew();
        asking.run();
        return rows.readAnew() - before;
    }

    private void ask() {
        households.of(tobias, Spanning.PERIOD);
    }

    private void written(ChangeKind kind) {
        transactions.executeWithoutResult(any -> changes.add(
                new Changes.NewChange(MIRA, MIRA, kind, clock.instant(), "Mira Solheim", "Something of her own")));
    }

    @Test
    public void whatChangedIsReadBeforeItIsAskedFor() {
        ask();
        assertEquals(readBy(this::ask), 0, "nothing changed");
        written(ChangeKind.OWN);
        assertEquals(readBy(rounds::round), 1, "one student changed");
        assertEquals(readBy(this::ask), 0, "it is there already");
        written(ChangeKind.OWN);
        assertEquals(readBy(this::ask), 1, "no round came between");
    }

    /** As after a start: nobody has asked yet, but there are sign-ins of the last day. */
    @Test
    public void whoWasHereOfLateIsReadForBeforeTheyAsk() {
        ask();
        written(ChangeKind.OWN);
        assertEquals(readBy(() -> begun().round()), 0, "he wasn't here");
        signedIn(Duration.ofHours(27));
        assertEquals(readBy(() -> begun().round()), 0, "it is too long ago");
        signedIn(Duration.ofHours(25));
        HouseholdRounds rounds = begun();
        assertEquals(readBy(rounds::round), 1);
        assertEquals(readBy(this::ask), 0, "it is there already");
        written(ChangeKind.OWN);
        assertEquals(readBy(rounds::round), 1, "and from then on as if he had asked");
    }

    private HouseholdRounds begun() {
        return new HouseholdRounds(households, new Askings(2), guardianships, people);
    }

    private void signedIn(Duration ago) {
        long at = Instant.now().minus(ago).toEpochMilli();
        jdbc.update("DELETE FROM spring_session");
        jdbc.update(
                "INSERT INTO spring_session (primary_id, session_id, creation_time, last_access_time,"
                        + " max_inactive_interval, expiry_time, principal_name) VALUES (?, ?, ?, ?, ?, ?, ?)",
                "of-tobias",
                "of-tobias",
                at,
                at,
                1,
                Long.MAX_VALUE,
                Long.toString(tobias.id()));
    }

    @Test
    public void aGuardiansDevicesShareTheirRows() {
        households.of(new Asking(tobias, Spanning.TERM, "his-laptop"));
        assertEquals(readBy(() -> households.of(new Asking(tobias, Spanning.TERM, "his-phone"))), 0);
        assertEquals(readBy(() -> households.of(new Asking(tobias, Spanning.TERM, null))), 0);
    }

    /** Nobody is signed in while a round reads, and yet it reads for one person, who isn't told of everything. */
    @Test
    public void aRoundReadsWhatItsReaderMaySee() {
        SecurityContextHolder.clearContext();
        Asking asking = new Asking(tobias, Spanning.PERIOD, "his-other-device");
        guardianships.show(MIRA, tobias.id(), Sight.NARROWEST);
        int before = mira(households.of(asking)).fresh();
        written(ChangeKind.MESSAGE);
        assertEquals(mira(households.of(asking)).fresh(), before, "that she wrote to a teacher");
        guardianships.show(MIRA, tobias.id(), Sight.ALL);
        HouseholdRow inARound = mira(households.of(asking));
        assertEquals(inARound.fresh(), before + 1);
        tobiasSignsIn();
        assertEquals(mira(households.of(tobias, Spanning.PERIOD)), inARound, "as if he had asked");
    }

    /** Within one request, too: what is remembered for it is of the person whom it was asked for. */
    @Test
    public void whatOneReaderSeesIsNotWhatAnotherDoes() {
        RequestContextHolder.setRequestAttributes(new ServletRequestAttributes(new MockHttpServletRequest()));
        try {
            Person nobody = new Person(99_999, "", "Nobody", Role.GUARDIAN, tobias.zone(), "");
            assertEquals(sights.of(tobias).apply(MIRA), Sight.ALL);
            assertEquals(sights.of(nobody).apply(MIRA), Sight.NARROWEST);
            assertEquals(sights.of(tobias).apply(MIRA), Sight.ALL);
        } finally {
            RequestContextHolder.resetRequestAttributes();
        }
    }

    private static HouseholdRow mira(HouseholdView view) {
        return view.students().stream()
                .filter(row -> row.id() == MIRA)
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void onlyWhoAsksForManyIsReadFor() {
        Askings askings = new Askings(20);
        askings.note(new Asking(tobias, Spanning.TERM, null), 19);
        assertEquals(askings.ofLate(), List.of());
        Asking asking = new Asking(tobias, Spanning.TERM, null);
        askings.note(asking, 20);
        askings.note(asking, 25);
        assertEquals(askings.ofLate(), List.of(asking));
        askings.note(new Asking(tobias, Spanning.PERIOD, null), 20);
        assertEquals(askings.ofLate().size(), 2, "the other span is another question");
    }

    @Test
    public void aRowIsKeptUntilTheClockChangesItAndForAnHourAtMost() {
        Instant now = Instant.parse("2026-11-24T15:20:00Z");
        HouseholdRow row = households.of(tobias, Spanning.PERIOD).students().get(0);
        Glance glance = Glance.of(List.of(), Glance.Span.ALL, now);
        StudentRows own = new StudentRows();
        StudentRows.Key key = key(1);
        own.of(key, now, () -> new StudentRow(row, glance, List.of(), now, now.plus(Duration.ofMinutes(30))));
        assertEquals(anew(own, row, key, now.plus(Duration.ofMinutes(29))), 0);
        assertEquals(anew(own, row, key, now.plus(Duration.ofMinutes(30))), 1, "the clock changes it");
        own.of(key(2), now, () -> new StudentRow(row, glance, List.of(), now, null));
        assertEquals(anew(own, row, key(2), now.plus(Duration.ofMinutes(59))), 0);
        assertEquals(anew(own, row, key(2), now.plus(Duration.ofMinutes(60))), 1, "what is new grows old");
        assertEquals(anew(own, row, key(3), now), 1, "something was written");
    }

    private static StudentRows.Key key(long last) {
        return new StudentRows.Key(
                new People.Student(MIRA, "Mira Solheim", "Europe/Copenhagen"),
                new Changes.Mark(MIRA, last, last),
                Spanning.PERIOD,
                2,
                Sight.ALL,
                null,
                ZoneId.of("Europe/Copenhagen"),
                SeenMarks.Seen.NOTHING);
    }

    /** @return 1 if it was read anew */
    private static long anew(StudentRows rows, HouseholdRow row, StudentRows.Key key, Instant now) {
        long before = rows.readAnew();
        rows.of(key, now, () -> new StudentRow(row, Glance.of(List.of(), Glance.Span.ALL, now), List.of(), now, null));
        return rows.readAnew() - before;
    }
}
