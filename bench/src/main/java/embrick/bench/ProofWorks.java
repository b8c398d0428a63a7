package embrick.bench;

import static embrick.bench.Tickets.plan;
import static embrick.bench.Tickets.ticket;

import embrick.core.colour.ColourPath;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.PixelRect;
import embrick.core.plan.Plan;
import embrick.core.print.Print;
import embrick.core.print.Printer;
import embrick.core.ticket.PaperKind;
import embrick.core.ticket.Sharpening;
import embrick.formats.Formats;
import embrick.formats.Prints;
import embrick.formats.ScreenPictures;
import embrick.formats.crew.Crew;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.picture.OpenedPicture;
import java.io.IOException;
import java.io.OutputStream;
import java.util.Map;
import java.util.Optional;

/** What a page shows of a print, and what it waits for. */
final class ProofWorks {
    private final Bed bed;
    private final Pictures pictures;
    private final Formats formats;

    ProofWorks(Bed bed, Pictures pictures) {
        this.bed = bed;
        this.pictures = pictures;
        this.formats = bed.formats();
    }

    void addTo(Map<String, Work.Making> works) {
        works.put("proof", this::proof);
        works.put("proof-paper", this::proofOnPaper);
        works.put("proof-cold", () -> new Work(8, this::proofCold));
    }

    private static final PixelRect PROOF = new PixelRect(900, 800, 1200, 700);

    private Work proof() throws IOException {
        OpenedPicture opened = bed.open(pictures.original());
        bed.hold(opened);
        return new Work(30, () -> proof(opened));
    }

    /** The same, printed on canvas and shown as it looks there, as the page asks for it. */
    private Work proofOnPaper() throws IOException {
        OpenedPicture opened = bed.open(pictures.original());
        bed.hold(opened);
        ProfileRef canvas = new ProfileRef.Icc(ShippedProfile.CANVAS_RGB.digest(), ColourModel.RGB);
        Plan plan = plan(opened, ticket(new Sharpening.ForPaper(PaperKind.LUSTRE)));
        Plan printed = plan.withColour(new ColourPath(plan.colour().from(), canvas));
        return new Work(
                30,
                () -> new ScreenPictures(formats.profiles(), new Prints(formats.profiles()), Crew.ofMachine())
                        .write(
                                printed,
                                opened.raster(),
                                Optional.empty(),
                                PROOF,
                                Rendering.ABSOLUTE,
                                OutputStream.nullOutputStream()));
    }

    private void proof(OpenedPicture opened) {
        Print print = Printer.print(
                plan(opened, ticket(new Sharpening.ForPaper(PaperKind.LUSTRE))), opened.raster(), formats.profiles());
        print.render(PROOF, new float[PROOF.width() * PROOF.height() * 3]);
    }

    private void proofCold() throws IOException {
        try (OpenedPicture opened = bed.open(pictures.original())) {
            proof(opened);
        }
    }
}
