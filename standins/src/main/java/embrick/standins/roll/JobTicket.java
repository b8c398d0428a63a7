package embrick.standins.roll;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;

/**
 * What is to be printed, beside the PDF that shows it. Lengths are millimetres.
 *
 * @param paper that it is meant for; empty takes any
 * @param width of the paper that it needs
 * @param pages as the PDF has them, each a stretch of the roll
 * @param memo of whoever sends it, given back as it is
 */
public record JobTicket(
        @NotBlank @Size(max = 200) String name,
        @NotNull String paper,
        @DecimalMin("10") double width,
        @NotNull @Size(min = 1, max = 200) List<@NotNull @Valid Page> pages,
        @NotNull @Size(max = 2_000_000) String memo) {
    /** @param pieces that are cut from it: each is printed whole, once */
    public record Page(
            @DecimalMin("1") double length,
            @NotNull @Size(max = 4000) List<@NotNull @Valid Piece> pieces) {}

    /**
     * @param number that no other piece of the job has
     * @param x from the paper's left
     * @param y from the page's beginning
     */
    public record Piece(
            @Min(0) int number,
            @NotBlank String name,
            @DecimalMin("0") double x,
            @DecimalMin("0") double y,
            @DecimalMin("0.1") double width,
            @DecimalMin("0.1") double height) {
        double end() {
            return y + height;
        }
    }
}
