package app.navlo.server.store;

import org.springframework.stereotype.Component;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Writes rules as the text that a column keeps, and reads them again. They are read and written only as a whole. */
@Component
class Sheets {
    private static final JsonMapper JSON = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    String write(Object sheet) {
        return JSON.writeValueAsString(sheet);
    }

    <T> T read(String text, Class<T> type) {
        return JSON.readValue(text, type);
    }
}
