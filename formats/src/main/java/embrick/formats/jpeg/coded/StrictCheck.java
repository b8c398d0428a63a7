package embrick.formats.jpeg.coded;

import embrick.formats.jpeg.coded.Frame.Component;
import embrick.formats.jpeg.coded.Scan.Part;
import embrick.formats.jpeg.coded.Scan.Wrong;
import java.lang.foreign.MemorySegment;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * Holds the coded data of a JPEG against ITU-T T.81, bit by bit, without making pixels of them.
 *
 * <p>A code of this kind finds its step again after damage: a decoder reads on, and what it shows is shifted or coloured
 * wrongly, often without anything that it would warn of. It does not see coefficients beyond the last of a block, means far
 * outside of what 8 bits can be, or up to seven bytes left over. These are looked for here, with whatever a decoder warns of:
 * codes that do not exist, restarts out of order, data that belong to nothing, scans that are missing, an end that is missing.
 * Damage within tables, and damage whose codes all could be, has no check in the format: it cannot be seen by anybody.
 */
public final class StrictCheck {
    private final MemorySegment file;
    private final Segments segments;
    private int scans;
    private Optional<RowIndex.Builder> index = Optional.empty();

    private StrictCheck(MemorySegment file) {
        this.file = file;
        this.segments = new Segments(file);
    }

    /**
     * What is wrong.
     *
     * @param what follows the picture's name
     * @param row of pixels from which on the picture is not to be trusted; empty where any part can be wrong
     */
    public record Finding(String what, OptionalInt row) {}

    /** What was found, and of a sound file in one sequential scan where its rows begin. */
    public record Walked(Optional<Finding> finding, Optional<RowIndex> rows) {}

    /** @param file a whole file, whose header was read */
    public static Optional<Finding> of(MemorySegment file) {
        return walked(file).finding();
    }

    /** @param file a whole file, whose header was read */
    public static Walked walked(MemorySegment file) {
        StrictCheck check = new StrictCheck(file);
        Optional<Finding> finding = check.find();
        Optional<RowIndex> rows = finding.isPresent() || check.scans > 1
                ? Optional.empty()
                : check.index.map(index -> index.finish(file.byteSize()));
        return new Walked(finding, rows);
    }

    private Optional<Finding> find() {
        try {
            return walk();
        } catch (DamagedCodeException damaged) {
            return Optional.of(new Finding(damaged.getMessage(), OptionalInt.empty()));
        } catch (IndexOutOfBoundsException cut) {
            return Optional.of(new Finding("is cut short inside its header", OptionalInt.empty()));
        }
    }

    private Optional<Finding> walk() throws DamagedCodeException {
        int marker = segments.nextMarker();
        while (marker != Segments.EOI) {
            if (marker == Segments.SOS) {
                Object ended = scan();
                if (ended instanceof Wrong wrong) {
                    // Scans of a progressive picture are laid over one another: only the whole can be right.
                    boolean isRowKnown = !segments.frame().progressive() && wrong.row() > 0;
                    return Optional.of(
                            new Finding(wrong.what(), isRowKnown ? OptionalInt.of(wrong.row()) : OptionalInt.empty()));
                }
                marker = (int) ended;
                if (marker == 0) {
                    return Optional.of(new Finding("is cut short: its end is missing", OptionalInt.empty()));
                }
            } else {
                if (!Segments.standsAlone(marker)) {
                    segments.segment(marker);
                }
                marker = segments.nextMarker();
            }
        }
        requireAllScanned();
        return Optional.empty();
    }

    private void requireAllScanned() throws DamagedCodeException {
        Frame frame = segments.frame();
        if (frame == null) {
            throw new DamagedCodeException("has no picture in it");
        }
        for (Component component : frame.components()) {
            if (!component.isScanned) {
                throw new DamagedCodeException("lacks a part of its colours");
            }
        }
    }

    private Object scan() throws DamagedCodeException {
        Segments.ScanHeader header = segments.scan();
        Frame frame = segments.frame();
        Part[] parts = header.parts();
        scans++;
        boolean isAll = !frame.progressive() && parts.length == frame.components().length;
        int rows = parts.length > 1 ? frame.groupsHigh() : parts[0].component().blocksHigh;
        index = isAll ? Optional.of(new RowIndex.Builder(header.begins(), rows, parts.length)) : Optional.empty();
        CodedBits bits = new CodedBits(file, header.begins());
        Object ended = new Scan(frame, parts, header.band(), bits, index).walk(segments.interval());
        segments.goOnAt(bits.position());
        return ended;
    }
}
