package embrick.formats;

import embrick.formats.apart.DecoderLoop;
import embrick.formats.binding.UnfitMachineException;
import embrick.formats.heif.HeifPictures;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.icc.ProfileStore;
import embrick.formats.picture.DecodeLimits;
import embrick.formats.picture.Decoded;
import embrick.formats.picture.RasterMemory;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;

/** A process that decodes: answers requests on its input until that ends. See {@link embrick.formats.apart.DecoderPool}. */
final class DecoderChild implements DecoderLoop.Decoder {
    private final Formats formats = new Formats(new ProfileShelf(ProfileStore.none()), DecodeLimits.DEFAULT);

    private DecoderChild() {}

    public static void main(String[] arguments) throws IOException {
        DecoderLoop.run(new DecoderChild());
    }

    @Override
    public void writeHeifHeader(Path file, DataOutputStream out) throws IOException {
        HeifPictures.writeHeader(file, out);
    }

    @Override
    public Decoded decode(Path file, int leastEdge, RasterMemory memory) throws IOException {
        return formats.decode(file, leastEdge, memory);
    }

    @Override
    public Optional<String> unfit(Throwable failed) {
        return UnfitMachineException.behind(failed).map(Throwable::getMessage);
    }
}
