package app.navlo.server.problem;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** What is read has no field that isn't known, and no nothing in a list. */
@Component
class StrictJson implements JsonMapperBuilderCustomizer {
    @Override
    public void customize(JsonMapper.Builder json) {
        json.changeDefaultNullHandling(all -> JsonSetter.Value.forContentNulls(Nulls.FAIL));
    }
}
