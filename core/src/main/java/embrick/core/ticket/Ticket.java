package embrick.core.ticket;

import embrick.core.colour.PaperColour;
import embrick.core.metadata.MetadataChoice;
import embrick.core.units.Resolution;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * What to make of every picture: the trade's job ticket.
 *
 * @param ppi the resolution worked at and marked in the file
 * @param metadata that files carry over from their originals, and their own words
 * @param mark over the pictures; empty for none
 * @param product whose rule it is held to; empty for none
 * @param attempt at growing a background, from 1: each has a chance of its own, the same every time
 * @param viewing from how far the print is looked at: it sets the ppi a verdict asks for
 */
public record Ticket(
        Size size,
        Turn turn,
        Fit fit,
        Edges edges,
        Resolution ppi,
        ViewingDistance viewing,
        ResamplingChoice resampling,
        Sharpening sharpening,
        OutputColour colour,
        Rounding rounding,
        FileFormat file,
        MetadataChoice metadata,
        NamePattern names,
        Optional<Mark> mark,
        Optional<ProductRule> product,
        int attempt) {
    public Ticket {
        Objects.requireNonNull(size);
        Objects.requireNonNull(turn);
        Objects.requireNonNull(fit);
        Objects.requireNonNull(edges);
        Objects.requireNonNull(ppi);
        Objects.requireNonNull(viewing);
        Objects.requireNonNull(resampling);
        Objects.requireNonNull(sharpening);
        Objects.requireNonNull(colour);
        Objects.requireNonNull(rounding);
        Objects.requireNonNull(file);
        Objects.requireNonNull(metadata);
        Objects.requireNonNull(names);
        Objects.requireNonNull(mark);
        Objects.requireNonNull(product);
        if (attempt < 1) {
            throw new IllegalArgumentException("attempt: expected 1 or more, got " + attempt);
        }
    }

    /** Fills its shape with nothing else done to it: sRGB, neither edges nor sharpening, of the original only its name kept. */
    public static Ticket plain(Size size, Resolution ppi, FileFormat file) {
        return new Ticket(
                size,
                Turn.SUIT,
                new Fit.Fill(PaperColour.WHITE),
                new Edges.None(),
                ppi,
                ViewingDistance.HAND,
                ResamplingChoice.BY_ITSELF,
                new Sharpening.None(),
                OutputColour.SRGB,
                Rounding.NEAREST,
                file,
                MetadataChoice.NOTHING,
                NamePattern.ORIGINAL,
                Optional.empty(),
                Optional.empty(),
                1);
    }

    /** The shape that framings of this ticket belong to. */
    public Shape shape() {
        return switch (fit) {
            case Fit.Inside _, Fit.Grown _ when size instanceof Size.Sheet -> new Shape.Own();
            case Fit.Placed _ when size instanceof Size.Sheet sheet -> new Shape.AtScale(sheet.ratio());
            case Fit.Fill _, Fit.Inside _, Fit.Grown _, Fit.Placed _ ->
                switch (size) {
                    case Size.Sheet sheet -> new Shape.Fixed(sheet.ratio());
                    case Size.ShapeOnly shape -> new Shape.Fixed(shape.ratio());
                    case Size.FreeShape _ -> new Shape.Free();
                    case Size.OwnShape _, Size.Scaled _ -> new Shape.Own();
                };
        };
    }

    public Ticket withSize(Size other) {
        return with(draft -> draft.size = other);
    }

    public Ticket withTurn(Turn other) {
        return with(draft -> draft.turn = other);
    }

    public Ticket withFit(Fit other) {
        return with(draft -> draft.fit = other);
    }

    public Ticket withEdges(Edges other) {
        return with(draft -> draft.edges = other);
    }

    public Ticket withPpi(Resolution other) {
        return with(draft -> draft.ppi = other);
    }

    public Ticket withResampling(ResamplingChoice other) {
        return with(draft -> draft.resampling = other);
    }

    public Ticket withSharpening(Sharpening other) {
        return with(draft -> draft.sharpening = other);
    }

    public Ticket withColour(OutputColour other) {
        return with(draft -> draft.colour = other);
    }

    public Ticket withRounding(Rounding other) {
        return with(draft -> draft.rounding = other);
    }

    public Ticket withFile(FileFormat other) {
        return with(draft -> draft.file = other);
    }

    public Ticket withMetadata(MetadataChoice other) {
        return with(draft -> draft.metadata = other);
    }

    public Ticket withMark(Optional<Mark> other) {
        return with(draft -> draft.mark = other);
    }

    public Ticket withAttempt(int other) {
        return with(draft -> draft.attempt = other);
    }

    public Ticket withProduct(Optional<ProductRule> other) {
        return with(draft -> draft.product = other);
    }

    private Ticket with(Consumer<TicketDraft> change) {
        TicketDraft draft = new TicketDraft(this);
        change.accept(draft);
        return draft.ticket();
    }
}
