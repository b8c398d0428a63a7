package embrick.core.names;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import embrick.core.names.NameAllotment.Allotment;
import embrick.core.names.NameAllotment.Setting;
import embrick.core.names.NameAllotment.Wanted;
import embrick.core.problem.Problem;
import embrick.core.ticket.NamePattern;
import embrick.core.ticket.NamePattern.Brick;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class NameAllotmentTest {
    private static final Setting SETTING = new Setting("Kite Days", "Prints", "38mm", LocalDate.of(2026, 11, 25));
    private static final NamePattern ORIGINAL = new NamePattern(List.of(new Brick.OriginalName()));

    private static List<String> names(NamePattern pattern, String... originals) {
        return switch (allot(pattern, originals)) {
            case Allotment.Allotted allotted -> allotted.names();
            case Allotment.Refused refused ->
                throw new AssertionError(refused.problems().toString());
        };
    }

    private static Allotment allot(NamePattern pattern, String... originals) {
        List<Wanted> wanted = Arrays.stream(originals)
                .map(path -> new Wanted(path, "8x10in", "2400x3000", Optional.of("2026-08-14"), 3, "jpg"))
                .toList();
        return NameAllotment.allot(pattern, SETTING, wanted);
    }

    @Test
    void bricksAreLaidInOrder() {
        NamePattern pattern = new NamePattern(List.of(
                new Brick.JobName(),
                new Brick.TicketName(),
                new Brick.Date(),
                new Brick.RunningNumber(3),
                new Brick.Words(" - "),
                new Brick.OriginalName(),
                new Brick.SizeText()));
        assertThat(names(pattern, "a/arrivals.tif", "pier.png"))
                .containsExactly(
                        "Kite Days_Prints_2026-11-25_001 - arrivals_8x10in.jpg",
                        "Kite Days_Prints_2026-11-25_002 - pier_8x10in.jpg");
    }

    @Test
    void whatAPieceAndItsPictureAreCanBeSaid() {
        NamePattern pattern = new NamePattern(List.of(
                new Brick.PictureDate(),
                new Brick.PictureNumber(),
                new Brick.Pixels(),
                new Brick.BarDepth(),
                new Brick.Copies(),
                new Brick.RunningNumber(2, 99)));
        assertThat(names(pattern, "a/kite_0481.tif", "pier.png"))
                .containsExactly("2026-08-14_0481_2400x3000_38mm_3x_99.jpg", "2026-08-14_2400x3000_38mm_3x_100.jpg");
    }

    @Test
    void textOfTheOriginalsNameIsReplacedAndLettersAreMadeAlike() {
        NamePattern pattern = new NamePattern(
                List.of(new Brick.OriginalName(Optional.of(new NamePattern.Replacement("DSC_", "kite-")))),
                NamePattern.LetterCase.LOWER);
        assertThat(names(pattern, "DSC_0481.TIF", "Pier.png")).containsExactly("kite-0481.jpg", "pier.jpg");
    }

    @Test
    void namesThatMeetOnlyInSmallLettersAreKeptApart() {
        NamePattern pattern = new NamePattern(List.of(new Brick.OriginalName()), NamePattern.LetterCase.UPPER);
        assertThat(names(pattern, "Pier.png", "pIER.tif")).containsExactly("PIER.jpg", "PIER-2.jpg");
    }

    @Test
    void aReplacementCannotLeaveTheFolder() {
        NamePattern pattern =
                new NamePattern(List.of(new Brick.OriginalName(Optional.of(new NamePattern.Replacement("a", "../a")))));
        assertThat(allot(pattern, "a.jpg")).isInstanceOf(Allotment.Refused.class);
        assertThatThrownBy(() -> new NamePattern.Replacement("", "x")).hasMessageContaining("expected some, got none");
        assertThatThrownBy(() -> new Brick.RunningNumber(3, -1)).hasMessageContaining("first number: expected 0 to");
    }

    @Test
    void equalStemsOfDifferentSuffixAreKeptApart() {
        Allotment allotment = allot(ORIGINAL, "a.png", "a.jpg", "sub/A.JPG", "a-2.tif");
        assertThat(allotment).isInstanceOfSatisfying(Allotment.Allotted.class, allotted -> {
            assertThat(allotted.names()).containsExactly("a.jpg", "a-2.jpg", "A-3.jpg", "a-2-2.jpg");
            assertThat(allotted.notices()).hasSize(3);
            assertThat(allotted.notices().getFirst().text()).contains("a.jpg would also be a.jpg");
        });
    }

    private static final NamePattern IN_SUBFOLDERS = new NamePattern(
            List.of(new Brick.OriginalName()), NamePattern.LetterCase.AS_IT_IS, NamePattern.Subfolders.KEPT);

    @Test
    void subfoldersAreKeptWhereTheTicketSaysSo() {
        assertThat(names(IN_SUBFOLDERS, "a.png", "day 1/a.png", "day 1/pier/a.tif", "day 2/a.png"))
                .containsExactly("a.jpg", "day 1/a.jpg", "day 1/pier/a.jpg", "day 2/a.jpg");
    }

    /** What some file system takes for one folder or one name is kept apart, also a file beside a folder of its name. */
    @Test
    void namesInSubfoldersMeetOnlyInTheSameOne() {
        assertThat(names(IN_SUBFOLDERS, "Day/a.png", "day/A.tif", "con/a:b?/x.png", "pier.png", "pier.jpg/x.png"))
                .containsExactly("Day/a.jpg", "day/A-2.jpg", "_con/a-b-/x.jpg", "pier-2.jpg", "pier.jpg/x.jpg");
    }

    @Test
    void aSubfolderNeverClimbs() {
        assertThat(names(IN_SUBFOLDERS, "../x/a.png", "/etc/a.png", "a/../../b/c.png"))
                .containsExactly("picture/x/a.jpg", "etc/a.jpg", "a/picture/picture/b/c.jpg");
    }

    @Test
    void composedAndDecomposedLettersAreOneName() {
        assertThat(names(ORIGINAL, "Du\u0308ne.jpg", "D\u00fcne.png"))
                .containsExactly("D\u00fcne.jpg", "D\u00fcne-2.jpg");
    }

    @Test
    void noNameIsLongerThan255Bytes() {
        String longName = "\u98a8".repeat(120);
        List<String> names = names(ORIGINAL, longName + ".png", longName + ".jpg");
        assertThat(names)
                .doesNotHaveDuplicates()
                .allSatisfy(name ->
                        assertThat(name.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(255));
    }

    @ParameterizedTest
    @CsvSource({
        "con.jpg, _con.jpg",
        "NUL.x.png, _NUL.x.jpg",
        ".hidden.jpg, hidden.jpg",
        "a?b*c.png, a-b-c.jpg",
        "'trail. .png', trail.jpg",
        "....png, picture.jpg",
        // The same ports with ISO 8859-1's raised digits: Microsoft, "Naming Files, Paths, and Namespaces".
        "COM\u00b9.jpg, _COM\u00b9.jpg",
        "lpt\u00b3.txt.png, _lpt\u00b3.txt.jpg",
        "'con .jpg', '_con.jpg'",
        "CONOUT$.png, _CONOUT$.jpg",
        // Right-to-left override: shown, this name ends in "gpj.exe" turned round (Unicode TR 36, section 2.5).
        "kite\u202egpj.exe.png, kitegpj.exe.jpg",
        "\u2066kite\u2069\u200f.png, kite.jpg",
        "kite\u2028day.png, kiteday.jpg",
        "half\ud800.png, half-.jpg"
    })
    void becomesANameThatEverySystemStores(String original, String name) {
        assertThat(names(ORIGINAL, original)).containsExactly(name);
    }

    @ParameterizedTest
    @ValueSource(strings = {"../up", "a/b", "..\\up", "/etc", "bell\u0007"})
    void wordsThatLeaveTheFolderAreRefused(String words) {
        Allotment allotment = allot(new NamePattern(List.of(new Brick.Words(words))), "a.jpg");
        assertThat(allotment)
                .isInstanceOfSatisfying(
                        Allotment.Refused.class,
                        refused -> assertThat(refused.problems())
                                .extracting(Problem::code)
                                .containsExactly("name-leaves-folder"));
    }

    @Test
    void wordsOfDotsStayInTheFolder() {
        assertThat(names(new NamePattern(List.of(new Brick.Words(".."))), "a.jpg"))
                .containsExactly("picture.jpg");
    }

    @Test
    void thousandsOfEqualNamesAllDiffer() {
        String[] same = new String[3000];
        Arrays.setAll(same, i -> "folder" + i + "/kite.jpg");
        assertThat(names(ORIGINAL, same)).doesNotHaveDuplicates();
    }
}
