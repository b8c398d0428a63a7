package embrick.server.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class DeliveryFoldersTest {
    @TempDir
    Path top;

    private Path lab;
    private DeliveryFolders folders;

    @BeforeEach
    void open() throws IOException {
        lab = Files.createDirectory(top.resolve("lab"));
        StorageSettings storage = StorageSettings.in(top.resolve("storage"));
        folders = new DeliveryFolders(
                new Storage(storage),
                new Roots(new RootSettings(List.of("lab=" + lab, "away=" + top + "/away")), storage));
    }

    private DeliveryPlace own(String job, String name) throws IOException {
        return folders.make(folders.ofJob(DeliveryPlace.own(""), job), name);
    }

    @Test
    void aFolderOfALongNameIsShortened() throws IOException {
        String name = "\u98a8".repeat(120);
        assertThat(folders.path(own(name, name))).isDirectory();
        assertThat(own(name, name).folder()).endsWith("-2");
    }

    @Test
    void eachDeliveryIsANewFolder() throws IOException {
        assertThat(own("Kite Days", "prints").folder()).isEqualTo("Kite Days/prints");
        assertThat(own("Kite Days", "prints").folder()).isEqualTo("Kite Days/prints-2");
        assertThat(own("Kite Days", "prints").folder()).isEqualTo("Kite Days/prints-3");
    }

    @ParameterizedTest
    @CsvSource({"../up, '../../etc'", "/, /", "'a/b', 'c:d'", "., .."})
    void namesThatClimbStayBelowDeliveries(String job, String name) throws IOException {
        for (DeliveryPlace within : List.of(DeliveryPlace.own(""), new DeliveryPlace("lab", ""))) {
            Path made = folders.path(folders.make(folders.ofJob(within, job), name));
            assertThat(made).isDirectory();
            assertThat(made.getParent().getParent())
                    .isEqualTo(within.root() == null ? top.resolve("storage/deliveries") : lab);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"../originals", "a/../../x", "/etc"})
    void aStoredFolderThatClimbsIsRefused(String folder) {
        for (String root : new String[] {null, "lab"}) {
            assertThatThrownBy(() -> folders.path(new DeliveryPlace(root, folder)))
                    .isInstanceOf(IllegalArgumentException.class);
        }
    }

    @Test
    void aLinkThatIsLaidIntoItsPathIsNotFollowedOutOfTheRoot() throws IOException {
        DeliveryPlace place = folders.make(new DeliveryPlace("lab", ""), "prints");
        assertThat(folders.isThere(place)).isTrue();
        Path folder = folders.path(place);
        Files.delete(folder.resolve(DeliveryFolders.MARK));
        Files.delete(folder);
        Files.createSymbolicLink(folder, Files.createDirectory(top.resolve("elsewhere")));
        assertThat(folders.isThere(place)).isFalse();
        assertThatThrownBy(() -> folders.require(place)).isInstanceOf(IOException.class);
    }

    @Test
    void oneThatNothingWasPutIntoIsTakenAwayAgainAndAUsedOneIsNot() throws IOException {
        DeliveryPlace empty = folders.make(new DeliveryPlace("lab", ""), "empty");
        DeliveryPlace used = folders.make(new DeliveryPlace("lab", ""), "used");
        Files.writeString(folders.path(used).resolve("kite.jpg"), "kite");
        folders.discardEmpty(empty);
        folders.discardEmpty(used);
        assertThat(folders.path(empty)).doesNotExist();
        assertThat(folders.path(used)).isDirectoryContaining("glob:**/kite.jpg");
        assertThat(lab).as("somebody else's").isDirectory();
    }

    /** A start that is refused after its place was chosen has made nothing. */
    @Test
    void aJobsFolderIsMadeWithItsFirstDeliveryAndGoesWithItsLast() throws IOException {
        DeliveryPlace ofJob = folders.ofJob(new DeliveryPlace("lab", ""), "Kite Days");
        assertThat(folders.path(ofJob)).doesNotExist();
        DeliveryPlace first = folders.make(ofJob, "prints");
        DeliveryPlace second = folders.make(ofJob, "prints");
        folders.discardEmpty(first);
        assertThat(folders.path(ofJob)).isDirectory();
        folders.discardEmpty(second);
        assertThat(lab).isEmptyDirectory();
    }

    @Test
    void anEmptyFolderThatEmbrickDidNotMakeStays() throws IOException {
        Files.createDirectory(lab.resolve("theirs"));
        folders.discardEmpty(folders.make(new DeliveryPlace("lab", "theirs"), "prints"));
        assertThat(lab.resolve("theirs")).isEmptyDirectory();
    }

    @Test
    void aFolderAboveAJobsThatIsGoneIsNotBegunAnew() throws IOException {
        Files.createDirectory(lab.resolve("week"));
        DeliveryPlace ofJob = folders.ofJob(new DeliveryPlace("lab", "week"), "Kite Days");
        Files.delete(lab.resolve("week"));
        assertThatThrownBy(() -> folders.make(ofJob, "prints")).isInstanceOf(NoSuchFileException.class);
        assertThat(lab.resolve("week")).doesNotExist();
    }

    @Test
    void aRootThatIsAwayOrUnknownIsTold() {
        assertThatThrownBy(() -> folders.ofJob(new DeliveryPlace("away", ""), "x"))
                .isInstanceOf(RootAwayException.class);
        assertThatThrownBy(() -> folders.make(new DeliveryPlace("unheard-of", ""), "x"))
                .isInstanceOf(RootUnknownException.class);
        assertThat(folders.shown(new DeliveryPlace("unheard-of", "x"))).isEqualTo("unheard-of/x");
    }
}
