package embrick.server.documents;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import embrick.server.documents.TicketDocument.BrickDocument;
import embrick.server.documents.TicketDocument.FitDocument;
import embrick.server.documents.TicketDocument.SharpeningDocument;
import embrick.server.documents.TicketDocument.SizeDocument;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.media.Discriminator;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Says in the OpenAPI document what the generator does not find out: a document of several kinds is one of them, told by
 * its {@code kind}, and every part that is no optional reference and has no default is always sent.
 */
@Component
class DocumentSchemas implements OpenApiCustomizer {
    private static final List<Class<?>> SEALED = List.of(
            SizeDocument.class,
            MeasureDocument.class,
            FitDocument.class,
            EdgesDocument.class,
            EdgesDocument.FillDocument.class,
            EdgesDocument.BorderSizeDocument.class,
            EdgesDocument.CaptionPartDocument.class,
            ColourDocument.class,
            FileDocument.class,
            PagePixelsDocument.class,
            BrickDocument.class,
            SharpeningDocument.class,
            MarkDocument.MarkContentDocument.class,
            KeptDocument.class);

    private static final String REFERENCE = "#/components/schemas/";

    @Override
    @SuppressWarnings({"rawtypes", "unchecked"})
    public void customise(OpenAPI api) {
        Map<String, Schema> schemas = api.getComponents().getSchemas();
        for (Class<?> sealed : SEALED) {
            Schema<Object> union = new Schema<>();
            Discriminator discriminator = new Discriminator().propertyName("kind");
            for (JsonSubTypes.Type type :
                    sealed.getAnnotation(JsonSubTypes.class).value()) {
                String name = type.value().getSimpleName();
                union.addOneOfItem(new Schema<>().$ref(REFERENCE + name));
                discriminator.mapping(type.name(), REFERENCE + name);
                schemas.put(name, ofKind(schemas.get(name), type.name()));
            }
            schemas.put(sealed.getSimpleName(), union.discriminator(discriminator));
        }
        schemas.values().forEach(DocumentSchemas::requireAllButOptionalReferences);
        Object usual = new JsonMapper().convertValue(TicketDocuments.standard(), Map.class);
        schemas.get(TicketDocument.class.getSimpleName()).setExamples(List.of(usual));
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    private static Schema ofKind(Schema generated, String kind) {
        Map<String, Schema> properties = new LinkedHashMap<>();
        List<String> stated = new ArrayList<>(List.of("kind"));
        properties.put("kind", new StringSchema().addEnumItem(kind));
        List<Schema> parts = new ArrayList<>(List.of(generated));
        if (generated.getAllOf() != null) {
            parts.addAll(generated.getAllOf());
        }
        for (Schema part : parts) {
            if (part.getProperties() != null) {
                properties.putAll(part.getProperties());
            }
            if (part.getRequired() != null) {
                stated.addAll(part.getRequired());
            }
        }
        Schema<Object> schema = new Schema<>();
        schema.addType("object");
        schema.setProperties(properties);
        schema.setRequired(stated);
        return schema;
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void requireAllButOptionalReferences(Schema schema) {
        Map<String, Schema> properties = schema.getProperties();
        if (properties == null) {
            return;
        }
        List<String> stated = schema.getRequired() == null ? List.of() : schema.getRequired();
        List<String> required = new ArrayList<>();
        properties.forEach((name, property) -> {
            // Nobody should begin to count on an earlier name.
            if (((property.get$ref() == null && !property.getDefaultSetFlag()) || stated.contains(name))
                    && !Boolean.TRUE.equals(property.getDeprecated())) {
                required.add(name);
            }
        });
        schema.setRequired(required);
    }
}
