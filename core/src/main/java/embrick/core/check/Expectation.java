package embrick.core.check;

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
 * @param ppi as the format encodes it: TIFF and Exif exactly, PNG to the whole pixel per metre
 * @param profileDigest SHA-256 of the ICC profile's bytes
 */
public record Expectation(FileKind kind, PixelSize size, int bitsPerChannel, Resolution ppi, String profileDigest) {
    /**
     * @param profileDigest of the profile the plan's output carries
     */
    public static Expectation of(Plan plan, String profileDigest) {
        FileKind kind = switch (plan.file()) {
            case FileFormat.Jpeg _ -> FileKind.JPEG;
            case FileFormat.Tiff _ -> FileKind.TIFF;
            case FileFormat.Png _ -> FileKind.PNG;
        };
        Resolution encoded = kind == FileKind.PNG
                ? Resolution.perMetre(plan.marked().roundedPerMetre())
                : Resolution.perInch(
                        plan.marked().perInchFraction().numerator(),
                        plan.marked().perInchFraction().denominator());
        return new Expectation(kind, plan.sheet(), plan.bitsPerChannel(), encoded, profileDigest);
    }

    /** All that differs; empty when the file is as planned. */
    public List<Difference> differences(SourceFacts found) {
        List<Difference> differences = new ArrayList<>();
        compare(differences, "file", kind, found.kind());
        compare(differences, "pixels", size, found.seen());
        compare(differences, "bits a channel", bitsPerChannel, found.colour().bitsPerChannel());
        compare(differences, "orientation", 1, found.orientation().tag());
        compare(differences, "ppi across", Optional.of(ppi), found.ppi().map(MarkedPpi::across));
        compare(differences, "ppi down", Optional.of(ppi), found.ppi().map(MarkedPpi::down));
        compare(
                differences,
                "profile",
                Optional.of(profileDigest),
                found.colour().profile().map(SourceFacts.EmbeddedProfile::digest));
        return differences;
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
