package app.navlo.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noMethods;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

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
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.RestController;
import org.testng.annotations.Test;

/** Arrows between the modules and within the server. */
public class ArrowsTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
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
                .haveNameNotMatching(".*\\.(ServerClock|DemoClock|SignInBrake|CollegeMain)")
                .should()
                .callMethod(Instant.class, "now")
                .orShould()
                .callMethod(InstantSource.class, "system")
                .orShould()
                .callMethod(Clock.class, "systemUTC")
                .check(ALL);
    }
}
