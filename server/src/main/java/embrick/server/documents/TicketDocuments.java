package embrick.server.documents;

import embrick.core.colour.PaperColour;
import embrick.core.paper.PaperSize;
import embrick.core.problem.Problem;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling.Light;
import embrick.core.resample.Resampling.Ringing;
import embrick.core.ticket.Edges;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Mark;
import embrick.core.ticket.Measure;
import embrick.core.ticket.NamePattern;
import embrick.core.ticket.NamePattern.Brick;
import embrick.core.ticket.NamePattern.LetterCase;
import embrick.core.ticket.NamePattern.Replacement;
import embrick.core.ticket.NamePattern.Subfolders;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.ProductRule;
import embrick.core.ticket.ResamplingChoice;
import embrick.core.ticket.Rounding;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.ticket.Turn;
import embrick.core.ticket.ViewingDistance;
import embrick.core.units.LengthUnit;
import embrick.core.units.PixelSize;
import embrick.core.units.Ratio;
import embrick.core.units.Resolution;
import embrick.server.documents.TicketDocument.BrickDocument;
import embrick.server.documents.TicketDocument.FitDocument;
import embrick.server.documents.TicketDocument.MethodChoice;
import embrick.server.documents.TicketDocument.ResamplingDocument;
import embrick.server.documents.TicketDocument.SharpeningDocument;
import embrick.server.documents.TicketDocument.SizeDocument;
import embrick.server.problems.ProblemException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;

/** From a ticket's document to the core's ticket; values that cannot work are told by their phrase, all at once. */
public final class TicketDocuments {
    private TicketDocuments() {}

    /** What a new job begins with: 8 × 10 in, filled, 300 ppi, sRGB, JPEG 95. */
    public static TicketDocument standard() {
        return new TicketDocument(
                TicketDocument.SCHEMA_VERSION,
                "Prints 8 × 10",
                LengthUnit.IN,
                new SizeDocument.OnPaper(
                        new LengthDocument(BigDecimal.valueOf(8), LengthUnit.IN),
                        new LengthDocument(BigDecimal.TEN, LengthUnit.IN)),
                Turn.SUIT,
                new FitDocument.Fill("#FFFFFF"),
                new EdgesDocument.NoEdges(),
                BigDecimal.valueOf(300),
                ViewingDistance.HAND,
                new ResamplingDocument(MethodChoice.BY_ITSELF, Light.ENCODED, Ringing.FREE),
                new SharpeningDocument.NoSharpening(),
                ColourDocument.srgb(),
                Rounding.NEAREST,
                new FileDocument.Jpeg(95),
                MetadataDocument.usual(),
                List.of(new BrickDocument.OriginalName(), new BrickDocument.SizeText()),
                1,
                LetterCase.AS_IT_IS,
                Subfolders.FLATTENED,
                "prints-8x10",
                null,
                null,
                1);
    }

    /**
     * @throws ProblemException naming each phrase whose value cannot work
     */
    public static Ticket toTicket(TicketDocument document) {
        Phrases phrases = new Phrases();
        Size size = phrases.read("size", () -> size(document.size()));
        Fit fit = phrases.read("fit", () -> fit(document.fit()));
        Edges edges = phrases.read("edges", () -> EdgesDocuments.edges(document.edges(), document.size()));
        Resolution ppi = phrases.read("ppi", () -> ppi(document.ppi()));
        Sharpening sharpening = phrases.read("sharpening", () -> sharpening(document.sharpening()));
        OutputColour colour = phrases.read("colour", () -> document.colour().toColour());
        FileFormat file = phrases.read("file", () -> file(document.file()));
        NamePattern names = phrases.read("names", () -> names(document));
        Optional<Mark> mark =
                phrases.read("mark", () -> Optional.ofNullable(document.mark()).map(MarkDocument::toMark));
        Optional<ProductRule> product = phrases.read(
                "product", () -> Optional.ofNullable(document.product()).map(ProductRuleDocument.OfTicket::toRule));
        phrases.throwIfAny();
        return new Ticket(
                EdgesDocuments.sheet(document.edges(), size),
                document.turn(),
                fit,
                edges,
                ppi,
                document.viewing(),
                resampling(document.resampling()),
                sharpening,
                colour,
                document.rounding(),
                file,
                document.metadata().toChoice(),
                names,
                mark,
                product,
                document.attempt());
    }

    /** The sheet in a word for names: {@code 8x10in}, {@code 4to5}; the pixels where it has no size of its own. */
    public static String sizeText(TicketDocument document, int width, int height) {
        return switch (document.size()) {
            case SizeDocument.OnPaper paper -> {
                boolean alike = paper.width().unit() == paper.height().unit();
                yield plain(paper.width().value())
                        + (alike ? "" : paper.width().unit().symbol())
                        + "x" + plain(paper.height().value())
                        + paper.height().unit().symbol();
            }
            case SizeDocument.ShapeOnly shape -> shape.shortSide() + "to" + shape.longSide();
            case SizeDocument.Scaled scaled -> scaled.to().word();
            case SizeDocument.InPixels _, SizeDocument.FreeShape _, SizeDocument.OwnShape _ -> width + "x" + height;
        };
    }

    /** How deep a wrap's bar is in a word for names: {@code 38mm}; nothing without one. */
    public static String barText(TicketDocument document) {
        if (!(document.edges() instanceof EdgesDocument.WrapEdges wrap)) {
            return "";
        }
        LengthDocument deepest = wrap.bar().deepest();
        return plain(deepest.value()) + deepest.unit().symbol();
    }

    private static String plain(BigDecimal value) {
        return value.stripTrailingZeros().toPlainString();
    }

    private static Size size(SizeDocument size) {
        return switch (size) {
            case SizeDocument.OnPaper paper ->
                new Size.OnPaper(
                        new PaperSize(paper.width().toLength(), paper.height().toLength()));
            case SizeDocument.ShapeOnly shape -> {
                Ratio ratio = new Ratio(shape.shortSide(), shape.longSide());
                if (ratio.longSide() / ratio.shortSide() > 50) {
                    throw new IllegalArgumentException("shape: expected at most 1:50, got " + ratio);
                }
                yield new Size.ShapeOnly(ratio);
            }
            case SizeDocument.InPixels pixels -> inPixels(pixels);
            case SizeDocument.Scaled scaled -> new Size.Scaled(scaled.to().toMeasure(), scaled.enlarging());
            case SizeDocument.FreeShape _ -> new Size.FreeShape();
            case SizeDocument.OwnShape _ -> new Size.OwnShape();
        };
    }

    private static Size inPixels(SizeDocument.InPixels size) {
        for (int side : new int[] {size.width(), size.height()}) {
            if (side < 1 || side > Measure.MOST_PIXELS) {
                throw new IllegalArgumentException("size: expected sides of 1 to " + Measure.MOST_PIXELS + " px, got "
                        + size.width() + " × " + size.height() + " px");
            }
        }
        return new Size.InPixels(new PixelSize(size.width(), size.height()));
    }

    private static Fit fit(FitDocument fit) {
        return switch (fit) {
            case FitDocument.Fill fill -> new Fit.Fill(PaperColour.parse(fill.paper()));
            case FitDocument.Inside inside ->
                new Fit.Inside(
                        PaperColour.parse(inside.paper()),
                        inside.anchor(),
                        inside.margin().toLength(),
                        inside.marks());
            case FitDocument.GrownInside grown -> new Fit.Grown(PaperColour.parse(grown.paper()), grown.anchor());
            case FitDocument.AtScale scale ->
                new Fit.AtScale(
                        PaperColour.parse(scale.paper()),
                        Optional.ofNullable(scale.printedPpi()).map(TicketDocuments::ppi),
                        scale.anchor(),
                        scale.marks());
            case FitDocument.Cut cut -> new Fit.Cut(PaperColour.parse(cut.paper()), cut.anchor(), cut.marks());
        };
    }

    private static Resolution ppi(BigDecimal ppi) {
        if (ppi.compareTo(BigDecimal.ONE) < 0
                || ppi.compareTo(BigDecimal.valueOf(Resolution.MAX_PER_INCH)) > 0
                || ppi.scale() > 6) {
            throw new IllegalArgumentException(String.format(
                    Locale.ROOT, "ppi: expected 1 to %d, got %s", Resolution.MAX_PER_INCH, ppi.toPlainString()));
        }
        return Resolution.perInch(ppi);
    }

    private static ResamplingChoice resampling(ResamplingDocument resampling) {
        Optional<Method> method = switch (resampling.method()) {
            case BY_ITSELF -> Optional.empty();
            case NEAREST -> Optional.of(Method.NEAREST);
            case AREA -> Optional.of(Method.AREA);
            case BILINEAR -> Optional.of(Method.BILINEAR);
            case KEYS -> Optional.of(Method.KEYS);
            case MITCHELL -> Optional.of(Method.MITCHELL);
            case LANCZOS3 -> Optional.of(Method.LANCZOS3);
            case CIRCULAR_LANCZOS -> Optional.of(Method.CIRCULAR_LANCZOS);
            case LEARNED -> Optional.of(Method.LEARNED);
            case LEARNED_SOFTENING -> Optional.of(Method.LEARNED_SOFTENING);
        };
        return new ResamplingChoice(method, resampling.light(), resampling.ringing());
    }

    private static Sharpening sharpening(SharpeningDocument sharpening) {
        return switch (sharpening) {
            case SharpeningDocument.NoSharpening _ -> new Sharpening.None();
            case SharpeningDocument.PaperSharpening paper -> new Sharpening.ForPaper(paper.paper());
            case SharpeningDocument.ScreenSharpening _ -> new Sharpening.ForScreen();
            case SharpeningDocument.ExactSharpening edges ->
                new Sharpening.Exact(edges.strength(), edges.radius().toLength(), edges.threshold());
            case SharpeningDocument.LocalContrast wide ->
                new Sharpening.LocalContrast(wide.strength(), wide.radius().toLength());
            case SharpeningDocument.OutOfFocus out ->
                new Sharpening.BlurUndone(new Sharpening.Blurred.OutOfFocus(out.radius()), out.strength(), out.grain());
            case SharpeningDocument.Moved moved ->
                new Sharpening.BlurUndone(
                        new Sharpening.Blurred.Moved(moved.length(), moved.degrees()), moved.strength(), moved.grain());
        };
    }

    static FileFormat file(FileDocument file) {
        return switch (file) {
            case FileDocument.Jpeg jpeg ->
                new FileFormat.Jpeg(
                        jpeg.quality(), jpeg.chroma(), Optional.ofNullable(jpeg.mostBytes()), jpeg.compressed());
            case FileDocument.Tiff tiff -> new FileFormat.Tiff(tiff.packing(), tiff.depth());
            case FileDocument.Png png -> new FileFormat.Png(png.depth());
            case FileDocument.Webp webp -> new FileFormat.Webp(Optional.ofNullable(webp.quality()));
            case FileDocument.AsItIs _ -> new FileFormat.AsItIs();
            case FileDocument.Pdf pdf -> new FileFormat.Pdf(pixels(pdf.pixels()), pdf.marks());
        };
    }

    private static FileFormat.PagePixels pixels(PagePixelsDocument pixels) {
        return switch (pixels) {
            case PagePixelsDocument.CodedPixels coded ->
                new FileFormat.PagePixels.Coded(new FileFormat.Jpeg(coded.quality(), coded.chroma()));
            case PagePixelsDocument.WholePixels whole -> new FileFormat.PagePixels.Whole(whole.depth());
        };
    }

    private static NamePattern names(TicketDocument document) {
        return new NamePattern(
                document.names().stream().map(TicketDocuments::brick).toList(),
                document.letters(),
                document.subfolders());
    }

    private static Brick brick(BrickDocument brick) {
        return switch (brick) {
            case BrickDocument.OriginalName original ->
                new Brick.OriginalName(
                        Optional.ofNullable(original.replace()).map(one -> new Replacement(one.from(), one.to())));
            case BrickDocument.JobName _ -> new Brick.JobName();
            case BrickDocument.TicketName _ -> new Brick.TicketName();
            case BrickDocument.SizeText _ -> new Brick.SizeText();
            case BrickDocument.PixelsText _ -> new Brick.Pixels();
            case BrickDocument.BarDepth _ -> new Brick.BarDepth();
            case BrickDocument.Copies _ -> new Brick.Copies();
            case BrickDocument.PictureNumber _ -> new Brick.PictureNumber();
            case BrickDocument.PictureDate _ -> new Brick.PictureDate();
            case BrickDocument.RunningNumber number ->
                new Brick.RunningNumber(
                        number.digits(), Optional.ofNullable(number.first()).orElse(1));
            case BrickDocument.Date _ -> new Brick.Date();
            case BrickDocument.Words words -> new Brick.Words(words.text());
        };
    }

    /** Gathers what is wrong phrase by phrase. */
    private static final class Phrases {
        private final List<Problem> problems = new ArrayList<>();

        <T> T read(String phrase, Supplier<T> reading) {
            try {
                return reading.get();
            } catch (IllegalArgumentException | ArithmeticException wrong) {
                String text =
                        wrong instanceof ArithmeticException ? phrase + ": too large to work with" : wrong.getMessage();
                problems.add(new Problem("ticket-value", phrase, text, "Change it on the ticket."));
                return null;
            }
        }

        void throwIfAny() {
            if (!problems.isEmpty()) {
                throw new ProblemException(HttpStatus.UNPROCESSABLE_CONTENT, problems);
            }
        }
    }
}
