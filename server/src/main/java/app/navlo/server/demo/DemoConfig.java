package app.navlo.server.demo;

import app.navlo.school.college.School;
import app.navlo.server.demo.DemoFiles.SchoolFile;
import app.navlo.server.store.ShownClock;
import app.navlo.server.time.ServerClock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.stream.Stream;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.sql.init.dependency.DependsOnDatabaseInitialization;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * Either the demo, with its school and clock, or none of it and the machine's own clock. Decided when the server starts,
 * not when it is built.
 */
@Configuration(proxyBeanMethods = false)
class DemoConfig {
    @Bean
    @DependsOnDatabaseInitialization
    ServerClock serverClock(
            ShownClock shown,
            @Value("${navlo.demo:false}") boolean demo,
            @Value("${navlo.demo.clock:running}") String clock) {
        if (!demo) {
            return ServerClock.ofMachine();
        }
        return new DemoClock(shown, start(), !clock.equals("still"));
    }

    private static Instant start() {
        SchoolFile school = DemoFiles.school(School.THORNMERE);
        return new DemoTimes(ZoneId.of(school.zone())).at(school.clock());
    }

    /** Fills the store of a demo before anybody can look at it. */
    @Bean
    @DependsOnDatabaseInitialization
    DemoInfo demoInfo(
            ObjectProvider<DemoSeed> seed,
            @Value("${navlo.demo:false}") boolean demo,
            @Value("${navlo.demo.cohort:true}") boolean withCohort) {
        if (!demo) {
            return DemoInfo.NONE;
        }
        seed.getObject().fillIfEmpty(start());
        return new DemoInfo(
                true,
                DemoFiles.school(School.THORNMERE).school(),
                Stream.concat(
                                Arrays.stream(School.values())
                                        .flatMap(school -> DemoFiles.school(school).people().stream()),
                                withCohort
                                        ? Stream.of(DemoFiles.cohort(School.THORNMERE)
                                                .mentor())
                                        : Stream.empty())
                        .map(person ->
                                new DemoInfo.SignIn(person.name(), person.who(), person.email(), person.password()))
                        .toList());
    }
}
