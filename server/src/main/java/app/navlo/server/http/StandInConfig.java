package app.navlo.server.http;

import app.navlo.school.calendar.CalendarShelf;
import app.navlo.school.college.College;
import app.navlo.school.college.CollegeServer;
import app.navlo.school.college.School;
import app.navlo.server.time.ServerClock;
import java.io.IOException;
import java.util.EnumMap;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** In the demo, calendars and a school elsewhere. Decided when the server starts, not when it is built. */
@Configuration(proxyBeanMethods = false)
class StandInConfig {
    private interface Opening<T> {
        T at(int port) throws IOException;
    }

    @Bean
    StandIns standIns(
            @Value("${navlo.demo:false}") boolean demo,
            @Value("${navlo.demo.calendars:0}") int calendars,
            @Value("${navlo.demo.school:0}") int school,
            @Value("${navlo.demo.school-store:jdbc:h2:mem:school-${random.uuid}}") String store,
            @Value("${navlo.demo.lower-school-store:jdbc:h2:mem:lower-school-${random.uuid}}") String lowerStore,
            ServerClock clock)
            throws IOException {
        if (!demo) {
            return new StandIns(null, Map.of());
        }
        return new StandIns(
                open(calendars, CalendarShelf::open),
                new EnumMap<>(Map.of(
                        School.THORNMERE, open(school, at(School.THORNMERE, store, clock)),
                        School.FERNBANK, open(0, at(School.FERNBANK, lowerStore, clock)))));
    }

    private static Opening<CollegeServer> at(School school, String store, ServerClock clock) {
        return port -> CollegeServer.open(school, () -> College.open(school, store, clock), port);
    }

    private static <T> T open(int port, Opening<T> opening) throws IOException {
        try {
            return opening.at(port);
        } catch (IOException taken) {
            return opening.at(0);
        }
    }
}
