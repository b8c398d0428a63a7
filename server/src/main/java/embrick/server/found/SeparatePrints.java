package embrick.server.found;

import embrick.core.found.Confidence;
import embrick.core.found.scan.FoundPrint;
import embrick.core.found.scan.Rectangle;
import embrick.core.found.scan.ScanBorder.Scan;
import embrick.core.framing.Framing;
import embrick.core.framing.Framing.FreeSides;
import embrick.core.metadata.MetadataChoice;
import embrick.core.metadata.MetadataChoice.Private;
import embrick.core.metadata.MetadataTexts;
import embrick.core.names.FileNames;
import embrick.core.pixels.PixelRect;
import embrick.core.plan.MeasuredWords;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.plan.PrintCut;
import embrick.core.print.Printer;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.Formats;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.PrintFile;
import embrick.server.documents.FramingDocument;
import embrick.server.documents.TicketDocument;
import embrick.server.edits.EditService;
import embrick.server.edits.FramingWish;
import embrick.server.edits.Wishes;
import embrick.server.framings.FramingService;
import embrick.server.framings.Plans;
import embrick.server.originals.Intake;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRemoval;
import embrick.server.originals.OriginalViews;
import embrick.server.originals.Originals;
import embrick.server.originals.PictureProblems;
import embrick.server.problems.ProblemException;
import embrick.server.storage.Arrival;
import embrick.server.storage.OriginalFiles;
import embrick.server.storage.PictureWork;
import embrick.server.storage.Pictures;
import embrick.server.storage.Reception;
import embrick.server.storage.Storage;
import embrick.server.tickets.TicketEntity;
import embrick.server.tickets.TicketService;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.springframework.stereotype.Service;

/**
 * Makes a picture of each print on a bed: the pixels round it as they are, and a framing that straightens and cuts it, for every
 * shape that the job's tickets have. The scan itself is left out of runs.
 */
@Service
class SeparatePrints {
    /** What is kept round a print, of its short side, so that its border can be found and moved again. */
    private static final double ROUND_IT = 0.03;

    private static final Resolution USUAL_PPI = Resolution.perInch(300);

    private final Separations separations;
    private final Findings findings;
    private final Originals originals;
    private final OriginalViews views;
    private final Intake intake;
    private final OriginalRemoval removal;
    private final PictureWork work;
    private final Reception reception;
    private final Storage storage;
    private final OriginalFiles files;
    private final Pictures pictures;
    private final Formats formats;
    private final Plans plans;
    private final TicketService tickets;
    private final FramingService framings;
    private final EditService edits;

    SeparatePrints(
            Separations separations,
            Findings findings,
            Originals originals,
            OriginalViews views,
            Intake intake,
            OriginalRemoval removal,
            PictureWork work,
            Reception reception,
            Storage storage,
            OriginalFiles files,
            Pictures pictures,
            Formats formats,
            Plans plans,
            TicketService tickets,
            FramingService framings,
            EditService edits) {
        this.separations = separations;
        this.findings = findings;
        this.originals = originals;
        this.views = views;
        this.intake = intake;
        this.removal = removal;
        this.work = work;
        this.reception = reception;
        this.storage = storage;
        this.files = files;
        this.pictures = pictures;
        this.formats = formats;
        this.plans = plans;
        this.tickets = tickets;
        this.framings = framings;
        this.edits = edits;
    }

    /**
     * @param inset taken off inside each side, as a share of the print's short side
     * @return the pictures that were made, one for each print that was found for certain
     * @throws ProblemException if there are none
     */
    List<Original> of(UUID originalId, double inset, PictureWork.Asker asker) throws IOException {
        Original scan = originals.get(originalId);
        Findings.Found found = findings.of(originalId, asker);
        SourceFacts facts = views.facts(scan).orElseThrow();
        PixelSize own = facts.orientation().seenSize(facts.stored());
        List<Rectangle> outlines = outlines(found, own);
        if (outlines.isEmpty()) {
            throw ProblemException.invalid(
                    "no-prints",
                    scan.path(),
                    scan.path() + ": " + FoundWords.of(found.scan()),
                    "Cut the prints apart by hand: add the scan once for each, and frame it.");
        }
        List<Path> parts = new ArrayList<>();
        try (Separations.Separation separation = separations.begin(originalId, scan.path(), outlines.size())) {
            for (Rectangle outline : outlines) {
                Path part = storage.incoming().resolve(UUID.randomUUID() + ".part");
                parts.add(part);
                Plan plan = plan(scan, facts, own, round(outline, own));
                work.patiently(() -> write(scan, facts, plan, part));
                separation.done(parts.size(), outlines.size());
            }
            return takeIn(scan, own, outlines, parts, inset);
        } finally {
            for (Path part : parts) {
                Files.deleteIfExists(part);
            }
        }
    }

    /** All of them or none. */
    private List<Original> takeIn(
            Original scan, PixelSize own, List<Rectangle> outlines, List<Path> parts, double inset) throws IOException {
        List<Original> made = new ArrayList<>();
        boolean isWhole = false;
        try {
            List<FramingWish> wishes = new ArrayList<>();
            for (Rectangle outline : outlines) {
                Original print = takeIn(scan, parts.get(made.size()), made.size() + 1);
                made.add(print);
                PixelRect round = round(outline, own);
                Rectangle inside = outline.inside(inset * outline.shortSide());
                wishes.addAll(framed(print, inside.moved(-round.x(), -round.y())));
            }
            edits.apply(scan.jobId(), made.size() + " prints of " + scan.path(), Wishes.framed(wishes));
            originals.leaveOut(scan.id(), true);
            isWhole = true;
            return made;
        } finally {
            if (!isWhole && !made.isEmpty()) {
                removal.delete(scan.jobId(), made.stream().map(Original::id).toList());
            }
        }
    }

    private static List<Rectangle> outlines(Findings.Found found, PixelSize own) {
        return found.scan() instanceof Scan.Prints(List<FoundPrint> prints)
                ? prints.stream()
                        .filter(print -> print.confidence() != Confidence.NOT_SURE)
                        .map(print -> print.outline()
                                .scaled((double) own.width() / found.width(), (double) own.height() / found.height()))
                        .toList()
                : List.of();
    }

    private static PixelRect round(Rectangle outline, PixelSize own) {
        double left = own.width();
        double top = own.height();
        double right = 0;
        double bottom = 0;
        for (Rectangle.Place corner :
                outline.inside(-ROUND_IT * outline.shortSide()).corners()) {
            left = Math.min(left, corner.x());
            top = Math.min(top, corner.y());
            right = Math.max(right, corner.x());
            bottom = Math.max(bottom, corner.y());
        }
        int x = (int) Math.max(0, Math.floor(left));
        int y = (int) Math.max(0, Math.floor(top));
        return new PixelRect(
                x,
                y,
                (int) Math.min(own.width(), Math.ceil(right)) - x,
                (int) Math.min(own.height(), Math.ceil(bottom)) - y);
    }

    private Original takeIn(Original scan, Path file, int number) throws IOException {
        try (InputStream content = Files.newInputStream(file);
                Arrival arrival = reception.receive(content, OptionalLong.of(Files.size(file)))) {
            Original print = intake.take(scan.jobId(), pathOf(scan, number), arrival);
            return originals.deriveFrom(print.id(), scan.id());
        }
    }

    /** Beside the scan, by its name. */
    private static String pathOf(Original scan, int number) {
        int folder = scan.path().lastIndexOf('/') + 1;
        return scan.path().substring(0, folder) + FileNames.stem(scan.path()) + "-print-" + number + ".tif";
    }

    /** The pixels of a part, as they are. */
    private Path write(Original scan, SourceFacts facts, Plan plan, Path file) throws IOException {
        return PictureProblems.naming(
                scan,
                () -> pictures.whole(scan.place(), facts, opened -> {
                    if (opened.damage().isPresent() && !scan.isPrintedDamaged()) {
                        throw opened.damage().get().refusal();
                    }
                    try (FileTarget target = FileTarget.create(file)) {
                        formats.write(
                                Printer.print(plan, opened.raster(), formats.profiles()),
                                formats.metadata(files.intact(scan.place())),
                                plan,
                                target,
                                PrintFile.Progress.none());
                    }
                    return file;
                }));
    }

    private static Plan plan(Original scan, SourceFacts facts, PixelSize own, PixelRect part) {
        Ticket ticket = Ticket.plain(
                        new Size.FreeShape(),
                        facts.across().orElse(USUAL_PPI),
                        new FileFormat.Tiff(FileFormat.Packing.DEFLATE))
                .withColour(new OutputColour.Keep())
                .withMetadata(
                        new MetadataChoice(MetadataChoice.Kept.ALL, Private.KEPT, Private.KEPT, MetadataTexts.NONE));
        Framing framing = Framing.centred()
                .withCentre(
                        (part.x() + part.width() / 2.0) / own.width(), (part.y() + part.height() / 2.0) / own.height())
                .withFree(new FreeSides((double) part.width() / own.width(), (double) part.height() / own.height()));
        return switch (Planner.plan(facts, ticket, framing, MeasuredWords.NONE)) {
            case Planning.Ready(Plan plan, var _) -> plan;
            case Planning.Refused refused ->
                throw ProblemException.invalid(
                        refused.problems().getFirst().code(),
                        scan.path(),
                        refused.problems().getFirst().text(),
                        refused.problems().getFirst().remedy());
        };
    }

    /** Framed for each shape that the job's tickets have. */
    private List<FramingWish> framed(Original print, Rectangle outline) {
        Map<String, FramingWish> wishes = new LinkedHashMap<>();
        for (TicketEntity ticket : tickets.of(print.jobId())) {
            TicketDocument document = tickets.document(ticket.id());
            Plans.Planned planned = plans.of(
                    print.id(),
                    new Plans.Wish(document, Optional.of(FramingDocument.of(Framing.centred())), Optional.empty()));
            String shape = planned.ticket().shape().key();
            Framing framing = PrintCut.framed(
                    planned.facts(), planned.ticket(), Framing.centred(), outline, one -> plans.reframed(planned, one));
            long version =
                    framings.now(shape, List.of(print.id())).get(print.id()).version();
            wishes.putIfAbsent(shape, new FramingWish(print.id(), shape, version, FramingDocument.of(framing), false));
        }
        return List.copyOf(wishes.values());
    }
}
