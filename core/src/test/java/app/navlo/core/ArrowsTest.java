package app.navlo.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.time.Clock;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The rooms of the core depend on one another in one direction, and on nothing outside. */
public class ArrowsTest {
    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("app.navlo.core");

    /** Each room may look at those before it. */
    private static final List<String> ROOMS = List.of(
            "exact",
            "check",
            "reason",
            "time",
            "policy",
            "work",
            "leeway",
            "grade",
            "gate",
            "close",
            "pace",
            "feedback",
            "reconcile",
            "tide",
            "course",
            "signal",
            "plan",
            "next");

    @Test
    public void noDependencyAtRunTime() {
        classes()
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage("java..", "app.navlo.core..", "org.jspecify.annotations..")
                .check(CORE);
    }

    @Test
    public void noSqlAndNoInputOrOutput() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.sql..", "java.io..", "java.nio..", "java.net..")
                .check(CORE);
    }

    @Test
    public void noSystemClockAndNoZoneOfTheMachine() {
        noClasses()
                .should()
                .callMethod(Clock.class, "systemUTC")
                .orShould()
                .callMethod(Clock.class, "systemDefaultZone")
                .orShould()
                .callMethod(InstantSource.class, "system")
                .orShould()
                .callMethod(java.time.Instant.class, "now")
                .orShould()
                .callMethod(ZoneId.class, "systemDefault")
                .orShould()
                .callMethod(System.class, "nanoTime")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .check(CORE);
    }

    @Test
    public void noRoomsInACircle() {
        slices().matching("app.navlo.core.(*)..").should().beFreeOfCycles().check(CORE);
    }

    @DataProvider
    public static Object[][] rooms() {
        return ROOMS.stream().map(room -> new Object[] {room}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "rooms")
    public void aRoomLooksOnlyAtThoseBeforeIt(String room) {
        String[] later = ROOMS.subList(ROOMS.indexOf(room) + 1, ROOMS.size()).stream()
                .map(other -> "app.navlo.core." + other + "..")
                .toArray(String[]::new);
        if (later.length > 0) {
            noClasses()
                    .that()
                    .resideInAPackage("app.navlo.core." + room + "..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(later)
                    .check(CORE);
        }
    }
}
