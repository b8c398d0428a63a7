package embrick.core.plan;

import embrick.core.pixels.Orientation;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.ticket.FileFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Whether pixels that a plan keeps are still the same in its file, and if not, why: what converting alone has to say. */
final class KeptPixels {
    private KeptPixels() {}

    /** Empty where no pixel is changed, and where the plan makes new ones anyway. */
    static Optional<Notice> notice(SourceFacts facts, Plan plan) {
        if (!plan.keepsPixels() || plan.sharpening().isPresent()) {
            return Optional.empty();
        }
        List<String> changes = new ArrayList<>();
        if (!plan.colour().from().equals(plan.colour().to())) {
            changes.add("colours are converted");
        }
        if (facts.colour().bitsPerChannel() > plan.bitsPerChannel()) {
            changes.add(facts.colour().bitsPerChannel() + " bits a channel become " + plan.bitsPerChannel());
        }
        if (facts.colour().alpha() == Alpha.SEE_THROUGH) {
            changes.add("see-through parts become paper");
        }
        if (keepsItsCode(facts, plan)) {
            return Optional.of(new Notice(
                    "code-kept",
                    "no pixel changes, so the JPEG keeps its compressed data: the ticket's quality and colour detail have no effect"
                            + " unless it recompresses"));
        }
        quality(plan.file()).ifPresent(quality -> changes.add("the picture is recompressed at quality " + quality));
        return changes.isEmpty()
                ? Optional.empty()
                : Optional.of(new Notice("pixels-change", String.join("; ", changes)));
    }

    /** Of a compression that loses something. */
    private static Optional<Integer> quality(FileFormat file) {
        return switch (file) {
            case FileFormat.Jpeg jpeg -> Optional.of(jpeg.quality());
            case FileFormat.Webp webp -> webp.quality();
            case FileFormat.Pdf pdf ->
                pdf.pixels() instanceof FileFormat.PagePixels.Coded coded
                        ? Optional.of(coded.jpeg().quality())
                        : Optional.empty();
            case FileFormat.Tiff _, FileFormat.Png _, FileFormat.AsItIs _ -> Optional.empty();
        };
    }

    /** A whole JPEG that lies as it is seen, and is small enough, goes over as it was coded. */
    static boolean keepsItsCode(SourceFacts facts, Plan plan) {
        return facts.kind() == FileKind.JPEG
                && plan.keepsPixels()
                && plan.sharpening().isEmpty()
                && plan.file() instanceof FileFormat.Jpeg jpeg
                && jpeg.compressed() == FileFormat.Compressed.IF_CHANGED
                && facts.fileBytes() <= jpeg.mostBytes().orElse(Long.MAX_VALUE)
                && plan.window().seenAs() == Orientation.UPRIGHT
                && plan.total().equals(facts.stored())
                && plan.colour().from().equals(plan.colour().to());
    }
}
