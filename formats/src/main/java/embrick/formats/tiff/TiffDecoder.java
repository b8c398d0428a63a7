package embrick.formats.tiff;

import embrick.core.pixels.Raster;
import embrick.core.units.PixelSize;
import embrick.formats.bytes.DamagedDataException;
import embrick.formats.picture.Damage;
import embrick.formats.picture.Decoded;
import embrick.formats.picture.RasterMemory;
import embrick.formats.picture.UnusablePictureException;
import java.io.IOException;
import java.lang.foreign.MemorySegment;
import java.nio.file.Path;
import java.util.Optional;

/** Unpacks a TIFF through libtiff, row by row or tile by tile, into a raster. Only in a process of its own. */
final class TiffDecoder {
    private final LibTiff tiff;
    private final SampleLayout layout;
    private final PixelSize size;
    private final Raster raster;
    private final TiffSamples samples;
    /** The first row that is not to be trusted. */
    private int damagedFrom = Integer.MAX_VALUE;

    private TiffDecoder(LibTiff tiff, TiffHeader header, Raster raster) {
        this.tiff = tiff;
        this.layout = header.samples();
        this.size = header.size();
        this.raster = raster;
        this.samples = new TiffSamples(header.samples(), raster);
    }

    static Decoded decode(Path file, TiffHeader header, RasterMemory memory) throws IOException {
        header.samples().compression().requireUnpacked();
        try (LibTiff tiff = LibTiff.open(file, header.page())) {
            Raster raster = memory.allocate(
                    header.size(), header.samples().channels(), header.samples().bitsPerChannel() / 8);
            try {
                return new TiffDecoder(tiff, header, raster).decode();
            } catch (IOException | RuntimeException | Error failed) {
                raster.close();
                throw failed;
            }
        } catch (UnusablePictureException known) {
            throw known;
        } catch (DamagedDataException damaged) {
            throw UnusablePictureException.broken("damaged", "cannot be decoded: " + damaged.getMessage());
        }
    }

    private Decoded decode() throws IOException {
        if (layout.isMadeRgb()) {
            tiff.requireRgba();
            RgbaParts.read(tiff, size, samples, this::damaged);
        } else {
            if (layout.photometric() == Photometric.YCBCR) {
                tiff.wantRgb();
            }
            int planes = layout.planes() == SampleLayout.Planes.EACH ? layout.stored() : 1;
            for (int plane = 0; plane < planes; plane++) {
                if (tiff.isTiled()) {
                    readTiles(plane);
                } else {
                    readRows(plane);
                }
            }
        }
        samples.finish();
        return new Decoded(raster, damage());
    }

    /** What the library complains of is damage from that row on; all else in the row's strip may be shifted. */
    private void damaged(int row) {
        damagedFrom = Math.min(damagedFrom, row);
    }

    private Optional<Damage> damage() throws UnusablePictureException {
        String said = tiff.complaint();
        if (said.isEmpty() && damagedFrom == Integer.MAX_VALUE) {
            return Optional.empty();
        }
        if (damagedFrom == 0) {
            throw UnusablePictureException.broken("damaged", "cannot be decoded: " + said);
        }
        return Optional.of(
                damagedFrom == Integer.MAX_VALUE
                        ? Damage.anywhere("damaged", "is damaged inside (" + said + ")")
                        : Damage.fromRow(
                                "damaged", "is damaged or cut short (" + said + ")", damagedFrom, size.height()));
    }

    private void readRows(int plane) throws IOException {
        long rowBytes = tiff.rowBytes();
        requireRoom(rowBytes, size.width());
        boolean straight = layout.isAsStored() && rowBytes == raster.rowBytes();
        MemorySegment room = straight ? MemorySegment.NULL : tiff.room(rowBytes);
        for (int y = straight ? readStrips(plane, rowBytes) : 0; y < size.height(); y++) {
            MemorySegment into = straight ? raster.samples().asSlice(y * rowBytes, rowBytes) : room;
            boolean whole = tiff.row(y, plane, into);
            if (!whole || !tiff.complaint().isEmpty()) {
                damaged(y);
            }
            if (!whole) {
                return;
            }
            if (!straight) {
                samples.put(room, 0, 0, y, size.width(), plane);
            }
        }
    }

    /**
     * Unpacks whole strips to where they belong, which is several times as quick as row by row.
     *
     * @return the first row that is not read: a strip with which something is wrong is left to be read by rows, which tell how
     *     far it is sound
     */
    private int readStrips(int plane, long rowBytes) {
        long asked = tiff.rowsPerStrip();
        int rows = asked < 1 || asked > size.height() ? size.height() : (int) asked;
        int strips = Math.ceilDiv(size.height(), rows);
        for (int strip = 0; strip < strips; strip++) {
            int y = strip * rows;
            int count = Math.min(rows, size.height() - y);
            MemorySegment into = raster.samples().asSlice(y * rowBytes, count * rowBytes);
            if (!tiff.strip(plane * strips + strip, into) || !tiff.complaint().isEmpty()) {
                tiff.forgetComplaint();
                return y;
            }
        }
        return size.height();
    }

    private void readTiles(int plane) throws IOException {
        TileGrid grid = TileGrid.of(tiff, layout, size);
        MemorySegment room = tiff.room(tiff.tileBytes());
        for (int y = 0; y < size.height(); y += grid.height()) {
            for (int x = 0; x < size.width(); x += grid.width()) {
                room.fill((byte) 0);
                if (!tiff.tile(x, y, plane, room) || !tiff.complaint().isEmpty()) {
                    damaged(y);
                }
                int count = Math.min(grid.width(), size.width() - x);
                for (int row = 0; row < Math.min(grid.height(), size.height() - y); row++) {
                    samples.put(room, row * grid.rowBytes(), x, y + row, count, plane);
                }
            }
        }
    }

    /** A row must hold the samples that are read out of it. */
    private void requireRoom(long rowBytes, int pixels) throws IOException {
        long needed = Math.ceilDiv(
                (long) pixels * TileGrid.perPixel(layout) * layout.depth().bits(), 8);
        if (rowBytes < needed) {
            throw new DamagedDataException("promises rows of " + needed + " bytes and holds " + rowBytes);
        }
    }
}
