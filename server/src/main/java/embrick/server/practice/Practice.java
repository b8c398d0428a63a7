package embrick.server.practice;

import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import embrick.core.framing.Framing;
import embrick.core.paper.PaperSize;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.plan.SmallPlan;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.Formats;
import embrick.formats.Prints;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.SampleSums;
import embrick.formats.picture.Watch;
import embrick.server.storage.DecodeWatch;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BooleanSupplier;
import org.springframework.stereotype.Component;

/** A round of the usual works: a picture decoded, made small for the screen, printed larger and smaller, and checked. */
@Component
class Practice {
    private static final PixelSize DRAWN = new PixelSize(2400, 1800);

    private final Formats formats;
    private final Prints prints;
    private final DecodeWatch process;

    Practice(Formats formats, Prints prints, DecodeWatch process) {
        this.formats = formats;
        this.prints = prints;
        this.process = process;
    }

    /**
     * Does rounds until the machine is done with it.
     *
     * @param goesOn is asked between two works
     */
    void practise(int rounds, BooleanSupplier goesOn) throws IOException {
        Path original = draw();
        Path piece = original.resolveSibling(original.getFileName() + ".piece");
        try {
            for (int round = 0; round < rounds; round++) {
                for (Ticket ticket : tickets()) {
                    if (!goesOn.getAsBoolean()) {
                        return;
                    }
                    make(original, ticket, piece);
                }
            }
        } finally {
            Files.deleteIfExists(original);
            Files.deleteIfExists(piece);
        }
    }

    /** A new file with waves that cross, with a little noise: something to sharpen and to encode. */
    Path draw() throws IOException {
        Path file = process.scratch().resolve("practice-" + UUID.randomUUID() + ".jpg");
        try (Raster raster = Raster.allocate(DRAWN, 3, 1)) {
            long at = 0;
            for (int y = 0; y < DRAWN.height(); y++) {
                for (int x = 0; x < DRAWN.width(); x++) {
                    int noise = (x * 0x9E3779B1 ^ y * 0x85EBCA77) >>> 28;
                    for (int channel = 0; channel < 3; channel++, at++) {
                        double wave = Math.sin(x * 0.021 * (channel + 1)) * Math.cos(y * 0.017) * 90;
                        raster.samples().set(ValueLayout.JAVA_BYTE, at, (byte) (128 + (int) wave + noise));
                    }
                }
            }
            SourceFacts facts = new SourceFacts(
                    FileKind.JPEG,
                    DRAWN,
                    Orientation.UPRIGHT,
                    Optional.empty(),
                    new SourceFacts.SourceColour(ColourModel.RGB, Alpha.OPAQUE, 8, Optional.empty()),
                    0);
            write(raster, plan(facts, ticket("8", 220, OutputColour.SRGB)), file);
        }
        return file;
    }

    /** Larger, smaller and into other colours. */
    private static List<Ticket> tickets() {
        return List.of(
                ticket("8", 300, OutputColour.SRGB),
                ticket("6", 200, OutputColour.SRGB),
                ticket("6", 200, convertedTo(ShippedProfile.OP_RGB)));
    }

    private static OutputColour convertedTo(ShippedProfile profile) {
        return new OutputColour.Convert(
                new ProfileRef.Icc(profile.digest(), profile.model()), Rendering.RELATIVE_COMPENSATED);
    }

    private static Ticket ticket(String inches, int ppi, OutputColour colour) {
        Length side = Length.inches(inches);
        return Ticket.plain(
                        new Size.OnPaper(new PaperSize(side, Length.inches("10"))),
                        Resolution.perInch(ppi),
                        new FileFormat.Jpeg(95))
                .withSharpening(new Sharpening.Exact(80, Length.parse("0.1 mm", LengthUnit.MM), 1))
                .withColour(colour);
    }

    private static Plan plan(SourceFacts facts, Ticket ticket) {
        return ((Planning.Ready) Planner.plan(facts, ticket, Framing.centred())).plan();
    }

    private void make(Path original, Ticket ticket, Path piece) throws IOException {
        Files.deleteIfExists(piece);
        Optional<byte[]> index = formats.examine(original).index();
        try (OpenedPicture opened =
                index.isPresent() ? formats.openInParts(original, index.get(), Watch.NONE) : formats.open(original)) {
            Plan plan = plan(opened.facts(), ticket);
            SampleSums written = write(opened.raster(), plan, piece);
            formats.verify(piece, plan.file(), written);
            if (SmallPlan.of(opened.facts(), 1800) instanceof Planning.Ready small) {
                Files.deleteIfExists(piece);
                write(opened.raster(), small.plan(), piece);
            }
        }
        Storage.fingerprintOf(original);
    }

    private SampleSums write(Raster raster, Plan plan, Path file) throws IOException {
        try (FileTarget target = FileTarget.create(file)) {
            return formats.write(prints.print(plan, raster), plan, target, PrintFile.Progress.none());
        }
    }
}
