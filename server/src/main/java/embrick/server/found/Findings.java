package embrick.server.found;

import embrick.core.found.SmallPixels;
import embrick.core.found.level.LevelFinder;
import embrick.core.found.level.LevelFinder.Level;
import embrick.core.found.scan.ScanBorder;
import embrick.core.found.scan.ScanBorder.Scan;
import embrick.core.source.SourceFacts;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalViews;
import embrick.server.originals.Originals;
import embrick.server.originals.PictureProblems;
import embrick.server.previews.SmallPictures;
import embrick.server.problems.ProblemException;
import embrick.server.storage.PictureWork;
import java.io.IOException;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** Looks at small pictures, and remembers what the last of them showed: pictures do not change. */
@Service
class Findings {
    /** The small picture that is looked at, and the one whose pixels the offers are counted in. */
    static final int EDGE = 1800;

    private static final int REMEMBERED = 2000;

    private final Originals originals;
    private final OriginalViews views;
    private final SmallPictures smallPictures;
    private final Map<String, Found> remembered = Collections.synchronizedMap(new LinkedHashMap<>(64, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Found> eldest) {
            return size() > REMEMBERED;
        }
    });

    Findings(Originals originals, OriginalViews views, SmallPictures smallPictures) {
        this.originals = originals;
        this.views = views;
        this.smallPictures = smallPictures;
    }

    /** @param width of the small picture that was looked at, in pixels */
    record Found(int width, int height, Scan scan, Optional<Level> level) {}

    Found of(UUID originalId, PictureWork.Asker asker) throws IOException {
        Original original = originals.get(originalId);
        SourceFacts facts = facts(original);
        String key = SmallPictures.key(original.digest(), facts);
        Found known = remembered.get(key);
        if (known != null) {
            return known;
        }
        SmallPixels pixels = pixels(original, facts, asker);
        Found found = new Found(pixels.width(), pixels.height(), ScanBorder.find(pixels), LevelFinder.find(pixels));
        remembered.put(key, found);
        return found;
    }

    SmallPixels pixels(UUID originalId, PictureWork.Asker asker) throws IOException {
        Original original = originals.get(originalId);
        return pixels(original, facts(original), asker);
    }

    private SmallPixels pixels(Original original, SourceFacts facts, PictureWork.Asker asker) throws IOException {
        return PictureProblems.naming(original, () -> smallPictures.pixels(original.place(), facts, EDGE, asker));
    }

    SourceFacts facts(Original original) {
        return views.facts(original)
                .orElseThrow(() -> ProblemException.invalid(
                        "no-picture",
                        original.path(),
                        original.path() + " will not open: nothing can be found in it.",
                        "See its reason in the pile."));
    }
}
