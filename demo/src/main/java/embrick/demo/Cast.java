package embrick.demo;

import embrick.formats.icc.MatrixProfile;
import java.awt.AlphaComposite;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Set;

/** The pictures of the demo job: what the work meets, sound and not. */
final class Cast {
    private Cast() {}

    /** Makes one file. */
    interface Part {
        void write(Path file) throws IOException;
    }

    record Member(String path, Part part) {}

    static List<Member> all() {
        return List.of(
                camera("arrivals.jpg", 11, Mood.NOON, 6000, 4000, 0, 3),
                camera("long-tail.jpg", 12, Mood.EVENING, 4000, 6000, 0, 3),
                new Member(
                        "slack-line.tif",
                        file -> PictureFiles.deepTiff(
                                new Scene(13, Mood.NOON, 4200, 2800, 2.4, 5).draw(), MatrixProfile.romm(), file)),
                new Member("pier-download.jpg", file -> {
                    PictureFiles.jpeg(
                            new Scene(14, Mood.OVERCAST, 960, 960, 0, 3).draw(), MatrixProfile.srgb(), 72, 82, file);
                    PictureFiles.strip(file);
                }),
                new Member(
                        "video-0412.png",
                        file -> PictureFiles.png(new Scene(15, Mood.EVENING, 1920, 1080, 0, 4).draw(), 96, file)),
                camera("tide-mirror.jpg", 16, Mood.OVERCAST, 4200, 2800, 0, 4),
                camera("two-boxes.jpg", 17, Mood.NOON, 4104, 2736, 0, 2),
                new Member("children.jpg", file -> {
                    // Held upright: stored lying, with the tag that says so.
                    BufferedImage upright = new Scene(18, Mood.NOON, 2736, 4104, 0, 2).draw();
                    PictureFiles.jpeg(lying(upright), MatrixProfile.srgb(), 72, 93, file);
                    PictureFiles.tag(file, 6);
                }),
                camera("low-sun.jpg", 19, Mood.EVENING, 4200, 2800, 0, 3),
                camera("nine-kites.jpg", 20, Mood.NOON, 4200, 2800, 0, 9),
                camera("dune-walk.jpg", 21, Mood.EVENING, 5400, 2160, 0, 4),
                camera("red-delta.jpg", 22, Mood.NOON, 4200, 2800, 0, 2),
                camera("saltmere-square.jpg", 23, Mood.MORNING, 3200, 3200, 0, 3),
                new Member("flatbed-0007.png", Cast::flatbed),
                new Member(
                        "grey-morning.jpg",
                        file -> PictureFiles.greyJpeg(new Scene(25, Mood.OVERCAST, 3600, 2400, 0, 4).draw(), file)),
                new Member("kite-cutout.png", Cast::cutout),
                new Member(
                        "wide-colours.jpg",
                        file -> PictureFiles.jpeg(
                                new Scene(27, Mood.NOON, 3900, 2600, 0, 6).draw(),
                                MatrixProfile.opRgb(),
                                300,
                                94,
                                file)),
                camera("day-two/arrivals.jpg", 31, Mood.MORNING, 3600, 2400, 0, 4),
                camera("day-two/crosswind.jpg", 32, Mood.OVERCAST, 3600, 2400, -1.6, 5),
                camera("day-two/evening-lines.jpg", 33, Mood.EVENING, 2400, 3600, 0, 2),
                camera("day-two/harbour-wall.jpg", 34, Mood.NOON, 3600, 2400, 0, 3),
                camera("day-two/ribbon.jpg", 35, Mood.MORNING, 2400, 3600, 0, 3),
                camera("day-two/sand-mirror.jpg", 36, Mood.EVENING, 3600, 2400, 0, 2),
                camera("day-two/storm-front.jpg", 37, Mood.OVERCAST, 3900, 2600, 0, 1),
                camera("day-two/last-flight.jpg", 38, Mood.EVENING, 3600, 2700, 0, 6),
                new Member("scan-0031.jpg", file -> {
                    PictureFiles.jpeg(
                            new Scene(41, Mood.MORNING, 3000, 2000, 0, 3).draw(), MatrixProfile.srgb(), 300, 95, file);
                    byte[] whole = Files.readAllBytes(file);
                    Files.write(file, Arrays.copyOf(whole, whole.length * 3 / 10));
                }),
                text("shot-list.jpg", "Windrose Kite Days, day two\n1 arrivals\n2 crosswind\n"),
                new Member(
                        "pier-walk.mp4",
                        file -> Files.write(file, new byte[] {
                            0, 0, 0, 24, 'f', 't', 'y', 'p', 'i', 's', 'o', 'm', 0, 0, 2, 0, 'i', 's', 'o', 'm', 'm',
                            'p', '4', '1'
                        })),
                new Member("empty-0002.jpg", file -> Files.write(file, new byte[0])));
    }

    /** Camera pictures that meet nothing another one does not meet. */
    private static final Set<String> MORE_OF_THE_SAME = Set.of(
            "two-boxes.jpg",
            "low-sun.jpg",
            "nine-kites.jpg",
            "red-delta.jpg",
            "day-two/evening-lines.jpg",
            "day-two/harbour-wall.jpg",
            "day-two/ribbon.jpg",
            "day-two/sand-mirror.jpg",
            "day-two/storm-front.jpg",
            "day-two/last-flight.jpg");

    /** One of each kind, for tests. */
    static List<Member> oneOfEach() {
        return all().stream()
                .filter(member -> !MORE_OF_THE_SAME.contains(member.path()))
                .toList();
    }

    private static Member camera(String path, long seed, Mood mood, int width, int height, double tilt, int kites) {
        return new Member(
                path,
                file -> PictureFiles.jpeg(
                        new Scene(seed, mood, width, height, tilt, kites).draw(), MatrixProfile.srgb(), 300, 93, file));
    }

    private static Member text(String path, String words) {
        return new Member(path, file -> Files.write(file, words.getBytes(StandardCharsets.UTF_8)));
    }

    /** A quarter turn to the left, as the sensor stores a picture taken upright. */
    private static BufferedImage lying(BufferedImage upright) {
        BufferedImage stored = new BufferedImage(upright.getHeight(), upright.getWidth(), BufferedImage.TYPE_INT_RGB);
        Graphics2D on = stored.createGraphics();
        on.translate(0, stored.getHeight());
        on.rotate(-Math.PI / 2);
        on.drawImage(upright, 0, 0, null);
        on.dispose();
        return stored;
    }

    /** A print on a flatbed, lying a little crooked in the lid's white. */
    private static void flatbed(Path file) throws IOException {
        BufferedImage print = new Scene(24, Mood.MORNING, 2100, 1500, 0, 3).draw();
        BufferedImage scan = new BufferedImage(2550, 1950, BufferedImage.TYPE_INT_RGB);
        Graphics2D on = scan.createGraphics();
        on.setColor(new Color(247, 247, 245));
        on.fillRect(0, 0, scan.getWidth(), scan.getHeight());
        on.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        on.rotate(Math.toRadians(1.7), 1275, 975);
        on.drawImage(print, 210, 205, null);
        on.dispose();
        PictureFiles.png(scan, 300, file);
    }

    private static void cutout(Path file) throws IOException {
        BufferedImage picture = new BufferedImage(1800, 1800, BufferedImage.TYPE_INT_ARGB);
        Graphics2D on = picture.createGraphics();
        on.setComposite(AlphaComposite.Clear);
        on.fillRect(0, 0, 1800, 1800);
        on.setComposite(AlphaComposite.SrcOver);
        on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        new Kites(on, 26, 1800, 1800, 0.9f).fly(0.5, 0.4, 0.3);
        on.dispose();
        PictureFiles.seeThroughPng(picture, file);
    }
}
