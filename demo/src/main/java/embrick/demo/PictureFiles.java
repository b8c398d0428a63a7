package embrick.demo;

import embrick.core.colour.ColourPath;
import embrick.core.colour.ProfileRef;
import embrick.core.colour.Transform;
import embrick.core.framing.Framing;
import embrick.core.pixels.ColourModel;
import embrick.core.pixels.Orientation;
import embrick.core.pixels.Raster;
import embrick.core.plan.Plan;
import embrick.core.plan.Planner;
import embrick.core.plan.Planning;
import embrick.core.print.Printer;
import embrick.core.source.SourceFacts;
import embrick.core.source.SourceFacts.Alpha;
import embrick.core.source.SourceFacts.FileKind;
import embrick.core.source.SourceFacts.SourceColour;
import embrick.core.source.SourceFacts.SourceProfile;
import embrick.core.ticket.FileFormat;
import embrick.core.ticket.OutputColour;
import embrick.core.ticket.Size;
import embrick.core.ticket.Ticket;
import embrick.core.units.PixelSize;
import embrick.core.units.Resolution;
import embrick.formats.Formats;
import embrick.formats.icc.MatrixProfile;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.picture.DecodeLimits;
import embrick.formats.picture.FileTarget;
import embrick.formats.picture.PrintFile;
import java.awt.color.ICC_ColorSpace;
import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferUShort;
import java.awt.image.WritableRaster;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriter;
import javax.imageio.stream.FileImageOutputStream;
import javax.imageio.stream.ImageOutputStream;

/** Writes drawn pictures as the files that cameras, phones and scanners would have made of them. */
final class PictureFiles {
    private static final Formats FORMATS = new Formats(new ProfileShelf(), DecodeLimits.DEFAULT);

    private PictureFiles() {}

    /** A JPEG with a profile, marked with a ppi as cameras do, whether or not it means anything. */
    static void jpeg(BufferedImage picture, byte[] profile, int ppi, int quality, Path file) throws IOException {
        write(picture, ColourModel.RGB, profile, ppi, new FileFormat.Jpeg(quality), file);
    }

    static void greyJpeg(BufferedImage picture, Path file) throws IOException {
        write(picture, ColourModel.GREY, MatrixProfile.greyOfSrgbCurve(), 300, new FileFormat.Jpeg(92), file);
    }

    static void png(BufferedImage picture, int ppi, Path file) throws IOException {
        write(picture, ColourModel.RGB, MatrixProfile.srgb(), ppi, new FileFormat.Png(), file);
    }

    private static void write(
            BufferedImage picture, ColourModel model, byte[] profile, int ppi, FileFormat format, Path file)
            throws IOException {
        PixelSize size = new PixelSize(picture.getWidth(), picture.getHeight());
        SourceProfile embedded = FORMATS.profiles().add(profile, model).orElseThrow();
        SourceFacts facts = new SourceFacts(
                FileKind.PNG,
                size,
                Orientation.UPRIGHT,
                Optional.empty(),
                new SourceColour(model, Alpha.OPAQUE, 8, Optional.of(embedded)),
                0);
        Ticket ticket = Ticket.plain(new Size.OwnShape(), Resolution.perInch(ppi), format)
                .withColour(new OutputColour.Keep());
        Plan plan = ((Planning.Ready) Planner.plan(facts, ticket, Framing.centred())).plan();
        try (Raster raster = raster(picture, model);
                FileTarget target = FileTarget.create(file)) {
            FORMATS.write(Printer.print(plan, raster, FORMATS.profiles()), plan, target, PrintFile.Progress.none());
        }
    }

    private static Raster raster(BufferedImage picture, ColourModel model) {
        Raster raster = Raster.allocate(new PixelSize(picture.getWidth(), picture.getHeight()), model.channels(), 1);
        int[] row = new int[picture.getWidth()];
        long at = 0;
        for (int y = 0; y < picture.getHeight(); y++) {
            picture.getRGB(0, y, row.length, 1, row, 0, row.length);
            for (int rgb : row) {
                if (model == ColourModel.GREY) {
                    // Luma of ITU-R BT.709.
                    double luma = 0.2126 * (rgb >> 16 & 255) + 0.7152 * (rgb >> 8 & 255) + 0.0722 * (rgb & 255);
                    raster.samples().set(ValueLayout.JAVA_BYTE, at++, (byte) Math.round(luma));
                } else {
                    raster.samples().set(ValueLayout.JAVA_BYTE, at++, (byte) (rgb >> 16));
                    raster.samples().set(ValueLayout.JAVA_BYTE, at++, (byte) (rgb >> 8));
                    raster.samples().set(ValueLayout.JAVA_BYTE, at++, (byte) rgb);
                }
            }
        }
        return raster;
    }

    /** A 16-bit TIFF in a wide RGB: the drawn colours, converted. */
    static void deepTiff(BufferedImage picture, byte[] profile, Path file) throws IOException {
        SourceProfile embedded =
                FORMATS.profiles().add(profile, ColourModel.RGB).orElseThrow();
        Transform transform = FORMATS.profiles()
                .along(new ColourPath(new ProfileRef.Srgb(), new ProfileRef.Icc(embedded.digest(), ColourModel.RGB)));
        ComponentColorModel colours = new ComponentColorModel(
                new ICC_ColorSpace(ICC_Profile.getInstance(profile)),
                false,
                false,
                java.awt.Transparency.OPAQUE,
                DataBuffer.TYPE_USHORT);
        WritableRaster pixels = colours.createCompatibleWritableRaster(picture.getWidth(), picture.getHeight());
        short[] samples = ((DataBufferUShort) pixels.getDataBuffer()).getData();
        int[] row = new int[picture.getWidth()];
        float[] from = new float[row.length * 3];
        float[] to = new float[row.length * 3];
        for (int y = 0; y < picture.getHeight(); y++) {
            picture.getRGB(0, y, row.length, 1, row, 0, row.length);
            for (int x = 0; x < row.length; x++) {
                from[x * 3] = (row[x] >> 16 & 255) / 255f;
                from[x * 3 + 1] = (row[x] >> 8 & 255) / 255f;
                from[x * 3 + 2] = (row[x] & 255) / 255f;
            }
            transform.apply(from, 0, to, 0, row.length);
            for (int i = 0; i < to.length; i++) {
                samples[y * to.length + i] = (short) Math.round(to[i] * 65535);
            }
        }
        writeTiff(new BufferedImage(colours, pixels, false, null), file);
    }

    /** By the JDK's own writer: of those on the class path it is the one that writes 16 bits. */
    private static void writeTiff(BufferedImage picture, Path file) throws IOException {
        Iterator<ImageWriter> writers = ImageIO.getImageWritersByFormatName("tiff");
        while (writers.hasNext()) {
            ImageWriter writer = writers.next();
            if (writer.getClass().getModule().isNamed()) {
                try (ImageOutputStream out = new FileImageOutputStream(file.toFile())) {
                    writer.setOutput(out);
                    writer.write(picture);
                } finally {
                    writer.dispose();
                }
                return;
            }
        }
        throw new IOException("the JDK has no TIFF writer");
    }

    /** A PNG with see-through parts. */
    static void seeThroughPng(BufferedImage picture, Path file) throws IOException {
        if (!ImageIO.write(picture, "png", file.toFile())) {
            throw new IOException("no PNG writer for " + file);
        }
    }

    /** Takes out all profiles and Exif: a picture that passed through some web site. */
    static void strip(Path jpeg) throws IOException {
        byte[] bytes = Files.readAllBytes(jpeg);
        java.io.ByteArrayOutputStream kept = new java.io.ByteArrayOutputStream();
        kept.write(bytes, 0, 2);
        int at = 2;
        while ((bytes[at + 1] & 255) != 0xDA) {
            int length = 2 + ((bytes[at + 2] & 255) << 8 | (bytes[at + 3] & 255));
            int marker = bytes[at + 1] & 255;
            if (marker != 0xE1 && marker != 0xE2) {
                kept.write(bytes, at, length);
            }
            at += length;
        }
        kept.write(bytes, at, bytes.length - at);
        Files.write(jpeg, kept.toByteArray());
    }

    /** Sets the orientation tag of a JPEG whose Exif block has one. */
    static void tag(Path jpeg, int orientation) throws IOException {
        byte[] bytes = Files.readAllBytes(jpeg);
        for (int at = 0; at < 4096; at++) {
            // Tag 274, type SHORT, one value, big-endian.
            if (bytes[at] == 1 && bytes[at + 1] == 18 && bytes[at + 2] == 0 && bytes[at + 3] == 3) {
                bytes[at + 9] = (byte) orientation;
                Files.write(jpeg, bytes);
                return;
            }
        }
        throw new IOException("no orientation tag in " + jpeg);
    }
}
