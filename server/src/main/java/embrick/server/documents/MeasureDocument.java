package embrick.server.documents;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import embrick.core.ticket.Measure;
import embrick.core.ticket.Measure.Side;
import embrick.core.units.PixelSize;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;

/** One measure of a piece that keeps its picture's shape. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = MeasureDocument.SidePixels.class, name = "side"),
    @JsonSubTypes.Type(value = MeasureDocument.SideLength.class, name = "length"),
    @JsonSubTypes.Type(value = MeasureDocument.Within.class, name = "within"),
    @JsonSubTypes.Type(value = MeasureDocument.Megapixels.class, name = "megapixels"),
    @JsonSubTypes.Type(value = MeasureDocument.Percent.class, name = "percent")
})
@Schema(
        oneOf = {
            MeasureDocument.SidePixels.class,
            MeasureDocument.SideLength.class,
            MeasureDocument.Within.class,
            MeasureDocument.Megapixels.class,
            MeasureDocument.Percent.class
        })
public sealed interface MeasureDocument {
    Measure toMeasure();

    /** In a word for names: {@code 2048px}, {@code 17in}, {@code 12MP}, {@code 25pct}. */
    String word();

    record SidePixels(
            @NotNull Side side,

            @Schema(description = "Pixels that the side gets, exactly")
            int pixels) implements MeasureDocument {
        @Override
        public Measure toMeasure() {
            return new Measure.SidePixels(side, pixels);
        }

        @Override
        public String word() {
            return pixels + "px";
        }
    }

    record SideLength(@NotNull Side side, @NotNull @Valid LengthDocument length) implements MeasureDocument {
        @Override
        public Measure toMeasure() {
            return new Measure.SideLength(side, length.toLength());
        }

        @Override
        public String word() {
            return plain(length.value()) + length.unit().symbol();
        }
    }

    record Within(
            @Schema(description = "Most pixels across") int width,
            @Schema(description = "Most pixels down") int height) implements MeasureDocument {
        @Override
        public Measure toMeasure() {
            if (width < 1 || height < 1) {
                throw new IllegalArgumentException(
                        "box: expected sides of 1 px or more, got " + width + " × " + height + " px");
            }
            return new Measure.Within(new PixelSize(width, height));
        }

        @Override
        public String word() {
            return width + "x" + height + "px";
        }
    }

    record Megapixels(
            @Schema(description = "Million pixels") @NotNull BigDecimal millions) implements MeasureDocument {
        @Override
        public Measure toMeasure() {
            return new Measure.Megapixels(millions);
        }

        @Override
        public String word() {
            return plain(millions) + "MP";
        }
    }

    record Percent(
            @Schema(description = "Of the pixels along each side, 100 for all") @NotNull
            BigDecimal percent) implements MeasureDocument {
        @Override
        public Measure toMeasure() {
            return new Measure.Percent(percent);
        }

        @Override
        public String word() {
            return plain(percent) + "pct";
        }
    }

    private static String plain(BigDecimal value) {
        return value.stripTrailingZeros().toPlainString();
    }
}
