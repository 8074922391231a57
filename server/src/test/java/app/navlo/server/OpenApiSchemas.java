package app.navlo.server;

import app.navlo.server.board.Written;
import com.fasterxml.jackson.annotation.JsonUnwrapped;
import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.MediaType;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.responses.ApiResponse;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.OperationCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.web.bind.annotation.GetMapping;

/** Says of each component of a record that it is always there, and that it may be null only where it is marked so. */
@TestConfiguration(proxyBeanMethods = false)
class OpenApiSchemas {
    @Bean
    OpenAPI navlo() {
        SpringDocUtils.getConfig().addResponseWrapperToIgnore(Written.class);
        return new OpenAPI()
                .info(new Info()
                        .title("Navlo")
                        .version("0.1.0")
                        .description(
                                "Instants are in UTC with their zone beside them, exact numbers are decimal strings,"
                                        + " faults are problem details (RFC 9457) with a list of fields and cures."));
    }

    /** A fault, as {@code Problems} writes it. */
    record Fault(String field, String message) {}

    /** RFC 9457, with all that is wrong at once. */
    record Problem(String title, int status, String detail, String instance, List<Fault> faults) {}

    private static final Map<Integer, String> REFUSALS = Map.of(
            400, "The request can't be read.",
            401, "Nobody is signed in.",
            403, "This person may not do that.",
            404, "There is no such thing, or it is nobody's that this person may see.",
            409, "Something stands against it.",
            412, "It was changed since it was read.",
            422, "Something in it doesn't fit; each fault names its field and its cure.");

    /** Operations have names that say whose they are, and each says how it is refused. */
    @Bean
    OperationCustomizer namedAndRefused() {
        return (operation, method) -> {
            String room = method.getBeanType().getSimpleName().replaceFirst("Controller$", "");
            String name = method.getMethod().getName();
            operation.setOperationId(Character.toLowerCase(room.charAt(0)) + room.substring(1) + "-" + name);
            boolean writes = !method.hasMethodAnnotation(GetMapping.class);
            boolean versioned = operation.getParameters() != null
                    && operation.getParameters().stream()
                            .anyMatch(parameter -> parameter.getName().equals("If-Match"));
            refusals(operation, writes ? List.of(400, 401, 403, 404, 409, 422) : List.of(400, 401, 403, 404));
            if (versioned) {
                refusals(operation, List.of(412));
            }
            return operation;
        };
    }

    private static void refusals(Operation operation, List<Integer> statuses) {
        Content problem = new Content()
                .addMediaType(
                        "application/problem+json",
                        new MediaType().schema(new Schema<>().$ref("#/components/schemas/Problem")));
        statuses.forEach(status -> operation
                .getResponses()
                .addApiResponse(
                        status.toString(),
                        new ApiResponse().description(REFUSALS.get(status)).content(problem)));
    }

    @Bean
    OpenApiCustomizer problemsAreDescribed() {
        return api -> ModelConverters.getInstance(true)
                .readAll(Problem.class)
                .forEach((name, schema) -> api.getComponents().addSchemas(name, schema));
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
            if (java != null && java.getRawClass().isEnum() && resolved != null && resolved.get$ref() == null) {
                return once(java.getRawClass(), resolved, context);
            }
            if (java != null && java.getRawClass().isRecord() && resolved != null) {
                Schema<?> model =
                        context.getDefinedModels().get(java.getRawClass().getSimpleName());
                if (model != null && model.getProperties() != null) {
                    mark(java.getRawClass(), model);
                }
            }
            return resolved;
        }

        /** An enum is described once, under its name, and named wherever it stands. */
        private static Schema<?> once(Class<?> type, Schema<?> values, ModelConverterContext context) {
            Class<?> outer = type.getDeclaringClass();
            String name = outer == null ? type.getSimpleName() : outer.getSimpleName() + type.getSimpleName();
            Schema<?> described = new Schema<>();
            described.setTypes(Set.of("string"));
            setEnum(described, values.getEnum());
            context.defineModel(name, described);
            return new Schema<>().$ref("#/components/schemas/" + name).description(values.getDescription());
        }

        private static void mark(Class<?> record, Schema<?> model) {
            List<String> required = new ArrayList<>();
            mark(record, model, required);
            model.setRequired(required);
        }

        private static void mark(Class<?> record, Schema<?> model, List<String> required) {
            for (RecordComponent component : record.getRecordComponents()) {
                if (component.isAnnotationPresent(JsonUnwrapped.class)
                        || component.getAccessor().isAnnotationPresent(JsonUnwrapped.class)) {
                    mark(component.getType(), model, required);
                    continue;
                }
                Schema<?> property = model.getProperties().get(component.getName());
                if (property == null) {
                    continue;
                }
                required.add(component.getName());
                if (component.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
                    model.getProperties().put(component.getName(), nullable(property));
                }
            }
        }

        private static Schema<?> nullable(Schema<?> property) {
            if (property.get$ref() != null) {
                Schema<?> nothing = new Schema<>();
                nothing.setTypes(Set.of("null"));
                Schema<?> either = new Schema<>();
                either.setDescription(property.getDescription());
                either.addAnyOfItem(new Schema<>().$ref(property.get$ref()));
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
        private static void setEnum(Schema described, List values) {
            described.setEnum(new ArrayList(values));
        }

        @SuppressWarnings({"unchecked", "rawtypes"})
        private static void addNull(Schema property) {
            List values = new ArrayList(property.getEnum());
            values.add(null);
            property.setEnum(values);
        }
    }
}
