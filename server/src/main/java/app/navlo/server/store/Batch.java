package app.navlo.server.store;

import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.jdbc.core.namedparam.SqlParameterSource;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Component;

/** Writes any number of rows of one table by one statement. */
@Component
class Batch {
    private final NamedParameterJdbcTemplate db;

    Batch(NamedParameterJdbcTemplate db) {
        this.db = db;
    }

    void run(String sql, List<Map<String, Object>> rows) {
        if (!rows.isEmpty()) {
            db.batchUpdate(sql, sources(rows));
        }
    }

    /** @return the numbers that the rows got, in their order */
    List<Long> insert(String sql, List<Map<String, Object>> rows) {
        if (rows.isEmpty()) {
            return List.of();
        }
        GeneratedKeyHolder keys = new GeneratedKeyHolder();
        db.batchUpdate(sql, sources(rows), keys, new String[] {"id"});
        return keys.getKeyList().stream()
                .map(key -> ((Number) key.values().iterator().next()).longValue())
                .toList();
    }

    private static SqlParameterSource[] sources(List<Map<String, Object>> rows) {
        return rows.stream().map(MapSqlParameterSource::new).toArray(SqlParameterSource[]::new);
    }
}
