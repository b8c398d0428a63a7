package embrick.formats.apart;

import embrick.core.pixels.Raster;
import embrick.formats.picture.Damage;
import embrick.formats.picture.Decoded;
import embrick.formats.picture.UnusablePictureException;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.util.Optional;

/** What goes through the pipe about pixels, which themselves lie in shared memory; and refusals. */
final class PictureAnswer {
    private PictureAnswer() {}

    static void write(Decoded decoded, DataOutputStream out) throws IOException {
        Raster raster = decoded.raster();
        out.writeInt(raster.stored().width());
        out.writeInt(raster.stored().height());
        out.writeByte(raster.channels());
        out.writeByte(raster.bytesPerSample());
        out.writeBoolean(decoded.damage().isPresent());
        if (decoded.damage().isPresent()) {
            Damage damage = decoded.damage().get();
            out.writeUTF(damage.code());
            out.writeUTF(damage.text());
            out.writeDouble(damage.begins());
        }
    }

    static Optional<Damage> readDamage(DataInputStream in) throws IOException {
        return in.readBoolean()
                ? Optional.of(new Damage(in.readUTF(), in.readUTF(), in.readDouble()))
                : Optional.empty();
    }

    static void write(UnusablePictureException refused, DataOutputStream out) throws IOException {
        out.writeUTF(refused.kind().name());
        out.writeUTF(refused.code());
        out.writeUTF(refused.getMessage());
        out.writeUTF(refused.remedy());
    }

    static UnusablePictureException readRefusal(DataInputStream in) throws IOException {
        return new UnusablePictureException(
                UnusablePictureException.Kind.valueOf(in.readUTF()), in.readUTF(), in.readUTF(), in.readUTF());
    }
}
