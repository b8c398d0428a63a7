package embrick.core.paper;

import embrick.core.units.Length;
import embrick.core.units.LengthUnit;
import java.util.ArrayList;
import java.util.List;

/** The named papers on offer. Free sizes need no entry here: a {@link PaperSize} can be any two lengths. */
public final class PaperCatalogue {
    /** A paper with the name the trade gives it. */
    public record NamedPaper(String name, Group group, PaperSize size) {}

    /** How the list is parted. */
    public enum Group {
        /** Photo papers named by their inches. Common practice, no source. */
        PHOTO_INCH,
        /** Photo papers named by their centimetres. Common practice, no source. */
        PHOTO_METRIC,
        SQUARE,
        PANORAMA,
        /** ISO 216, A series. */
        ISO_A,
        /** ISO 216, B series. */
        ISO_B
    }

    /** ISO 216: A0 is 841 × 1189 mm, each next halves the long side, rounded down to the millimetre. */
    private static final int[] ISO_A0 = {841, 1189};
    /** ISO 216: B0 is 1000 × 1414 mm. */
    private static final int[] ISO_B0 = {1000, 1414};

    private static final List<NamedPaper> ALL = build();

    private PaperCatalogue() {}

    public static List<NamedPaper> all() {
        return ALL;
    }

    private static List<NamedPaper> build() {
        List<NamedPaper> papers = new ArrayList<>();
        String[][] photo = {
            {"3.5", "5"},
            {"4", "6"},
            {"5", "7"},
            {"6", "8"},
            {"8", "10"},
            {"8", "12"},
            {"8.5", "11"},
            {"10", "12"},
            {"10", "15"},
            {"11", "14"},
            {"11", "15"},
            {"12", "16"},
            {"12", "18"},
            {"16", "20"},
            {"16", "24"},
            {"20", "24"},
            {"20", "30"},
            {"24", "30"},
            {"24", "36"},
            {"30", "40"}
        };
        int[][] photoMetric = {{9, 13}, {10, 15}, {13, 18}, {15, 20}, {20, 30}, {30, 40}, {30, 45}, {40, 60}, {50, 70}};
        String[][] square = {{"4", "4"}, {"5", "5"}, {"8", "8"}, {"10", "10"}, {"12", "12"}, {"16", "16"}, {"20", "20"}
        };
        String[][] panorama = {{"4", "10"}, {"5", "15"}, {"6", "12"}, {"6", "18"}, {"8", "24"}, {"12", "36"}};
        addInches(papers, Group.PHOTO_INCH, photo);
        addCentimetres(papers, photoMetric);
        addInches(papers, Group.SQUARE, square);
        addInches(papers, Group.PANORAMA, panorama);
        addIso(papers, Group.ISO_A, "A", ISO_A0);
        addIso(papers, Group.ISO_B, "B", ISO_B0);
        return List.copyOf(papers);
    }

    private static void addInches(List<NamedPaper> papers, Group group, String[][] sizes) {
        for (String[] size : sizes) {
            papers.add(new NamedPaper(
                    size[0] + " × " + size[1] + " in",
                    group,
                    new PaperSize(Length.inches(size[0]), Length.inches(size[1]))));
        }
    }

    private static void addCentimetres(List<NamedPaper> papers, int[][] sizes) {
        for (int[] size : sizes) {
            papers.add(new NamedPaper(
                    size[0] + " × " + size[1] + " cm",
                    Group.PHOTO_METRIC,
                    new PaperSize(Length.of(size[0], LengthUnit.CM), Length.of(size[1], LengthUnit.CM))));
        }
    }

    private static void addIso(List<NamedPaper> papers, Group group, String letter, int[] zero) {
        int shortSide = zero[0];
        int longSide = zero[1];
        for (int number = 0; number <= 10; number++) {
            papers.add(new NamedPaper(
                    letter + number,
                    group,
                    new PaperSize(Length.of(shortSide, LengthUnit.MM), Length.of(longSide, LengthUnit.MM))));
            int half = longSide / 2;
            longSide = shortSide;
            shortSide = half;
        }
    }
}
