package embrick.formats.icc;

import embrick.core.colour.Intent;
import embrick.core.colour.ToneCurve;
import embrick.core.colour.Xyz;
import embrick.core.colour.chain.Affine;
import embrick.core.colour.chain.Curves;
import embrick.core.colour.chain.RootCurves;
import embrick.core.colour.chain.Step;
import embrick.core.pixels.ColourModel;
import embrick.formats.icc.CurveElement.Curve;
import embrick.formats.icc.IccProfile.Connection;
import embrick.formats.icc.LutElement.Direction;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A profile's own tables, curves and colourants as steps between its device and the connection space (ICC.1:2022, 8.10.2:
 * which tag goes before which).
 */
final class ProfileSteps {
    private static final String[] RGB = {"r", "g", "b"};
    /** How far a curve's ends may lie from 0 and 1: a count of 16 bits. */
    private static final double NEAR = 1.0 / 65535;

    private ProfileSteps() {}

    /** @param connection what they give or take, as it is */
    record Side(List<Step> steps, Connection connection) {}

    /** From device to colour; empty where the profile says it in a way that is not read here. */
    static Optional<Side> toColour(IccProfile profile, Intent intent) throws UnusableProfileException {
        if (hasFloats(profile, "D2B")) {
            return Optional.empty();
        }
        Optional<String> tag = tableTag(profile, "A2B", intent);
        if (tag.isPresent()) {
            return Optional.of(table(profile, tag.get(), Direction.TO_COLOUR));
        }
        return switch (profile.model()) {
            case GREY -> greyToColour(profile);
            case RGB -> rgbToColour(profile);
            case CMYK -> Optional.empty();
        };
    }

    /** From colour to device. */
    static Optional<Side> toDevice(IccProfile profile, Intent intent) throws UnusableProfileException {
        if (hasFloats(profile, "B2D")) {
            return Optional.empty();
        }
        Optional<String> tag = tableTag(profile, "B2A", intent);
        if (tag.isPresent()) {
            return Optional.of(table(profile, tag.get(), Direction.TO_DEVICE));
        }
        return switch (profile.model()) {
            case GREY -> colourToGrey(profile);
            case RGB -> colourToRgb(profile);
            case CMYK -> Optional.empty();
        };
    }

    private static boolean hasFloats(IccProfile profile, String stem) {
        for (Intent intent : Intent.values()) {
            if (profile.has(stem + intent.number())) {
                return true;
            }
        }
        return false;
    }

    private static Optional<String> tableTag(IccProfile profile, String stem, Intent intent) {
        int number = intent == Intent.ABSOLUTE ? Intent.RELATIVE.number() : intent.number();
        return Optional.of(stem + number)
                .filter(profile::has)
                .or(() -> Optional.of(stem + "0").filter(profile::has));
    }

    private static Side table(IccProfile profile, String tag, Direction direction) throws UnusableProfileException {
        ByteBuffer element = profile.element(tag).orElseThrow();
        return new Side(
                LutElement.read(
                        tag,
                        element,
                        profile.connection(),
                        direction,
                        profile.model().channels()),
                profile.connection());
    }

    private static Optional<Curve> curve(IccProfile profile, String tag) throws UnusableProfileException {
        Optional<ByteBuffer> element = profile.element(tag);
        return element.isEmpty()
                ? Optional.empty()
                : Optional.of(IccProfile.within(tag, () -> CurveElement.read(element.get(), 0)));
    }

    private static Optional<Side> greyToColour(IccProfile profile) throws UnusableProfileException {
        Optional<Curve> curve = curve(profile, "kTRC");
        if (curve.isEmpty() || profile.connection() != Connection.XYZ) {
            return Optional.empty();
        }
        return Optional.of(new Side(
                List.of(new Curves(new float[][] {floats(curve.get().values())}), new Affine(new double[][] {
                    {Xyz.D50.x()}, {Xyz.D50.y()}, {Xyz.D50.z()}
                })),
                Connection.XYZ));
    }

    private static Optional<Side> colourToGrey(IccProfile profile) throws UnusableProfileException {
        Optional<float[]> back = curve(profile, "kTRC").flatMap(ProfileSteps::backTable);
        if (back.isEmpty() || profile.connection() != Connection.XYZ) {
            return Optional.empty();
        }
        return Optional.of(new Side(
                List.of(new Affine(new double[][] {{0, 1, 0}}), new RootCurves(new float[][] {back.get()})),
                Connection.XYZ));
    }

    private static Optional<Side> rgbToColour(IccProfile profile) throws UnusableProfileException {
        Optional<double[][]> colourants = colourants(profile);
        Optional<List<Curve>> curves = curves(profile);
        if (colourants.isEmpty() || curves.isEmpty()) {
            return Optional.empty();
        }
        float[][] tables =
                curves.get().stream().map(curve -> floats(curve.values())).toArray(float[][]::new);
        return Optional.of(new Side(List.of(new Curves(tables), new Affine(colourants.get())), Connection.XYZ));
    }

    private static Optional<Side> colourToRgb(IccProfile profile) throws UnusableProfileException {
        Optional<double[][]> colourants = colourants(profile);
        Optional<List<Curve>> curves = curves(profile);
        if (colourants.isEmpty() || curves.isEmpty()) {
            return Optional.empty();
        }
        List<float[]> tables = new ArrayList<>();
        for (Curve curve : curves.get()) {
            Optional<float[]> back = backTable(curve);
            if (back.isEmpty()) {
                return Optional.empty();
            }
            tables.add(back.get());
        }
        return Optional.of(new Side(
                List.of(new Affine(Matrix3.inverse(colourants.get())), new RootCurves(tables.toArray(float[][]::new))),
                Connection.XYZ));
    }

    /** Rows X, Y, Z; columns red, green, blue. */
    private static Optional<double[][]> colourants(IccProfile profile) {
        double[][] columns = new double[3][3];
        for (int channel = 0; channel < 3; channel++) {
            Optional<Xyz> xyz = profile.xyz(RGB[channel] + "XYZ");
            if (xyz.isEmpty()) {
                return Optional.empty();
            }
            columns[0][channel] = xyz.get().x();
            columns[1][channel] = xyz.get().y();
            columns[2][channel] = xyz.get().z();
        }
        return Optional.of(columns);
    }

    private static Optional<List<Curve>> curves(IccProfile profile) throws UnusableProfileException {
        List<Curve> curves = new ArrayList<>();
        for (String channel : RGB) {
            Optional<Curve> curve = curve(profile, channel + "TRC");
            if (curve.isEmpty()) {
                return Optional.empty();
            }
            curves.add(curve.get());
        }
        return Optional.of(curves);
    }

    /** Empty for curves that fall, or whose ends are not black and white. */
    private static Optional<float[]> backTable(Curve curve) {
        double[] values = curve.values();
        if (Math.abs(values[0]) > NEAR || Math.abs(values[values.length - 1] - 1) > NEAR) {
            return Optional.empty();
        }
        try {
            return Optional.of(ToneCurve.through(values).backTable());
        } catch (IllegalArgumentException falling) {
            return Optional.empty();
        }
    }

    private static float[] floats(double[] values) {
        float[] floats = new float[values.length];
        for (int i = 0; i < values.length; i++) {
            floats[i] = (float) values[i];
        }
        return floats;
    }

    /** Whether colours can be sent to it: from tables or curves; inputs and spaces may lack the way back. */
    static boolean canBeTarget(IccProfile profile) {
        boolean isOfTables = profile.model() == ColourModel.CMYK || profile.has("A2B0");
        return !isOfTables || profile.has("B2A0");
    }
}
