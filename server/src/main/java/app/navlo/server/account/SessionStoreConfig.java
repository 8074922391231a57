package app.navlo.server.account;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.jdbc.config.annotation.web.http.EnableJdbcHttpSession;

/** Where sessions are kept: with the data, so that a start or another instance signs nobody out. */
@Configuration(proxyBeanMethods = false)
@EnableJdbcHttpSession(maxInactiveIntervalInSeconds = SessionStoreConfig.LAST_SECONDS)
class SessionStoreConfig {
    static final int LAST_SECONDS = 30 * 24 * 60 * 60;

    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> ownNumbers(SessionCookie numbers) {
        return sessions -> sessions.setSessionIdGenerator(numbers);
    }

    /** What everybody is given who asks for sessions. */
    @Bean
    @Primary
    FindByIndexNameSessionRepository<? extends Session> seldomWritten(JdbcIndexedSessionRepository kept) {
        return new SeldomWrittenSessions<>(kept);
    }
}
