package app.navlo.server.link;

import app.navlo.school.calendar.CalendarShelf;
import java.io.IOException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** In the demo, calendars elsewhere. Decided when the server starts, not when it is built. */
@Configuration(proxyBeanMethods = false)
class StandInConfig {
    @Bean
    StandIns standIns(@Value("${navlo.demo:false}") boolean demo, @Value("${navlo.demo.calendars:0}") int port)
            throws IOException {
        return new StandIns(demo ? open(port) : null);
    }

    private static CalendarShelf open(int port) throws IOException {
        try {
            return CalendarShelf.open(port);
        } catch (IOException taken) {
            return CalendarShelf.open(0);
        }
    }
}
