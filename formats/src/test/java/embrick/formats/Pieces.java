package embrick.formats;

import embrick.core.framing.Framing;
import embrick.core.paper.PaperSize;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.print.Print;
import embrick.core.print.Printer;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.ResamplingChoice;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.core.units.Resolution;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.picture.DecodeLimits;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.SampleSums;
import embrick.formats.probe.Probe;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;

/** Makes whole pieces from files, for tests. */
public final class Pieces {
    public static final Formats FORMATS = new Formats(new ProfileShelf(), DecodeLimits.DEFAULT);

    /** It is files that are tested with these: what is enlarged need not wait for what is learned. */
    private static final ResamplingChoice BY_KERNEL =
            new ResamplingChoice(Optional.of(Method.LANCZOS3), Light.ENCODED, Ringing.FREE);

    private Pieces() {}

    public static Ticket ticket(String width, String height, long ppi, FileFormat file) {
        return Ticket.plain(
                        new Size.OnPaper(
                                new PaperSize(Length.parse(width, LengthUnit.IN), Length.parse(height, LengthUnit.IN))),
                        Resolution.perInch(ppi),
                        file)
                .withResampling(BY_KERNEL);
    }

    public static Plan plan(SourceFacts facts, Ticket ticket, Framing framing) {
        return switch (Planner.plan(facts, ticket, framing)) {
            case Planning.Ready ready -> ready.plan();
            case Planning.Refused refused ->
                throw new AssertionError(refused.problems().toString());
        };
    }

    /** Reads a written picture to its end, whatever its format. */
    public static SourceFacts verify(Path file) throws IOException {
        FileFormat format = switch (Probe.kindOf(file)) {
            case JPEG -> new FileFormat.Jpeg(95);
            case PNG -> new FileFormat.Png();
            case TIFF -> new FileFormat.Tiff(FileFormat.Packing.PLAIN);
            case WEBP -> new FileFormat.Webp(Optional.empty());
            case HEIF, PDF -> throw new IllegalArgumentException("file: expected one that is written here");
        };
        return FORMATS.verify(file, format, SampleSums.NONE).facts();
    }

    /** Makes one piece and returns its plan. */
    public static Plan make(Path original, Ticket ticket, Framing framing, Path piece) throws IOException {
        try (OpenedPicture opened = FORMATS.open(original)) {
            Plan plan = plan(opened.facts(), ticket, framing);
            Print print = Printer.print(plan, opened.raster(), FORMATS.profiles());
            try (FileTarget target = FileTarget.create(piece)) {
                FORMATS.write(print, plan, target, PrintFile.Progress.none());
            }
            return plan;
        }
    }
}
