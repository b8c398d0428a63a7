package embrick.bench;

import embrick.core.colour.ColourPath;
import embrick.core.colour.PaperColour;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Rendering;
import embrick.core.colour.ToneCurve;
import embrick.core.framing.Framing;
import embrick.core.paper.PaperSize;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.PixelRect;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.print.Print;
import embrick.core.print.Printer;
import embrick.core.resample.Method;
import embrick.core.resample.Resampler;
import embrick.core.resample.Resampling;
import embrick.core.resample.Window;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.Fit;
import embrick.core.ticket.Lift;
import embrick.core.ticket.NamePattern;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.PaperKind;
import embrick.core.ticket.ResamplingChoice;
import embrick.core.ticket.Rounding;
import embrick.core.ticket.Sides;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.ticket.Turn;
import embrick.core.ticket.ViewingDistance;
import embrick.core.units.Length;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.Formats;
import embrick.formats.Prints;
import embrick.formats.ScreenPictures;
import embrick.formats.crew.Crew;
import embrick.formats.icc.MatrixProfile;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.picture.DecodeLimits;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.PrintFile;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;

/** The works that are measured, by name. What a work needs beforehand is made when it is asked for. */
final class Works implements AutoCloseable {
    private static final int STRIP_ROWS = 64;

    private final Formats formats = new Formats(
            new ProfileShelf(), DecodeLimits.DEFAULT, Path.of(System.getProperty("java.io.tmpdir")), new Crew(1));
    private final Formats together = new Formats(formats.profiles(), DecodeLimits.DEFAULT);
    private final Pictures pictures;
    private final List<AutoCloseable> held = new ArrayList<>();
    private final AtomicInteger pieces = new AtomicInteger();
    private final ExecutorService twoThreads =
            Executors.newFixedThreadPool(2, Thread.ofPlatform().daemon().factory());

    Works(Pictures pictures) {
        this.pictures = pictures;
    }

    /** What is done once. */
    interface Doing {
        void run() throws IOException;
    }

    /** @param warmUps rounds until the compiler is done with it */
    record Work(int warmUps, Doing doing) {}

    Work named(String name) throws IOException {
        return switch (name) {
            case "whole" -> new Work(20, () -> make(pictures.original(), ticket(new Lift.None()), pictures.piece()));
            case "lifted" ->
                new Work(20, () -> makeWide(ticket(new Lift.ForPaper(PaperKind.LUSTRE)), pictures.piece()));
            case "floor" -> floor();
            case "sideways" -> new Work(15, () -> make(pictures.sideways(), ticket(new Lift.None()), pictures.piece()));
            case "tiff" -> packed(pictures.tiff(), new FileFormat.Tiff(FileFormat.Packing.DEFLATE));
            case "png" -> packed(pictures.png(), new FileFormat.Png());
            case "png16" -> packed(pictures.tiff(), new FileFormat.Png());
            case "canvas-one" -> new Work(3, () -> canvas(formats));
            case "canvas-all" -> new Work(3, () -> canvas(together));
            case "stage" -> stage(0, Method.LANCZOS3);
            case "magnify" -> magnify();
            case "tilted" -> stage(2, Method.LANCZOS3);
            case "circular" -> stage(0, Method.CIRCULAR_LANCZOS);
            case "small" -> new Work(10, this::smallPictures);
            case "proof" -> proof();
            case "proof-paper" -> proofOnPaper();
            case "proof-cold" -> new Work(8, this::proofCold);
            case "decode" -> new Work(5, () -> formats.open(pictures.original()).close());
            case "two" -> new Work(12, this::twoTogether);
            case "two-one" -> new Work(20, () -> twoInTurn(1));
            case "wrap-face" -> canvas(new Edges.None());
            case "wrap-mirror" -> canvas(wrap(new EdgeFill.Mirror()));
            case "wrap-drawn-out" -> canvas(wrap(new EdgeFill.DrawnOut()));
            case "wrap-plain" -> canvas(wrap(new EdgeFill.Plain(PaperColour.WHITE)));
            case "wrap-rim-mean" -> canvas(wrap(new EdgeFill.RimMean()));
            case "wrap-jpeg" -> canvasJpeg(wrap(new EdgeFill.Mirror()));
            case "wrap-face-jpeg" -> canvasJpeg(new Edges.None());
            case "huge-jpeg" -> new Work(0, () -> huge(new FileFormat.Jpeg(95)));
            case "huge-tiff" -> new Work(0, () -> huge(new FileFormat.Tiff(FileFormat.Packing.PLAIN)));
            default -> {
                if (name.startsWith("colour-alone-")) {
                    yield ColourWorks.alone(name.substring("colour-alone-".length()));
                }
                if (name.startsWith("colour-")) {
                    yield ColourWorks.ours(name.substring("colour-".length()));
                }
                if (name.startsWith("enlarge-")) {
                    yield enlarge(Integer.parseInt(name.substring("enlarge-".length())));
                }
                throw new IllegalArgumentException("work: expected one that is known, got " + name);
            }
        };
    }

    private static Ticket ticket(Lift lift) {
        return new Ticket(
                onPaper("8", "10"),
                Turn.SUIT,
                new Fit.Fill(PaperColour.WHITE),
                new Edges.None(),
                Resolution.perInch(300),
                ViewingDistance.HAND,
                ResamplingChoice.BY_ITSELF,
                lift,
                OutputColour.SRGB,
                Rounding.NEAREST,
                new FileFormat.Jpeg(95),
                new NamePattern(List.of(new NamePattern.Brick.OriginalName())));
    }

    private static Size onPaper(String width, String height) {
        return new Size.OnPaper(new PaperSize(Length.inches(width), Length.inches(height)));
    }

    private static final SourceFacts PLAIN = new SourceFacts(
            SourceFacts.FileKind.JPEG,
            new PixelSize(3000, 2400),
            Orientation.UPRIGHT,
            Optional.empty(),
            new SourceFacts.SourceColour(ColourModel.RGB, SourceFacts.Alpha.OPAQUE, 8, Optional.empty()),
            0);

    private static Plan plan(OpenedPicture opened, Ticket ticket) {
        return plan(opened.facts(), ticket);
    }

    private static Plan plan(SourceFacts facts, Ticket ticket) {
        return ((Planning.Ready) Planner.plan(facts, ticket, Framing.centred())).plan();
    }

    private void make(Path original, Ticket ticket, Path piece) throws IOException {
        try (OpenedPicture opened = formats.open(original)) {
            write(opened.raster(), plan(opened, ticket), piece);
        }
    }

    /** As {@link #make}, converted to opRGB on the way. */
    private void makeWide(Ticket ticket, Path piece) throws IOException {
        try (OpenedPicture opened = formats.open(pictures.original())) {
            Plan plan = plan(opened, ticket);
            String digest = formats.profiles()
                    .add(MatrixProfile.opRgb(), ColourModel.RGB)
                    .orElseThrow()
                    .digest();
            ColourPath wide = new ColourPath(plan.colour().from(), new ProfileRef.Icc(digest, ColourModel.RGB));
            write(opened.raster(), plan.withColour(wide), pictures.piece());
        }
    }

    /** Each piece is a new file, as in a run; the folder goes when all is measured. */
    private void write(Raster raster, Plan plan, Path piece) throws IOException {
        write(formats, raster, plan, piece);
    }

    private void write(Formats by, Raster raster, Plan plan, Path piece) throws IOException {
        try (FileTarget target = FileTarget.create(
                Path.of(piece + "." + ProcessHandle.current().pid() + "." + pieces.incrementAndGet()))) {
            by.write(Printer.print(plan, raster, by.profiles()), plan, target, PrintFile.Progress.none());
        }
    }

    private Raster noise(int width, int height) {
        Raster raster = Raster.allocate(new PixelSize(width, height), 3, 1);
        held.add(raster);
        for (long i = 0; i < raster.samples().byteSize(); i++) {
            raster.samples().set(ValueLayout.JAVA_BYTE, i, (byte) ((i * 0x9E3779B97F4A7C15L) >>> 56));
        }
        return raster;
    }

    /** A method alone, 20 to 7.2 MP. */
    private Work stage(double tilt, Method method) {
        Raster raster = noise(5000, 4000);
        Window window = new Window(Orientation.UPRIGHT, new PixelSize(3000, 2400), 2500, 2000, 5000 / 3000.0, tilt);
        int warmUps = method == Method.CIRCULAR_LANCZOS ? 3 : 20;
        return new Work(warmUps, () -> resample(raster, window, method));
    }

    /** Lanczos alone, 2 to 7.2 MP. */
    private Work magnify() {
        Raster raster = noise(1600, 1280);
        Window window = new Window(Orientation.UPRIGHT, new PixelSize(3000, 2400), 800, 640, 1600 / 3000.0, 0);
        return new Work(20, () -> resample(raster, window, Method.LANCZOS3));
    }

    /** Twice as large, so that 380 MP of output come from 95 MP of source. */
    private Work enlarge(int megapixels) {
        int height = (int) Math.round(Math.sqrt(megapixels * 1e6 / 1.5) / 2);
        int width = height * 3 / 2;
        Raster raster = noise(width, height);
        Window window = new Window(
                Orientation.UPRIGHT, new PixelSize(width * 2, height * 2), width / 2.0, height / 2.0, 0.5, 0);
        return new Work(Math.max(1, 200 / megapixels), () -> resample(raster, window, Method.LANCZOS3));
    }

    private static void resample(Raster raster, Window window, Method method) {
        Resampler resampler =
                Resampler.of(raster, window, Resampling.by(method), Resampler.LastChannel.COLOUR, ToneCurve.srgb());
        int rows = 64;
        float[] strip = new float[rows * window.output().width() * 3];
        for (int y = 0; y < window.output().height(); y += rows) {
            int count = Math.min(rows, window.output().height() - y);
            resampler.render(new PixelRect(0, y, window.output().width(), count), strip, 0);
        }
    }

    private void smallPictures() throws IOException {
        Ticket ticket = ticket(new Lift.None())
                .withSize(onPaper("2.24", "2.24"))
                .withPpi(Resolution.perInch(100))
                .withResampling(new ResamplingChoice(
                        Optional.of(Method.BILINEAR), Resampling.Light.ENCODED, Resampling.Ringing.FREE));
        List<Path> names;
        try (Stream<Path> all = Files.list(pictures.small())) {
            names = all.filter(name -> name.toString().endsWith(".jpg")).toList();
        }
        together(names, name -> make(name, ticket, Path.of(name + ".piece")));
    }

    /** 20 × 24 in at 300 ppi, lifted for canvas. */
    private static Ticket canvasTicket(Edges edges) {
        return ticket(new Lift.ForPaper(PaperKind.CANVAS))
                .withSize(onPaper("20", "24"))
                .withEdges(edges);
    }

    /** 2 1/2 in of bar and 1/2 in of allowance all round: 26 × 30 in, 70 MP. */
    private static Edges wrap(EdgeFill fill) {
        return new Edges.Wrap(
                Sides.even(Length.inches("2.5")),
                Sides.even(Length.inches("0.5")),
                fill,
                Edges.WrapMarks.FOLDS_AND_CORNERS);
    }

    /** Decoding 24 MP and encoding 7.2 MP, and nothing between. */
    private Work floor() {
        Raster ready = noise(3000, 2400);
        Plan plan = plan(PLAIN, ticket(new Lift.None()).withSize(new Size.OwnShape()));
        return new Work(15, () -> {
            formats.open(pictures.original()).close();
            write(ready, plan, pictures.piece());
        });
    }

    /** 24 MP to 8 × 10 in at 300 ppi without lift, in a lossless format. */
    private Work packed(Path original, FileFormat file) {
        return new Work(5, () -> make(original, ticket(new Lift.None()).withFile(file), pictures.piece()));
    }

    /** 70 MP of a wrapped canvas, from JPEG to JPEG. */
    private void canvas(Formats by) throws IOException {
        try (OpenedPicture opened = by.open(pictures.original())) {
            Plan plan = plan(opened, canvasTicket(wrap(new EdgeFill.Mirror())));
            write(by, opened.raster(), plan, pictures.piece());
        }
    }

    private Work canvasJpeg(Edges edges) {
        return new Work(3, () -> make(pictures.original(), canvasTicket(edges), pictures.piece()));
    }

    /**
     * The pixels of a canvas alone, strip by strip as a writer pulls them. Parts are made first, as a server makes them for
     * its screens: then all works have met the same shapes.
     */
    private Work canvas(Edges edges) throws IOException {
        OpenedPicture opened = formats.open(pictures.original());
        held.add(opened);
        Plan plan = plan(opened, canvasTicket(edges));
        Print parts = Printer.print(plan, opened.raster(), formats.profiles());
        for (int i = 0; i < 40; i++) {
            parts.render(new PixelRect(1000 + 100 * i, 1000, 64, 640), new float[64 * 640 * 3]);
        }
        return new Work(6, () -> {
            Print print = Printer.print(plan, opened.raster(), formats.profiles());
            for (int y = 0; y < print.size().height(); y += STRIP_ROWS) {
                print.rows(y, Math.min(STRIP_ROWS, print.size().height() - y));
            }
        });
    }

    private interface Each {
        void of(Path name) throws IOException;
    }

    private void together(List<Path> names, Each each) throws IOException {
        List<Future<?>> works = new ArrayList<>();
        for (Path name : names) {
            works.add(twoThreads.submit(() -> {
                each.of(name);
                return null;
            }));
        }
        try {
            for (Future<?> work : works) {
                work.get();
            }
        } catch (ExecutionException failed) {
            throw new IOException(failed.getCause());
        } catch (InterruptedException interrupted) {
            Thread.currentThread().interrupt();
            throw new UncheckedIOException(new IOException(interrupted));
        }
    }

    private static final PixelRect PROOF = new PixelRect(900, 800, 1200, 700);

    private Work proof() throws IOException {
        OpenedPicture opened = formats.open(pictures.original());
        held.add(opened);
        return new Work(30, () -> proof(opened));
    }

    /** The same, printed on canvas and shown as it looks there, as the page asks for it. */
    private Work proofOnPaper() throws IOException {
        OpenedPicture opened = formats.open(pictures.original());
        held.add(opened);
        ProfileRef canvas = new ProfileRef.Icc(ShippedProfile.CANVAS_RGB.digest(), ColourModel.RGB);
        Plan plan = plan(opened, ticket(new Lift.ForPaper(PaperKind.LUSTRE)));
        Plan printed = plan.withColour(new ColourPath(plan.colour().from(), canvas));
        return new Work(
                30,
                () -> new ScreenPictures(formats.profiles(), new Prints(formats.profiles()), Crew.ofMachine())
                        .write(printed, opened.raster(), PROOF, Rendering.ABSOLUTE, OutputStream.nullOutputStream()));
    }

    private void proof(OpenedPicture opened) {
        Print print = Printer.print(
                plan(opened, ticket(new Lift.ForPaper(PaperKind.LUSTRE))), opened.raster(), formats.profiles());
        print.render(PROOF, new float[PROOF.width() * PROOF.height() * 3]);
    }

    private void proofCold() throws IOException {
        try (OpenedPicture opened = formats.open(pictures.original())) {
            proof(opened);
        }
    }

    private void twoTogether() throws IOException {
        together(
                List.of(pictures.folder().resolve("first"), pictures.folder().resolve("second")),
                piece -> make(pictures.original(), ticket(new Lift.None()), piece));
    }

    private void twoInTurn(int count) throws IOException {
        for (int i = 0; i < count; i++) {
            make(pictures.original(), ticket(new Lift.None()), pictures.piece());
        }
    }

    /** 44 × 96 in at 300 ppi: 380 MP from 24. */
    private void huge(FileFormat file) throws IOException {
        make(
                pictures.original(),
                ticket(new Lift.ForPaper(PaperKind.CANVAS))
                        .withSize(onPaper("44", "96"))
                        .withFile(file),
                pictures.piece());
    }

    @Override
    public void close() throws IOException {
        twoThreads.shutdown();
        for (AutoCloseable one : held) {
            try {
                one.close();
            } catch (Exception failed) {
                throw new IOException(failed);
            }
        }
    }
}
