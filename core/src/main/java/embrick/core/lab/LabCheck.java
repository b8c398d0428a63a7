package embrick.core.lab;

import static java.util.stream.Collectors.joining;

import embrick.core.lab.LabProduct.PrintSides;
import embrick.core.lab.Refusal.Rule;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.MarkedPpi;
import embrick.core.source.SourceFacts.ProfileOrigin;
import embrick.core.source.SourceFacts.SourceProfile;
import embrick.core.units.PixelSize;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Holds a piece, as its file describes itself, against the rules of a lab's product. */
public final class LabCheck {
    /** So many pixels more or fewer are rounding: inches are not always whole pixels. */
    private static final double PIXELS_OFF = 1.0;

    /** Files keep their ppi as whole or with few digits; PNG as whole pixels per metre. */
    private static final double PPI_OFF = 0.02;

    /** What such a rounded ppi makes of a long side, as a share of it. */
    private static final double SHARE_OFF = 0.0002;

    private static final double BYTES_PER_MEGABYTE = 1 << 20;

    private LabCheck() {}

    /** Every rule that the piece does not keep; empty if it is taken. */
    public static List<Refusal> refusals(SourceFacts piece, LabProduct product) {
        List<Refusal> refusals = new ArrayList<>();
        fileType(piece, product).ifPresent(refusals::add);
        size(piece, product).ifPresent(refusals::add);
        ppi(piece, product).ifPresent(refusals::add);
        profile(piece, product).ifPresent(refusals::add);
        bytes(piece, product).ifPresent(refusals::add);
        return refusals;
    }

    private static Optional<Refusal> fileType(SourceFacts piece, LabProduct product) {
        return refusal(
                product.fileTypes().contains(piece.kind()),
                Rule.FILE_TYPE,
                product.fileTypes().stream().map(Enum::name).collect(joining(" or ")),
                piece.kind().name());
    }

    /** A file that is not marked with a ppi is as large as the lab's own least ppi would make it: it is told under PPI. */
    private static Optional<Refusal> size(SourceFacts piece, LabProduct product) {
        if (product.sides().isEmpty() || piece.ppi().isEmpty()) {
            return Optional.empty();
        }
        PrintSides sides = product.sides().get();
        PixelSize pixels = piece.seen();
        double across = piece.ppi().get().across().toPpi();
        double down = piece.ppi().get().down().toPpi();
        boolean fits = fits(pixels, across, down, sides.width(), sides.height())
                || fits(pixels, across, down, sides.height(), sides.width());
        return refusal(
                fits,
                Rule.SIZE,
                inches(sides.width()) + " × " + inches(sides.height()) + " in",
                inches(BigDecimal.valueOf(pixels.width() / across)) + " × "
                        + inches(BigDecimal.valueOf(pixels.height() / down)) + " in (" + pixels.width() + " × "
                        + pixels.height() + " px)");
    }

    private static boolean fits(PixelSize pixels, double across, double down, BigDecimal width, BigDecimal height) {
        return isNear(pixels.width(), width.doubleValue() * across)
                && isNear(pixels.height(), height.doubleValue() * down);
    }

    private static boolean isNear(int pixels, double wanted) {
        return Math.abs(pixels - wanted) <= PIXELS_OFF + wanted * SHARE_OFF;
    }

    private static Optional<Refusal> ppi(SourceFacts piece, LabProduct product) {
        String asked = product.ppi().least() + " to " + product.ppi().greatest() + " ppi";
        if (piece.ppi().isEmpty()) {
            return Optional.of(new Refusal(Rule.PPI, asked, "no ppi in the file"));
        }
        MarkedPpi marked = piece.ppi().get();
        double least = Math.min(marked.across().toPpi(), marked.down().toPpi());
        double greatest = Math.max(marked.across().toPpi(), marked.down().toPpi());
        return refusal(
                least + PPI_OFF >= product.ppi().least()
                        && greatest - PPI_OFF <= product.ppi().greatest(),
                Rule.PPI,
                asked,
                rounded(BigDecimal.valueOf(least), 1) + " ppi");
    }

    private static Optional<Refusal> profile(SourceFacts piece, LabProduct product) {
        Optional<SourceProfile> embedded =
                piece.colour().profile().filter(profile -> profile.origin() == ProfileOrigin.EMBEDDED);
        return refusal(
                embedded.map(profile -> product.takesProfile(profile.description()))
                        .orElse(false),
                Rule.PROFILE,
                product.profiles().stream().map(name -> "“" + name + "”").collect(joining(" or ")),
                embedded.map(profile -> "“" + profile.description() + "”").orElse("no profile in the file"));
    }

    private static Optional<Refusal> bytes(SourceFacts piece, LabProduct product) {
        return refusal(
                piece.fileBytes() <= product.greatestBytes(),
                Rule.FILE_BYTES,
                "at most " + megabytes(product.greatestBytes()),
                megabytes(piece.fileBytes()));
    }

    private static Optional<Refusal> refusal(boolean keeps, Rule rule, String asked, String has) {
        return keeps ? Optional.empty() : Optional.of(new Refusal(rule, asked, has));
    }

    private static String inches(BigDecimal value) {
        return rounded(value, 2);
    }

    private static String rounded(BigDecimal value, int places) {
        return value.setScale(places, RoundingMode.HALF_UP).stripTrailingZeros().toPlainString();
    }

    private static String megabytes(long bytes) {
        return String.format(Locale.ROOT, "%.1f MiB", bytes / BYTES_PER_MEGABYTE);
    }
}
