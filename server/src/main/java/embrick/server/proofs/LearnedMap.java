package embrick.server.proofs;

import embrick.core.pixels.PixelRect;
import embrick.core.plan.Plan;
import embrick.core.resample.LearnedShare;
import embrick.core.resample.Resampler;
import embrick.core.resample.Resampler.LastChannel;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.formats.icc.ProfileShelf;
import embrick.server.storage.OriginalPlace;
import embrick.server.storage.Pictures;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.ImageIO;
import org.springframework.stereotype.Service;

/** Where the detail of an enlarged picture was learned, as a picture to be laid over its proof. */
@Service
class LearnedMap {
    /** Added to the luminance, of the whole range: less is not seen, this much is tinted most. */
    private static final float FAINTEST = 1f / 255;

    private static final float STRONGEST = 20f / 255;
    private static final int MOST_ALPHA = 0xB0;
    private static final int TINT_RGB = 0x00707A;
    /** Stripes where more was found than this, and not let stand. */
    private static final float HELD_BACK = 6f / 255;

    private final ProfileShelf profiles;
    private final Pictures pictures;

    LearnedMap(ProfileShelf profiles, Pictures pictures) {
        this.profiles = profiles;
        this.pictures = pictures;
    }

    /**
     * The tint is the stronger the more was added; stripes stand where more was found than the pixels round it bear out.
     *
     * @param part of the plan's total
     * @return see-through all over where nothing is learned
     */
    byte[] of(OriginalPlace place, SourceFacts facts, Plan plan, PixelRect part) throws IOException {
        BufferedImage map = new BufferedImage(part.width(), part.height(), BufferedImage.TYPE_INT_ARGB);
        PixelRect picture = plan.extension().bands().onTotal(plan.picture());
        int left = Math.max(part.x(), picture.x());
        int top = Math.max(part.y(), picture.y());
        int width = Math.min(part.right(), picture.right()) - left;
        int height = Math.min(part.bottom(), picture.bottom()) - top;
        boolean isLearned = plan.resampling().method().doubles(plan.window().scale());
        if (isLearned && width > 0 && height > 0) {
            PixelRect inPicture = new PixelRect(left - picture.x(), top - picture.y(), width, height);
            pictures.whole(place, facts, opened -> {
                LearnedShare share = Resampler.learned(
                        opened.raster(),
                        plan.window(),
                        plan.resampling(),
                        facts.colour().alpha() == Alpha.SEE_THROUGH ? LastChannel.ALPHA : LastChannel.COLOUR,
                        profiles.encoding(plan.colour().from()));
                draw(map, left - part.x(), top - part.y(), width, share.added(inPicture), share.heldBack(inPicture));
                return null;
            });
        }
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(map, "png", png);
        return png.toByteArray();
    }

    private static void draw(BufferedImage map, int left, int top, int width, float[] added, float[] heldBack) {
        for (int i = 0; i < added.length; i++) {
            int x = left + i % width;
            int y = top + i / width;
            if (added[i] >= FAINTEST) {
                int alpha = Math.round(MOST_ALPHA * Math.min(1, added[i] / STRONGEST));
                map.setRGB(x, y, alpha << 24 | TINT_RGB);
            }
            if (heldBack[i] >= HELD_BACK) {
                Stripes.mark(map, x, y);
            }
        }
    }
}
