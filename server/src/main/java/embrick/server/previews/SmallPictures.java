package embrick.server.previews;

import embrick.core.found.SmallPixels;
import embrick.core.found.detail.DetailMeasure;
import embrick.core.pixels.ColourModel;
import embrick.core.plan.Planning;
import embrick.core.plan.SmallPlan;
import embrick.core.print.Printer;
import embrick.core.source.SourceDetail;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.ProfileOrigin;
import embrick.formats.Formats;
import embrick.formats.picture.Damage;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.PrintFile;
import embrick.formats.picture.UnusablePictureException;
import embrick.server.problems.ProblemException;
import embrick.server.storage.Arrival;
import embrick.server.storage.OriginalPlace;
import embrick.server.storage.PictureWork;
import embrick.server.storage.Pictures;
import embrick.server.storage.Storage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;

/**
 * Small pictures in sRGB, kept on the disk by content: that of the pile is made as a picture comes in, that of the bench when it is
 * first asked for, and any again that is missing.
 */
@Service
public class SmallPictures {
    /** Longest sides: for the pile, and for the stage of the bench. */
    private static final int PILE = 384;

    private static final int STAGE = 1800;
    private static final List<Integer> EDGES = List.of(STAGE, PILE);

    /** Enough of a digest to tell a few profiles apart. */
    private static final int PROFILE_LETTERS = 12;

    private final Formats formats;
    private final Storage storage;
    private final Pictures pictures;
    private final PictureWork work;

    SmallPictures(Formats formats, Storage storage, Pictures pictures, PictureWork work) {
        this.formats = formats;
        this.storage = storage;
        this.pictures = pictures;
        this.work = work;
    }

    /** The file of one small picture, made if it is missing. */
    public Path get(OriginalPlace place, SourceFacts facts, int edge, PictureWork.Asker asker) throws IOException {
        if (!EDGES.contains(edge)) {
            throw ProblemException.invalid(
                    "edge", "edge", "edge: expected one of " + EDGES + ", got " + edge, "Ask for one of them.");
        }
        String key = key(place.digest(), facts);
        Path file = storage.preview(key, edge);
        if (!Files.exists(file)) {
            work.promptly(
                    asker,
                    () -> pictures.reduced(place, facts, edge, opened -> {
                        make(opened, facts, key, edge);
                        return null;
                    }));
        }
        return file;
    }

    /** The pixels of one small picture. */
    public SmallPixels pixels(OriginalPlace place, SourceFacts facts, int edge, PictureWork.Asker asker)
            throws IOException {
        try (OpenedPicture opened = formats.open(get(place, facts, edge, asker))) {
            return SmallPixels.of(opened.raster());
        }
    }

    /** Whether the small picture for the pile is there. */
    public boolean isMade(String digest, SourceFacts facts) {
        return Files.exists(storage.preview(key(digest, facts), PILE));
    }

    /**
     * Makes the small picture for the pile of a file that arrives.
     *
     * @return what was met on the way
     * @throws UnusablePictureException if nothing of it can be seen
     */
    public Made make(Arrival arrival, SourceFacts facts) throws IOException {
        return pictures.reduced(arrival, facts, PILE, opened -> {
            make(opened, facts, key(arrival.digest(), facts), PILE);
            boolean isWhole = opened.facts().stored().equals(facts.stored());
            return new Made(
                    opened.damage(), isWhole ? Optional.of(DetailMeasure.of(opened.raster())) : Optional.empty());
        });
    }

    /**
     * @param damage that was met
     * @param detail measured on the way, where all pixels were decoded
     */
    public record Made(Optional<Damage> damage, Optional<SourceDetail> detail) {}

    /**
     * Names a picture's small pictures: the same file under another profile looks different. What the file itself says needs
     * no telling.
     */
    public static String key(String digest, SourceFacts facts) {
        return facts.colour()
                .profile()
                .filter(profile ->
                        profile.origin() == ProfileOrigin.BY_HAND || profile.origin() == ProfileOrigin.ASSUMED)
                .map(profile -> digest + "-" + profile.digest().substring(0, PROFILE_LETTERS))
                .orElse(digest);
    }

    private void make(OpenedPicture opened, SourceFacts facts, String key, int edge) throws IOException {
        SourceFacts known =
                facts.colour().profile().map(opened.facts()::withProfile).orElse(opened.facts());
        switch (SmallPlan.of(known, edge)) {
            case Planning.Ready ready -> {
                Path file = storage.preview(key, edge);
                Path part = file.resolveSibling(UUID.randomUUID() + ".part");
                Files.createDirectories(file.getParent());
                try {
                    try (FileTarget target = FileTarget.create(part)) {
                        formats.write(
                                Printer.print(ready.plan(), opened.raster(), formats.profiles()),
                                ready.plan(),
                                target,
                                PrintFile.Progress.none());
                    }
                    Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
                } finally {
                    Files.deleteIfExists(part);
                }
            }
            case Planning.Refused refused -> {
                var first = refused.problems().getFirst();
                throw new UnusablePictureException(
                        UnusablePictureException.Kind.NOT_FOR_EMBRICK,
                        first.code(),
                        opened.facts().colour().model() == ColourModel.CMYK
                                ? "is a CMYK picture without a profile: its colours cannot be known"
                                : first.text(),
                        first.remedy());
            }
        }
    }
}
