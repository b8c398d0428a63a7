package embrick.core.check;

import embrick.core.plan.PageLayout;
import embrick.core.plan.PageLayout.Box;
import embrick.core.plan.Plan;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.MarkedPpi;
import embrick.core.ticket.FileFormat;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a finished file must say of itself.
 *
 * @param ppi as the format encodes it: TIFF and Exif exactly, PNG to the whole pixel per metre; a page has its boxes instead
 * @param profileDigest SHA-256 of the ICC profile's bytes
 * @param page of a PDF
 */
public record Expectation(
        FileKind kind,
        PixelSize size,
        int bitsPerChannel,
        Optional<Resolution> ppi,
        String profileDigest,
        Optional<PageBoxes> page) {
    /** Boxes are written with five decimals; nobody cuts paper closer than a hundredth of a point, 3.5 µm. */
    private static final double POINTS_APART = 0.01;

    /** A page's boxes, and the place of its picture. */
    public record PageBoxes(Box media, Box bleed, Box trim, Box picture) {
        static PageBoxes of(PageLayout layout) {
            return new PageBoxes(layout.media(), layout.bleed(), layout.trim(), layout.picture());
        }
    }

    /**
     * @param profileDigest of the profile the plan's output carries
     */
    public static Expectation of(Plan plan, String profileDigest) {
        FileKind kind = switch (plan.file()) {
            case FileFormat.Jpeg _ -> FileKind.JPEG;
            case FileFormat.Tiff _ -> FileKind.TIFF;
            case FileFormat.Png _ -> FileKind.PNG;
            case FileFormat.Pdf _ -> FileKind.PDF;
            case FileFormat.Webp _ -> FileKind.WEBP;
            case FileFormat.AsItIs _ ->
                throw new IllegalArgumentException("file: expected one that is written, got the original's own");
        };
        Optional<PageBoxes> page =
                kind == FileKind.PDF ? Optional.of(PageBoxes.of(PageLayout.of(plan))) : Optional.empty();
        return new Expectation(
                kind, plan.total(), plan.bitsPerChannel(), encoded(kind, plan.marked()), profileDigest, page);
    }

    private static Optional<Resolution> encoded(FileKind kind, Resolution marked) {
        return switch (kind) {
            case PDF -> Optional.empty();
            case PNG -> Optional.of(Resolution.perMetre(marked.roundedPerMetre()));
            case JPEG, TIFF, HEIF, WEBP ->
                Optional.of(Resolution.perInch(
                        marked.perInchFraction().numerator(),
                        marked.perInchFraction().denominator()));
        };
    }

    /** All that differs; empty when the file is as planned. */
    public List<Difference> differences(SourceFacts found, Optional<PageBoxes> foundPage) {
        List<Difference> differences = new ArrayList<>();
        compare(differences, "file", kind, found.kind());
        compare(differences, "pixels", size, found.seen());
        compare(differences, "bits a channel", bitsPerChannel, found.colour().bitsPerChannel());
        compare(differences, "orientation", 1, found.orientation().tag());
        compare(differences, "ppi across", ppi, found.ppi().map(MarkedPpi::across));
        compare(differences, "ppi down", ppi, found.ppi().map(MarkedPpi::down));
        compare(
                differences,
                "profile",
                Optional.of(profileDigest),
                found.colour().profile().map(SourceFacts.SourceProfile::digest));
        page.ifPresent(wanted -> compare(differences, wanted, foundPage));
        return differences;
    }

    private static void compare(List<Difference> differences, PageBoxes wanted, Optional<PageBoxes> found) {
        if (found.isEmpty()) {
            differences.add(new Difference("page", "one with its boxes", "none"));
            return;
        }
        compare(differences, "media box", wanted.media(), found.get().media());
        compare(differences, "bleed box", wanted.bleed(), found.get().bleed());
        compare(differences, "trim box", wanted.trim(), found.get().trim());
        compare(differences, "picture's place", wanted.picture(), found.get().picture());
    }

    private static void compare(List<Difference> differences, String what, Box expected, Box found) {
        if (!(expected.apart(found) <= POINTS_APART)) {
            differences.add(new Difference(what, expected.toString(), found.toString()));
        }
    }

    private static void compare(List<Difference> differences, String what, Object expected, Object found) {
        if (!expected.equals(found)) {
            differences.add(new Difference(what, said(expected), said(found)));
        }
    }

    private static String said(Object value) {
        return value instanceof Optional<?> optional
                ? optional.map(Object::toString).orElse("none")
                : value.toString();
    }

    /** One thing in the file that is not as planned. */
    public record Difference(String what, String expected, String found) {
        @Override
        public String toString() {
            return what + ": expected " + expected + ", found " + found;
        }
    }
}
