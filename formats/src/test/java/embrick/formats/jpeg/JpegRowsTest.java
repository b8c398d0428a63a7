package embrick.formats.jpeg;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import embrick.formats.Pieces;
import embrick.formats.binding.FileBytes;
import embrick.formats.jpeg.TurboJpeg.PixelLayout;
import embrick.formats.jpeg.coded.PartStream;
import embrick.formats.jpeg.coded.RowIndex;
import embrick.formats.picture.OpenedPicture;
import embrick.formats.picture.Watch;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.nio.file.Path;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

class JpegRowsTest {
    private static final int WIDTH = 320;
    private static final int HEIGHT = 640;

    @TempDir
    Path folder;

    /** The first part that fails is slow about it: it still writes when the second has had the whole decoded. */
    private static final class TwoFailingParts implements JpegRows.Decompression {
        private final CountDownLatch firstIsAtIt = new CountDownLatch(1);
        private final CountDownLatch secondIsDone = new CountDownLatch(1);
        private final AtomicInteger parts = new AtomicInteger();

        @Override
        public String decompress(MemorySegment file, MemorySegment into, int width, int rows, PixelLayout layout)
                throws IOException {
            if (rows == HEIGHT) {
                return TurboJpeg.decompress(file, into, width, rows, layout, TurboJpeg.Warnings.TOLD);
            }
            if (parts.getAndIncrement() == 0) {
                firstIsAtIt.countDown();
                awaitAtMost(secondIsDone);
            }
            into.fill((byte) 0x55);
            return "premature end of data";
        }

        /** Where the second waits for the first, as it should, this ends by its time. */
        private static void awaitAtMost(CountDownLatch latch) {
            try {
                boolean ignored = latch.await(1, TimeUnit.SECONDS);
            } catch (InterruptedException interrupted) {
                Thread.currentThread().interrupt();
            }
        }
    }

    /** Of greys, whose parts are decoded to where they belong; where colours are smoothed over rows they are decoded aside. */
    @Test
    @Timeout(60)
    void twoPartsThatFailAtOnceLeaveTheWholePicture() throws Exception {
        Path file = folder.resolve("picture.jpg");
        BufferedImage drawn = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_BYTE_GRAY);
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                drawn.getRaster().setSample(x, y, 0, (x * 3 + y) % 256);
            }
        }
        ImageIO.write(drawn, "jpg", file.toFile());
        RowIndex index =
                RowIndex.of(Pieces.FORMATS.examine(file).index().orElseThrow()).orElseThrow();
        TwoFailingParts failing = new TwoFailingParts();
        try (OpenedPicture whole = Pieces.FORMATS.open(file);
                Arena arena = Arena.ofShared();
                Raster raster = Raster.allocate(new PixelSize(WIDTH, HEIGHT), 1, 1)) {
            PartStream stream =
                    PartStream.of(FileBytes.whole(file, arena), index).orElseThrow();
            JpegRows rows = new JpegRows(stream, arena, raster, PixelLayout.ofChannels(1), false, Watch.NONE, failing);
            Thread first = Thread.ofPlatform().start(() -> rows.require(0, 1));
            failing.firstIsAtIt.await();
            rows.require(HEIGHT - 1, HEIGHT);
            failing.secondIsDone.countDown();
            first.join();
            assertThat(raster.samples().mismatch(whole.raster().samples())).isEqualTo(-1);
        }
    }
}
