package embrick.core.ticket;

import embrick.core.metadata.MetadataChoice;
import embrick.core.units.Resolution;
import java.util.Objects;

/**
 * What to make of every picture: the trade's job ticket.
 *
 * @param ppi the resolution worked at and marked in the file
 * @param metadata that files carry over from their originals, and their own words
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
        NamePattern names) {
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
    }

    /** Of which nothing is carried over but its pixels. */
    public Ticket(
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
            NamePattern names) {
        this(
                size,
                turn,
                fit,
                edges,
                ppi,
                viewing,
                resampling,
                sharpening,
                colour,
                rounding,
                file,
                MetadataChoice.NOTHING,
                names);
    }

    /** The shape that framings of this ticket belong to. */
    public Shape shape() {
        return switch (fit) {
            case Fit.Inside _ when size instanceof Size.Sheet -> new Shape.Own();
            case Fit.AtScale _ when size instanceof Size.Sheet sheet -> new Shape.AtScale(sheet.ratio());
            case Fit.Fill _, Fit.Inside _, Fit.AtScale _ ->
                switch (size) {
                    case Size.Sheet sheet -> new Shape.Fixed(sheet.ratio());
                    case Size.ShapeOnly shape -> new Shape.Fixed(shape.ratio());
                    case Size.FreeShape _ -> new Shape.Free();
                    case Size.OwnShape _, Size.Scaled _ -> new Shape.Own();
                };
        };
    }

    /** The same ticket on another size. */
    public Ticket withSize(Size other) {
        return new Ticket(
                other, turn, fit, edges, ppi, viewing, resampling, sharpening, colour, rounding, file, metadata, names);
    }

    public Ticket withFit(Fit other) {
        return new Ticket(
                size,
                turn,
                other,
                edges,
                ppi,
                viewing,
                resampling,
                sharpening,
                colour,
                rounding,
                file,
                metadata,
                names);
    }

    public Ticket withEdges(Edges other) {
        return new Ticket(
                size, turn, fit, other, ppi, viewing, resampling, sharpening, colour, rounding, file, metadata, names);
    }

    public Ticket withTurn(Turn other) {
        return new Ticket(
                size, other, fit, edges, ppi, viewing, resampling, sharpening, colour, rounding, file, metadata, names);
    }

    public Ticket withPpi(Resolution other) {
        return new Ticket(
                size,
                turn,
                fit,
                edges,
                other,
                viewing,
                resampling,
                sharpening,
                colour,
                rounding,
                file,
                metadata,
                names);
    }

    public Ticket withColour(OutputColour other) {
        return new Ticket(
                size, turn, fit, edges, ppi, viewing, resampling, sharpening, other, rounding, file, metadata, names);
    }

    public Ticket withFile(FileFormat other) {
        return new Ticket(
                size, turn, fit, edges, ppi, viewing, resampling, sharpening, colour, rounding, other, metadata, names);
    }

    public Ticket withResampling(ResamplingChoice other) {
        return new Ticket(
                size, turn, fit, edges, ppi, viewing, other, sharpening, colour, rounding, file, metadata, names);
    }

    public Ticket withSharpening(Sharpening other) {
        return new Ticket(
                size, turn, fit, edges, ppi, viewing, resampling, other, colour, rounding, file, metadata, names);
    }

    public Ticket withRounding(Rounding other) {
        return new Ticket(
                size, turn, fit, edges, ppi, viewing, resampling, sharpening, colour, other, file, metadata, names);
    }

    public Ticket withMetadata(MetadataChoice other) {
        return new Ticket(
                size, turn, fit, edges, ppi, viewing, resampling, sharpening, colour, rounding, file, other, names);
    }
}
