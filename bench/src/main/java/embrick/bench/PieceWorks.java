package embrick.bench;

import static embrick.bench.Tickets.PLAIN;
import static embrick.bench.Tickets.canvasTicket;
import static embrick.bench.Tickets.onPaper;
import static embrick.bench.Tickets.plan;
import static embrick.bench.Tickets.screenSet;
import static embrick.bench.Tickets.ticket;
import static embrick.bench.Tickets.wrap;

import embrick.core.colour.ColourPath;
import embrick.core.colour.ProfileRef;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import embrick.core.print.Printer;
import embrick.core.resample.Method;
import embrick.core.resample.Resampling;
import embrick.core.ticket.EdgeFill;
import embrick.core.ticket.Edges;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.PaperKind;
import embrick.core.ticket.ResamplingChoice;
import embrick.core.ticket.Sharpening;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.Resolution;
import embrick.formats.Formats;
import embrick.formats.icc.MatrixProfile;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.PrintFile;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;

/** Whole pieces, from an original's file to the piece's. */
final class PieceWorks implements AutoCloseable {
    /** What the bench page takes when an edge is measured: half strength. */
    private static final Sharpening UNDOING =
            new Sharpening.BlurUndone(new Sharpening.Blurred.OutOfFocus(1.5), 50, 0.6);

    private final Bed bed;
    private final Pictures pictures;
    private final Formats formats;
    private final AtomicInteger pieces = new AtomicInteger();
    private final ExecutorService twoThreads =
            Executors.newFixedThreadPool(2, Thread.ofPlatform().daemon().factory());

    PieceWorks(Bed bed, Pictures pictures) {
        this.bed = bed;
        this.pictures = pictures;
        this.formats = bed.formats();
    }

    void addTo(Map<String, Work.Making> works) {
        works.put(
                "whole",
                () -> new Work(20, () -> make(pictures.original(), ticket(new Sharpening.None()), pictures.piece())));
        works.put("sharpened", () -> new Work(20, () -> makeWide(ticket(new Sharpening.ForPaper(PaperKind.LUSTRE)))));
        works.put("blur-undone", () -> new Work(3, () -> makeWide(ticket(UNDOING))));
        works.put("sets-both", () -> new Work(15, this::printAndScreen));
        works.put("sets-screen", this::screenOfAnOpenedPicture);
        works.put("floor", this::floor);
        works.put(
                "sideways",
                () -> new Work(15, () -> make(pictures.sideways(), ticket(new Sharpening.None()), pictures.piece())));
        works.put("tiff", () -> packed(pictures.tiff(), new FileFormat.Tiff(FileFormat.Packing.DEFLATE)));
        works.put("png", () -> packed(pictures.png(), new FileFormat.Png()));
        works.put("png16", () -> packed(pictures.tiff(), new FileFormat.Png()));
        works.put("canvas-one", () -> new Work(3, () -> canvas(formats)));
        works.put("canvas-all", () -> new Work(3, () -> canvas(bed.together())));
        works.put("wrap-jpeg", () -> canvasJpeg(wrap(new EdgeFill.Mirror())));
        works.put("wrap-face-jpeg", () -> canvasJpeg(new Edges.None()));
        works.put("small", () -> new Work(10, this::smallPictures));
        works.put(
                "decode",
                () -> new Work(5, () -> formats.open(pictures.original()).close()));
        works.put("two", () -> new Work(12, this::twoTogether));
        works.put("two-one", () -> new Work(20, () -> twoInTurn(1)));
        works.put("heic-one", () -> new Work(2, this::phonesInTurn));
        works.put("heic-two", () -> new Work(2, () -> together(phones(), this::decode)));
        works.put("huge-jpeg", () -> new Work(0, () -> huge(new FileFormat.Jpeg(95))));
        works.put("huge-tiff", () -> new Work(0, () -> huge(new FileFormat.Tiff(FileFormat.Packing.PLAIN))));
    }

    private void make(Path original, Ticket ticket, Path piece) throws IOException {
        try (OpenedPicture opened = bed.open(original)) {
            write(opened.raster(), plan(opened, ticket), piece);
        }
    }

    /** A print and a screen piece of one original, which is opened once, as a run of two tickets does. */
    private void printAndScreen() throws IOException {
        try (OpenedPicture opened = bed.open(pictures.original())) {
            write(opened.raster(), plan(opened, ticket(new Sharpening.None())), pictures.piece());
            write(opened.raster(), plan(opened, screenSet()), pictures.piece());
        }
    }

    /** The screen piece alone, its original being decoded already. */
    private Work screenOfAnOpenedPicture() throws IOException {
        OpenedPicture opened = bed.open(pictures.original());
        Plan plan = plan(opened, screenSet());
        return new Work(15, () -> write(opened.raster(), plan, pictures.piece()));
    }

    /** As {@link #make}, converted to opRGB on the way. */
    private void makeWide(Ticket ticket) throws IOException {
        try (OpenedPicture opened = bed.open(pictures.original())) {
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

    /** 24 MP to 8 × 10 in at 300 ppi without sharpening, in a lossless format. */
    private Work packed(Path original, FileFormat file) {
        return new Work(5, () -> make(original, ticket(new Sharpening.None()).withFile(file), pictures.piece()));
    }

    /** Decoding 24 MP and encoding 7.2 MP, and nothing between. */
    private Work floor() {
        Raster ready = bed.noise(3000, 2400);
        Plan plan = plan(PLAIN, ticket(new Sharpening.None()).withSize(new Size.OwnShape()));
        return new Work(15, () -> {
            formats.open(pictures.original()).close();
            write(ready, plan, pictures.piece());
        });
    }

    /** 70 MP of a wrapped canvas, from JPEG to JPEG. */
    private void canvas(Formats by) throws IOException {
        try (OpenedPicture opened = bed.open(by, pictures.original())) {
            Plan plan = plan(opened, canvasTicket(wrap(new EdgeFill.Mirror())));
            write(by, opened.raster(), plan, pictures.piece());
        }
    }

    private Work canvasJpeg(Edges edges) {
        return new Work(3, () -> make(pictures.original(), canvasTicket(edges), pictures.piece()));
    }

    private void smallPictures() throws IOException {
        Ticket ticket = ticket(new Sharpening.None())
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

    private List<Path> phones() {
        return Collections.nCopies(6, pictures.phone());
    }

    private void phonesInTurn() throws IOException {
        for (Path phone : phones()) {
            decode(phone);
        }
    }

    private void decode(Path original) throws IOException {
        formats.open(original).close();
    }

    private void twoTogether() throws IOException {
        together(
                List.of(pictures.folder().resolve("first"), pictures.folder().resolve("second")),
                piece -> make(pictures.original(), ticket(new Sharpening.None()), piece));
    }

    private void twoInTurn(int count) throws IOException {
        for (int i = 0; i < count; i++) {
            make(pictures.original(), ticket(new Sharpening.None()), pictures.piece());
        }
    }

    /** 44 × 96 in at 300 ppi: 380 MP from 24. */
    private void huge(FileFormat file) throws IOException {
        make(
                pictures.original(),
                ticket(new Sharpening.ForPaper(PaperKind.CANVAS))
                        .withSize(onPaper("44", "96"))
                        .withFile(file),
                pictures.piece());
    }

    @Override
    public void close() {
        twoThreads.shutdown();
    }
}
