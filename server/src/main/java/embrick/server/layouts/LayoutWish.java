package embrick.server.layouts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;

/**
 * What is to be laid, and on what. Lengths are millimetres.
 *
 * @param runIds whose finished pieces are laid, each as often as it has copies
 * @param width of the paper
 * @param height of a sheet; null for a roll
 * @param margin that nothing is printed on, on every side
 * @param gap between pieces
 * @param mayTurn whether pieces may be turned by a quarter
 * @param byRun whether a run's pieces stay together
 * @param overlap that parts of a print share which is too wide for the paper; null refuses such prints
 * @param price of a metre of the roll, or of a sheet; null where it is not known
 * @param byHand pieces that somebody has put elsewhere
 */
record LayoutWish(
        @NotNull @Size(min = 1, max = 50) List<@NotNull UUID> runIds,
        @DecimalMin("50") @DecimalMax("5000") double width,

        @Schema(nullable = true) @DecimalMin("50") @DecimalMax("5000")
        Double height,

        @DecimalMin("0") @DecimalMax("100") double margin,
        @DecimalMin("0") @DecimalMax("100") double gap,
        boolean mayTurn,
        boolean byRun,

        @Schema(nullable = true) @DecimalMin("0") @DecimalMax("100")
        Double overlap,

        @Schema(nullable = true) @DecimalMin("0") Double price,
        @NotNull @Size(max = 4000) List<@NotNull @Valid ByHand> byHand) {
    /**
     * @param number of the piece among those that are laid
     * @param page counted from 0
     * @param x from the paper's left
     * @param y from the paper's beginning
     */
    record ByHand(
            @DecimalMin("0") int number,
            @DecimalMin("0") @DecimalMax("3999") int page,
            @DecimalMin("0") @DecimalMax("1000000") double x,
            @DecimalMin("0") @DecimalMax("1000000") double y,
            boolean turned) {}

    @AssertTrue(message = "margin: the paper would be all margin")
    @Schema(hidden = true)
    boolean isPaperLeft() {
        return 2 * margin < width - 10 && (height == null || 2 * margin < height - 10);
    }
}
