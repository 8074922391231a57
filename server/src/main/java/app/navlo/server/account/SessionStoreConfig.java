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
            MERGE INTO %TABLE_NAME% AS kept
            USING (SELECT CAST(? AS VARCHAR(100)) AS session_id, CAST(? AS BIGINT) AS last_access_time,
                          CAST(? AS INT) AS max_inactive_interval, CAST(? AS BIGINT) AS expiry_time,
                          CAST(? AS VARCHAR(100)) AS principal_name, CAST(? AS CHAR(36)) AS primary_id) AS said
            ON (kept.primary_id = said.primary_id)
            WHEN MATCHED AND (kept.session_id <> said.session_id
                              OR kept.max_inactive_interval <> said.max_inactive_interval
                              OR kept.principal_name IS DISTINCT FROM said.principal_name
                              OR kept.last_access_time < said.last_access_time - 600000) THEN
                UPDATE SET session_id = said.session_id, last_access_time = said.last_access_time,
                           max_inactive_interval = said.max_inactive_interval, expiry_time = said.expiry_time,
                           principal_name = said.principal_name
            """;

    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> seldomWritten(SessionCookie numbers) {
        return sessions -> {
            sessions.setUpdateSessionQuery(UPDATE);
            sessions.setSessionIdGenerator(numbers);
        };
    }
}
