package app.navlo.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noMethods;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.testng.Assert.assertEquals;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaMethod;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import java.time.Clock;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.RestController;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Arrows between the modules and within the server. */
public class ArrowsTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .withImportOption(location -> !location.contains("__") && !location.contains("$$"))
            .importPackages("app.navlo");

    @Test
    public void theRoomsOfTheServerFormNoCircle() {
        slices().matching("app.navlo.server.(*)..").should().beFreeOfCycles().check(ALL);
    }

    @Test
    public void formatsKnowTheCoreAndNothingOfTheServer() {
        noClasses()
                .that()
                .resideInAPackage("app.navlo.formats..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("app.navlo.server..", "org.springframework..", "java.sql..")
                .check(ALL);
    }

    @Test
    public void theCoreKnowsNobody() {
        noClasses()
                .that()
                .resideInAPackage("app.navlo.core..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("app.navlo.formats..", "app.navlo.server..")
                .check(ALL);
    }

    /** Each room may look at those before it. */
    private static final List<String> ROOMS = List.of(
            "time",
            "ops",
            "page",
            "problem",
            "sheet",
            "store",
            "live",
            "account",
            "door",
            "http",
            "board",
            "change",
            "files",
            "outbox",
            "feedback",
            "imports",
            "links",
            "workdetail",
            "personal",
            "handin",
            "editing",
            "next",
            "leeway",
            "message",
            "news",
            "hours",
            "course",
            "term",
            "standing",
            "pace",
            "timeline",
            "search",
            "exports",
            "demo",
            "health",
            "meeting",
            "notices",
            "household",
            "people",
            "administration",
            "session");

    @DataProvider
    public static Object[][] rooms() {
        return ROOMS.stream().map(room -> new Object[] {room}).toArray(Object[][]::new);
    }

    @Test
    public void everyRoomHasItsFloor() {
        Set<String> rooms = new TreeSet<>();
        ALL.stream()
                .map(JavaClass::getPackageName)
                .filter(name -> name.startsWith("app.navlo.server."))
                .forEach(name -> rooms.add(name.substring("app.navlo.server.".length())));
        assertEquals(rooms, new TreeSet<>(ROOMS));
    }

    @Test(dataProvider = "rooms")
    public void aRoomLooksOnlyAtThoseBeforeIt(String room) {
        String[] later = ROOMS.subList(ROOMS.indexOf(room) + 1, ROOMS.size()).stream()
                .map(other -> "app.navlo.server." + other + "..")
                .toArray(String[]::new);
        if (later.length > 0) {
            noClasses()
                    .that()
                    .resideInAPackage("app.navlo.server." + room + "..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(later)
                    .check(ALL);
        }
    }

    @Test
    public void onlyTheStoreSpeaksSql() {
        noClasses()
                .that()
                .resideOutsideOfPackage("app.navlo.server.store..")
                .and()
                .resideInAPackage("app.navlo.server.*..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework.jdbc.core..", "java.sql..")
                .check(ALL);
    }

    @Test
    public void onlyControllersKnowControllers() {
        noClasses()
                .that()
                .areNotAnnotatedWith(RestController.class)
                .and()
                .areTopLevelClasses()
                .should()
                .dependOnClassesThat()
                .areAnnotatedWith(RestController.class)
                .check(ALL);
    }

    @Test
    public void controllersAskServicesAndNeverTheDatabase() {
        noClasses()
                .that()
                .areAnnotatedWith(RestController.class)
                .should()
                .dependOnClassesThat()
                .areAssignableTo(JdbcClient.class)
                .check(ALL);
    }

    @Test
    public void whatOnlyReadsReadsOneState() {
        noMethods()
                .that()
                .areAnnotatedWith(Transactional.class)
                .should(new ArchCondition<>("read without @ReadBoard") {
                    @Override
                    public void check(JavaMethod method, ConditionEvents events) {
                        if (method.getAnnotationOfType(Transactional.class).readOnly()) {
                            events.add(SimpleConditionEvent.satisfied(method, method.getFullName()));
                        }
                    }
                })
                .check(ALL);
    }

    @Test
    public void theMachinesClockIsReadOnlyWhereItMustBe() {
        noClasses()
                .that()
                .haveNameNotMatching(".*\\.(ServerClock|DemoClock|CollegeMain)")
                .should()
                .callMethod(Instant.class, "now")
                .orShould()
                .callMethod(InstantSource.class, "system")
                .orShould()
                .callMethod(Clock.class, "systemUTC")
                .check(ALL);
    }
}
