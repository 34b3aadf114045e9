package tachylim.server.web;

import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.ComposedSchema;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.MediaType;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.responses.ApiResponse;
import io.swagger.v3.oas.models.servers.Server;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.PropertyCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The OpenAPI document, from which the pages' types are generated. */
@Configuration
class ApiDescription {

    @Bean
    OpenAPI description() {
        return new OpenAPI()
                .info(new Info().title("Tachylim").version("1"))
                // Said, so that none is made up from the address of whoever asks.
                .servers(List.of(new Server().url("/")));
    }

    /** Records always carry all their parts, so every property is required; null is said where it may be. */
    @Bean
    OpenApiCustomizer everyPartIsThere() {
        return api -> {
            Map<String, Schema> sorted = new TreeMap<>(api.getComponents().getSchemas());
            sorted.forEach((name, schema) -> {
                if (!name.equals("Problem")) {
                    requireAll(schema);
                }
            });
            api.getComponents().setSchemas(sorted);
        };
    }

    /** Any request may be refused or fail: every operation says how that looks. */
    @Bean
    OpenApiCustomizer problems() {
        return api -> {
            ModelConverters.getInstance()
                    .readAllAsResolvedSchema(Problem.class)
                    .referencedSchemas
                    .forEach(api.getComponents()::addSchemas);
            api.getComponents()
                    .addSchemas("Problem", ModelConverters.getInstance().readAllAsResolvedSchema(Problem.class).schema);
            Content content = new Content()
                    .addMediaType(
                            org.springframework.http.MediaType.APPLICATION_PROBLEM_JSON_VALUE,
                            new MediaType().schema(new Schema<>().$ref("#/components/schemas/Problem")));
            api.getPaths().values().stream()
                    .flatMap(path -> path.readOperations().stream())
                    .forEach(operation -> operation
                            .getResponses()
                            .addApiResponse(
                                    "default",
                                    new ApiResponse()
                                            .description("Refused, or failed")
                                            .content(content)));
        };
    }

    /** A reference cannot be null in OpenAPI 3.0; wrapped, it can. */
    @Bean
    PropertyCustomizer partsThatMayBeNull() {
        return (property, type) -> {
            boolean mayBeNull = type.getCtxAnnotations() != null
                    && Arrays.stream(type.getCtxAnnotations())
                            .anyMatch(annotation ->
                                    annotation instanceof io.swagger.v3.oas.annotations.media.Schema schema
                                            && schema.nullable());
            if (!mayBeNull || property.get$ref() == null) {
                return property;
            }
            Schema<?> wrapped = new ComposedSchema().addAllOfItem(new Schema<>().$ref(property.get$ref()));
            return wrapped.nullable(true);
        };
    }

    private static void requireAll(Schema<?> schema) {
        if (schema.getProperties() != null) {
            schema.setRequired(
                    new ArrayList<>(List.copyOf(schema.getProperties().keySet())));
        }
    }
}
