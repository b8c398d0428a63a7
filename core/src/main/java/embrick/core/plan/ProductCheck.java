package embrick.core.plan;

import embrick.core.problem.Problem;
import embrick.core.ticket.Edges;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.ProductRule;
import embrick.core.ticket.ProductRule.Accepted;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** Holds tickets and pictures to the product that they are for. */
public final class ProductCheck {
    private ProductCheck() {}

    /** Whatever a ticket says that its product does not take, phrase by phrase; nothing of a ticket that is for none. */
    static List<Problem> problems(Ticket ticket) {
        return ticket.product().map(rule -> problems(ticket, rule)).orElse(List.of());
    }

    private static List<Problem> problems(Ticket ticket, ProductRule rule) {
        List<Problem> problems = new ArrayList<>();
        if (!(ticket.size() instanceof Size.OnPaper(var paper))
                || !paper.shortSide().equals(rule.area().shortSide())
                || !paper.longSide().equals(rule.area().longSide())) {
            problems.add(problem(rule, "size", rule.area().toString(), "another size"));
        }
        if (!bleed(ticket.edges()).equals(Optional.of(rule.bleed()))) {
            problems.add(problem(
                    rule, "edges", rule.bleed().isZero() ? "no bleed" : "a bleed of " + rule.bleed(), "other edges"));
        }
        if (!ticket.ppi().equals(rule.ppi())) {
            problems.add(problem(
                    rule, "ppi", said(rule.ppi().toPpi()), said(ticket.ppi().toPpi())));
        }
        rule.colour().ifPresent(wanted -> {
            if (!(ticket.colour() instanceof OutputColour.Convert convert)
                    || !convert.profile().equals(wanted)) {
                problems.add(problem(rule, "colour", "colours converted to its own profile", "other colours"));
            }
        });
        Optional<Accepted> file = Accepted.of(ticket.file());
        if (file.isEmpty() || !rule.files().contains(file.get())) {
            problems.add(problem(
                    rule,
                    "file",
                    rule.files().stream().sorted().map(Accepted::name).collect(Collectors.joining(" or ")),
                    file.map(Accepted::name).orElse("the original's own file")));
        } else if (rule.mostBytes().isPresent()
                && mostBytes(ticket.file()) > rule.mostBytes().get()) {
            problems.add(problem(
                    rule,
                    "file",
                    "a JPEG of at most " + rule.mostBytes().get() + " bytes",
                    "a file without that limit"));
        }
        return problems;
    }

    private static Optional<Length> bleed(Edges edges) {
        return switch (edges) {
            case Edges.None _ -> Optional.of(Length.millimetres(0));
            case Edges.Bleed bleed -> Optional.of(bleed.band());
            case Edges.Wrap _, Edges.Border _ -> Optional.empty();
        };
    }

    private static long mostBytes(FileFormat file) {
        return file instanceof FileFormat.Jpeg jpeg ? jpeg.mostBytes().orElse(Long.MAX_VALUE) : Long.MAX_VALUE;
    }

    private static Problem problem(ProductRule rule, String phrase, String expected, String actual) {
        return Problem.of(
                "not-as-product",
                phrase,
                expected + ", as " + rule.name() + " asks",
                actual,
                "Say it as the product asks, or take the product off the ticket.");
    }

    /** A frame that has too few of its picture's pixels. */
    static Optional<Problem> problem(Ticket ticket, double realPpi) {
        return ticket.product().filter(rule -> realPpi < rule.leastPpi()).map(rule -> tooFew(rule, realPpi));
    }

    /** Why a picture cannot serve for a product, however it is framed; empty where it can. */
    public static Optional<Problem> problem(PixelSize seen, ProductRule rule) {
        double best = rule.bestPpi(seen);
        return best < rule.leastPpi() ? Optional.of(tooFew(rule, best)) : Optional.empty();
    }

    private static Problem tooFew(ProductRule rule, double ppi) {
        return Problem.of(
                "below-product",
                "size",
                said(rule.leastPpi()) + " real or more, as " + rule.name() + " asks",
                said(ppi),
                "Take a larger version of the picture, or a smaller product.");
    }

    private static String said(double ppi) {
        return String.format(Locale.ROOT, ppi == Math.rint(ppi) ? "%.0f ppi" : "%.1f ppi", ppi);
    }
}
