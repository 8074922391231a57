package app.navlo.server;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;

/** Says of each component of a record that it is always there, and that it may be null only where it is marked so. */
@TestConfiguration(proxyBeanMethods = false)
class OpenApiSchemas {
    @Bean
    OpenAPI navlo() {
        return new OpenAPI()
                .info(new Info()
                        .title("Navlo")
                        .version("0.1.0")
                        .description(
                                "Instants are in UTC with their zone beside them, exact numbers are decimal strings,"
                                        + " faults are problem details (RFC 9457) with a list of fields and cures."));
    }

    @Bean
    ModelConverter recordsAreWhole() {
        return new WholeRecords();
    }

    private static final class WholeRecords implements ModelConverter {
        @Override
        public @Nullable Schema<?> resolve(
                AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
            Schema<?> resolved = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
            JavaType java = Json.mapper().constructType(type.getType());
            if (java != null && java.getRawClass().isRecord() && resolved != null) {
                Schema<?> model =
                        context.getDefinedModels().get(java.getRawClass().getSimpleName());
                if (model != null && model.getProperties() != null) {
                    mark(java.getRawClass(), model);
                }
            }
            return resolved;
        }

        private static void mark(Class<?> record, Schema<?> model) {
            List<String> required = new ArrayList<>();
            for (RecordComponent component : record.getRecordComponents()) {
                Schema<?> property = model.getProperties().get(component.getName());
                if (property == null) {
                    continue;
                }
                required.add(component.getName());
                if (component.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
                    model.getProperties().put(component.getName(), nullable(property));
                }
            }
            model.setRequired(required);
        }

        private static Schema<?> nullable(Schema<?> property) {
            if (property.get$ref() != null) {
                Schema<?> nothing = new Schema<>();
                nothing.setTypes(Set.of("null"));
                Schema<?> either = new Schema<>();
                either.addAnyOfItem(property);
                either.addAnyOfItem(nothing);
                return either;
            }
            if (property.getTypes() != null && !property.getTypes().contains("null")) {
                Set<String> types = new LinkedHashSet<>(property.getTypes());
                types.add("null");
                property.setTypes(types);
                if (property.getEnum() != null && !property.getEnum().contains(null)) {
                    addNull(property);
                }
            }
            return property;
        }

        @SuppressWarnings({"unchecked", "rawtypes"})
        private static void addNull(Schema property) {
            List values = new ArrayList(property.getEnum());
            values.add(null);
            property.setEnum(values);
        }
    }
}
