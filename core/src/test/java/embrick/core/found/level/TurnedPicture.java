package embrick.core.found.level;

import embrick.core.found.SmallPixels;

/** A picture turned clockwise, cut to the largest part of its shape that has no corners. */
final class TurnedPicture {
    private TurnedPicture() {}

    static SmallPixels of(SmallPixels picture, double degrees) {
        double cos = Math.cos(Math.toRadians(degrees));
        double sin = Math.sin(Math.toRadians(degrees));
        double across = picture.width() * cos + picture.height() * Math.abs(sin);
        double down = picture.width() * Math.abs(sin) + picture.height() * cos;
        // Half of its pixels, so that reading between them softens nothing that is looked for.
        double scale = 0.7 * Math.min(picture.width() / across, picture.height() / down);
        int width = (int) (picture.width() * scale);
        int height = (int) (picture.height() * scale);
        float[][] planes = new float[SmallPixels.COLOURS][width * height];
        float[] sums = new float[SmallPixels.COLOURS];
        for (int i = 0; i < width * height; i++) {
            double x = (i % width + 0.5 - width / 2.0) / 0.7;
            double y = (Math.floorDiv(i, width) + 0.5 - height / 2.0) / 0.7;
            java.util.Arrays.fill(sums, 0);
            picture.addBetween(
                    picture.width() / 2.0 + x * cos + y * sin, picture.height() / 2.0 - x * sin + y * cos, sums);
            for (int c = 0; c < sums.length; c++) {
                planes[c][i] = sums[c];
            }
        }
        return new SmallPixels(width, height, planes);
    }
}
