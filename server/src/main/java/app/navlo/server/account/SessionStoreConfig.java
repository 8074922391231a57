package app.navlo.server.account;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;

/**
 * Sessions last thirty days, so that one was used is written down only every ten minutes: a page that is only read then
 * costs no write.
 */
@Configuration(proxyBeanMethods = false)
class SessionStoreConfig {
    private static final String UPDATE = """
            UPDATE %TABLE_NAME%
            SET session_id = ?1, last_access_time = ?2, max_inactive_interval = ?3, expiry_time = ?4,
                principal_name = ?5
            WHERE primary_id = ?6
              AND (session_id <> ?1 OR max_inactive_interval <> ?3 OR principal_name IS DISTINCT FROM ?5
                   OR last_access_time < ?2 - 600000)
            """;

    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> seldomWritten(SessionCookie numbers) {
        return sessions -> {
            sessions.setUpdateSessionQuery(UPDATE);
            sessions.setSessionIdGenerator(numbers);
        };
    }
}
