package embrick.server.documents;

import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;

/** A length as value and unit. */
public record LengthDocument(
        @NotNull BigDecimal value, @NotNull LengthUnit unit) {
    /** No length at all. */
    static LengthDocument none() {
        return new LengthDocument(BigDecimal.ZERO, LengthUnit.MM);
    }

    public Length toLength() {
        return Length.of(value, unit);
    }
}
