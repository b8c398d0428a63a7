package embrick.server.runs;

import embrick.core.check.Expectation;
import embrick.core.grown.GrownLayer;
import embrick.core.print.Print;
import embrick.core.sharpen.Halo;
import embrick.core.source.SourceFacts;
import embrick.core.ticket.FileFormat;
import embrick.formats.Formats;
import embrick.formats.Prints;
import embrick.formats.Retagging;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.SampleSums;
import embrick.formats.picture.Verified;
import embrick.server.Failures;
import embrick.server.backgrounds.Backgrounds;
import embrick.server.runs.Attempts.Attempt;
import embrick.server.storage.Fingerprint;
import embrick.server.storage.OriginalFiles;
import embrick.server.storage.Pictures;
import embrick.server.storage.Storage;
import embrick.server.workers.LiveProgress;
import embrick.server.workers.StageTimes;
import embrick.server.workers.StageTimes.Stage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Writes a piece to its temporary file, opens it again and holds it against its plan. */
@Component
class PieceWriter {
    private final Attempts attempts;
    private final PieceFiles files;
    private final Formats formats;
    private final Prints prints;
    private final Retagging retagging;
    private final OriginalFiles originals;
    private final Pictures pictures;
    private final LiveProgress progress;
    private final StageTimes times;
    private final Backgrounds backgrounds;

    PieceWriter(
            Attempts attempts,
            PieceFiles files,
            Formats formats,
            Prints prints,
            Retagging retagging,
            OriginalFiles originals,
            Pictures pictures,
            LiveProgress progress,
            StageTimes times,
            Backgrounds backgrounds) {
        this.backgrounds = backgrounds;
        this.attempts = attempts;
        this.files = files;
        this.formats = formats;
        this.prints = prints;
        this.retagging = retagging;
        this.originals = originals;
        this.pictures = pictures;
        this.progress = progress;
        this.times = times;
    }

    /** The run was stopped while the piece was being made. */
    static final class StoppedException extends RuntimeException {
        private static final long serialVersionUID = 1L;
    }

    /**
     * Writes, checks, and notes what is about to be published.
     *
     * @throws StoppedException if the run was stopped meanwhile
     * @throws IOException if the file cannot be written, or is not as planned
     */
    Fingerprint write(Attempt attempt, Path temporary) throws IOException {
        Path original = originals.intact(attempt.original().place());
        if (attempt.plan().file() instanceof FileFormat.AsItIs) {
            return copy(attempt, original, temporary);
        }
        // A damaged picture is coded anew even where its own code could stay: the piece itself is whole.
        Printed printed = !attempt.original().isPrintedDamaged() && retagging.suits(original, attempt.plan())
                ? retag(attempt, original, temporary)
                : print(attempt, original, temporary);
        long made = System.nanoTime();
        Verified found = check(attempt, temporary, printed.samples());
        Fingerprint fingerprint = Storage.fingerprintOf(temporary);
        times.add(Stage.CHECK, System.nanoTime() - made);
        Piece.Made intended = new Piece.Made(
                fingerprint.sha256(), fingerprint.bytes(), printed.halo().map(Halo::percent), found.quality());
        attempts.intend(attempt, intended);
        return fingerprint;
    }

    /** The original's own bytes, read again and held against its digest: that is all their check. */
    private Fingerprint copy(Attempt attempt, Path original, Path temporary) throws IOException {
        try (PieceFiles.NewFile target = files.create(temporary)) {
            Files.copy(original, target.stream());
        }
        progress.checking(attempt.pieceId());
        Fingerprint fingerprint = Storage.fingerprintOf(temporary);
        if (!fingerprint.sha256().equals(attempt.original().digest())) {
            throw new IOException("the copy is not the original's own bytes");
        }
        attempts.intend(
                attempt, new Piece.Made(fingerprint.sha256(), fingerprint.bytes(), Optional.empty(), Optional.empty()));
        return fingerprint;
    }

    /** What is known of a piece's file besides the file. */
    private record Printed(Optional<Halo> halo, SampleSums samples) {}

    private Printed retag(Attempt attempt, Path original, Path temporary) throws IOException {
        try (PieceFiles.NewFile target = files.create(temporary)) {
            retagging.write(original, formats.metadata(original), attempt.plan(), target);
        }
        // Others may write to what lies in place: it is as it was taken in, also now that it has been read.
        originals.intact(attempt.original().place());
        return new Printed(Optional.empty(), SampleSums.NONE);
    }

    private Printed print(Attempt attempt, Path original, Path temporary) throws IOException {
        SourceFacts facts = formats.inspect(original);
        Optional<GrownLayer> grown =
                backgrounds.grown(new Backgrounds.Wanted(attempt.original().place(), facts, attempt.plan()), () -> {
                    if (isStopped(attempt)) {
                        throw new StoppedException();
                    }
                });
        long begun = System.nanoTime();
        return pictures.whole(attempt.original().place(), facts, opened -> {
            long read = System.nanoTime();
            times.add(Stage.READ, read - begun);
            if (opened.damage().isPresent() && !attempt.original().isPrintedDamaged()) {
                throw opened.damage().get().refusal();
            }
            Print print = prints.print(attempt.plan(), opened.raster(), grown);
            SampleSums samples;
            try (PieceFiles.NewFile target = files.create(temporary)) {
                samples = formats.write(print, formats.metadata(original), attempt.plan(), target, strips(attempt));
            }
            times.add(Stage.MAKE, System.nanoTime() - read);
            return new Printed(print.halo(), samples);
        });
    }

    private PrintFile.Progress strips(Attempt attempt) {
        return (done, all) -> {
            if (progress.strip(attempt.pieceId(), done, all) && isStopped(attempt)) {
                throw new StoppedException();
            }
        };
    }

    private boolean isStopped(Attempt attempt) {
        try {
            return attempts.isStopped(attempt);
        } catch (RuntimeException failed) {
            if (Failures.isDatabaseAway(failed)) {
                // It may be back before the piece is done.
                return false;
            }
            throw failed;
        }
    }

    /** Reads the file again, to its last byte, and holds it against the plan. */
    private Verified check(Attempt attempt, Path file, SampleSums written) throws IOException {
        progress.checking(attempt.pieceId());
        Expectation expectation = Expectation.of(
                attempt.plan(),
                formats.profiles().digest(attempt.plan().colour().to()));
        Verified found = formats.verify(file, attempt.plan().file(), written);
        List<Expectation.Difference> differences = expectation.differences(found.facts(), found.page());
        if (!differences.isEmpty()) {
            throw new IOException("the finished file is not as planned: " + differences);
        }
        if (attempt.plan().file() instanceof FileFormat.Jpeg jpeg
                && Files.size(file) > jpeg.mostBytes().orElse(Long.MAX_VALUE)) {
            throw new IOException("the finished file is larger than its limit");
        }
        return found;
    }
}
