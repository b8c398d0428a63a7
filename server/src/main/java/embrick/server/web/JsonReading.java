package embrick.server.web;

import embrick.core.units.Decimals;
import embrick.server.documents.EarlierNames;
import java.math.BigDecimal;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.deser.jdk.NumberDeserializers;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.deser.std.StdDeserializer;
import tools.jackson.databind.module.SimpleModule;

/** What no field of a request may hold, judged before anything is done with it. */
@Configuration
class JsonReading {
    @Bean
    JsonMapperBuilderCustomizer judgedValues() {
        // A fraction where a whole number belongs is no rounding of ours to make.
        return builder -> EarlierNames.readBy(builder.disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
                // A field that is not known is most often one that is misspelt, and then its value would be lost
                // without a word.
                .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .addModule(new SimpleModule("judged values")
                        .addDeserializer(BigDecimal.class, new ShortDecimals())
                        .addDeserializer(String.class, new StorableText())));
    }

    /** A number of few characters can be one of millions of digits. */
    private static final class ShortDecimals extends StdDeserializer<BigDecimal> {
        ShortDecimals() {
            super(BigDecimal.class);
        }

        @Override
        public BigDecimal deserialize(JsonParser parser, DeserializationContext context) {
            BigDecimal value = new NumberDeserializers.BigDecimalDeserializer().deserialize(parser, context);
            if (value != null && !Decimals.isShort(value)) {
                throw context.weirdNumberException(value, BigDecimal.class, "too many digits");
            }
            return value;
        }
    }

    /** PostgreSQL stores no U+0000 and no halves of characters, and no text of ours needs them. */
    private static final class StorableText extends StdDeserializer<String> {
        StorableText() {
            super(String.class);
        }

        @Override
        public String deserialize(JsonParser parser, DeserializationContext context) {
            String text = StringDeserializer.instance.deserialize(parser, context);
            if (text != null && (text.indexOf(0) >= 0 || text.codePoints().anyMatch(JsonReading::isHalf))) {
                throw context.weirdStringException(text, String.class, "not storable");
            }
            return text;
        }
    }

    private static boolean isHalf(int codePoint) {
        return codePoint >= Character.MIN_SURROGATE && codePoint <= Character.MAX_SURROGATE;
    }
}
