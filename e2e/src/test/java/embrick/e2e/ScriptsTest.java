package embrick.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.testing.Await;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

/** The parts of ./embrick, each tried on a home of its own; a small program stands in for the application. */
@Timeout(120)
class ScriptsTest {
    private static final Path ROOT = Path.of("").toAbsolutePath().getParent();

    @TempDir
    Path temporary;

    private Path home;
    private final List<Process> foreign = new ArrayList<>();

    private record Said(int code, String text) {}

    /** Commands at work, and where what they say is kept. */
    private record Begun(Process process, Path said) {}

    @BeforeEach
    void aHomeThatOthersMayEnter() throws IOException {
        Files.setPosixFilePermissions(temporary, PosixFilePermissions.fromString("rwxr-xr-x"));
        home = Files.createDirectory(temporary.resolve("home"));
    }

    @AfterEach
    void endAll() throws Exception {
        bash("end_process supervisor 20; end_process application 20; stop_postgres");
        foreign.forEach(Process::destroyForcibly);
    }

    /** Runs commands with all of the scripts' functions at hand. */
    private Said bash(String commands) throws IOException, InterruptedException {
        return bash(commands, Map.of());
    }

    private Said bash(String commands, Map<String, String> environment) throws IOException, InterruptedException {
        return finished(begin(commands, environment));
    }

    private Begun begin(String commands, Map<String, String> environment) throws IOException {
        String all = "set -euo pipefail; ROOT='" + ROOT + "'; HOME_DIR='" + home
                + "'; PORT=${EMBRICK_PORT:-1}; cd \"$ROOT\"\n"
                + "for part in common process packages postgres application standins; do . scripts/$part.sh; done\n"
                + commands;
        ProcessBuilder builder = new ProcessBuilder("bash", "-c", all).redirectErrorStream(true);
        builder.environment().put("JAVA_HOME", System.getProperty("java.home"));
        builder.environment().put("LC_ALL", "C.UTF-8");
        builder.environment().putAll(environment);
        Path said = Files.createTempFile(temporary, "said", ".txt");
        return new Begun(builder.redirectOutput(said.toFile()).start(), said);
    }

    private static Said finished(Begun begun) throws IOException, InterruptedException {
        assertThat(begun.process().waitFor(100, TimeUnit.SECONDS)).isTrue();
        return new Said(begun.process().exitValue(), Files.readString(begun.said()));
    }

    /** A program that has nothing to do with Embrick. */
    private Process somebodyElse() throws IOException {
        Process process = new ProcessBuilder("sleep", "300").start();
        foreign.add(process);
        return process;
    }

    private long noted(String file) {
        try {
            String text = Files.exists(home.resolve(file))
                    ? Files.readString(home.resolve(file)).strip()
                    : "";
            return text.isEmpty() ? 0 : Long.parseLong(text);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private List<String> starts() {
        try {
            return Files.exists(home.resolve("starts")) ? Files.readAllLines(home.resolve("starts")) : List.of();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    @Test
    void aStalePidFileEndsNobodyElse() throws Exception {
        Process other = somebodyElse();
        for (String name : List.of("supervisor", "application")) {
            Files.writeString(home.resolve(name + ".pid"), other.pid() + "\n");
            Files.writeString(home.resolve(name + ".began"), "12345\n");
        }
        assertThat(bash("running application").code()).isEqualTo(1);
        assertThat(bash("stop_all").code()).isZero();
        // As earlier versions left it: no beginning at all.
        Files.writeString(home.resolve("application.pid"), other.pid() + "\n");
        assertThat(bash("stop_all").code()).isZero();
        assertThat(other.isAlive()).isTrue();
    }

    @Test
    void aProcessThatIsStillTheOneNotedIsEnded() throws Exception {
        Process own = somebodyElse();
        assertThat(bash("note_process application " + own.pid() + "; stop_all").code())
                .isZero();
        assertThat(own.waitFor(5, TimeUnit.SECONDS)).isTrue();
    }

    /** One whose keeper was killed goes on by itself: it is ended all the same, and nobody else by an old number. */
    @Test
    void standInsAreEndedWithTheApplication() throws Exception {
        Process counter = somebodyElse();
        Process other = somebodyElse();
        Files.writeString(home.resolve("roll.pid"), other.pid() + "\n");
        Files.writeString(home.resolve("roll.began"), "12345\n");
        assertThat(bash("note_process counter " + counter.pid() + "; stop_all").code())
                .isZero();
        assertThat(counter.waitFor(5, TimeUnit.SECONDS)).isTrue();
        assertThat(other.isAlive()).isTrue();
        assertThat(home.resolve("counter.pid")).doesNotExist();
    }

    @Test
    void standInsHaveThePortsAfterTheApplicationsUnlessSettingsSayOthers() throws Exception {
        assertThat(bash("PORT=8790; name_standins; echo $EMBRICK_COUNTER $EMBRICK_ROLL")
                        .text()
                        .strip())
                .isEqualTo("http://127.0.0.1:8791 http://127.0.0.1:8792");
        Map<String, String> settings =
                Map.of("EMBRICK_COUNTER", "http://lab.example", "EMBRICK_ROLL", "", "EMBRICK_ROLL_PORT", "9000");
        assertThat(bash("name_standins; echo $EMBRICK_COUNTER,$EMBRICK_ROLL,$(standin_port roll)", settings)
                        .text()
                        .strip())
                .isEqualTo("http://lab.example,,9000");
    }

    private Begun supervised(String command) throws IOException {
        return begin(
                "setsid bash scripts/supervise.sh \"$HOME_DIR\" application " + command
                        + " & note_process supervisor $!; wait || true",
                Map.of());
    }

    @Test
    void whatIsKilledIsStartedAgainAndWhatIsAskedToEndIsNot() throws Exception {
        Begun supervisor = supervised("bash -c 'echo $$ >>\"" + home + "/starts\"; exec sleep 300'");
        Await.until("the first start", () -> starts().size() == 1);
        long first = Await.until("its number", () -> noted("application.pid"), pid -> pid > 0);
        ProcessHandle.of(first).orElseThrow().destroyForcibly();
        Await.until("the second start", () -> starts().size() == 2);
        long second = Await.until("its number", () -> noted("application.pid"), pid -> pid > 0 && pid != first);
        // It is noted by the command that began it, beside it.
        Await.until("the supervisor's number", () -> noted("supervisor.pid") > 0);
        assertThat(bash("end_process supervisor 60").code()).isZero();
        assertThat(supervisor.process().waitFor(100, TimeUnit.SECONDS)).isTrue();
        assertThat(ProcessHandle.of(second).map(ProcessHandle::isAlive).orElse(false))
                .isFalse();
        assertThat(home.resolve("application.pid")).doesNotExist();
    }

    @Test
    void whatCannotStartAsItIsSetUpIsNotTriedAgain() throws Exception {
        Said said = finished(supervised("bash -c 'echo one >>\"" + home + "/starts\"; exit 2'"));
        assertThat(Files.readAllLines(home.resolve("starts"))).as(said.text()).hasSize(1);
    }

    @Test
    void whatEndsAtOnceAgainAndAgainIsGivenUp() throws Exception {
        Said said = finished(supervised("bash -c 'echo one >>\"" + home + "/starts\"; exit 3'"));
        assertThat(Files.readAllLines(home.resolve("starts"))).hasSize(6);
        assertThat(said.text()).contains("ended 6 times in a row");
    }

    @Test
    void aPortThatAnotherProgramHasIsSaidBeforeAnythingStarts() throws Exception {
        try (ServerSocket taken = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
            Said said = bash(
                    "start_postgres() { :; }; RELEASE=none; start_all",
                    Map.of("EMBRICK_PORT", "" + taken.getLocalPort()));
            assertThat(said.code()).isEqualTo(1);
            assertThat(said.text()).contains("port " + taken.getLocalPort() + " is taken by another program");
            assertThat(home.resolve("supervisor.pid")).doesNotExist();
        }
    }

    @Test
    void aClusterIsMadeOnceAlsoWhenTwoStartAtOnce() throws Exception {
        List<Begun> both = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            both.add(begin("hold_home; start_postgres; echo started", Map.of()));
        }
        for (Begun one : both) {
            assertThat(finished(one)).isEqualTo(new Said(0, "started\n"));
        }
        try (var made = Files.newDirectoryStream(home, "*postgres*")) {
            assertThat(made)
                    .extracting(path -> path.getFileName().toString())
                    .containsExactlyInAnyOrder("postgres", "postgres.env");
        }
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(home.resolve("postgres.env"))))
                .isEqualTo("rw-------");

        // A number of a machine that went down, given to another program meanwhile.
        assertThat(bash("stop_postgres").code()).isZero();
        Process other = somebodyElse();
        Path pidFile = home.resolve("postgres/postmaster.pid");
        Files.writeString(pidFile, other.pid() + "\n" + home.resolve("postgres") + "\n");
        assertThat(bash("pg_pid").code()).isEqualTo(1);
        Said again = bash("start_postgres && pg_pid");
        assertThat(again.code()).as(again.text()).isZero();
        assertThat(bash("stop_postgres").code()).isZero();
        assertThat(other.isAlive()).isTrue();
    }

    @Test
    void whatLiesInTheClustersPlaceIsNeverDeleted() throws Exception {
        Path kept = Files.createDirectories(home.resolve("postgres")).resolve("somebody's.txt");
        Files.writeString(kept, "mine");
        Said said = bash("start_postgres");
        assertThat(said.code()).isEqualTo(1);
        assertThat(said.text()).contains("nothing was deleted");
        assertThat(kept).hasContent("mine");
    }

    @Test
    void theClustersOwnPostgresIsTakenNotTheNewest() throws Exception {
        Files.createDirectories(home.resolve("postgres"));
        Files.writeString(home.resolve("postgres/PG_VERSION"), "9\n");
        Said said = bash("pg_user() { \"$@\"; }; pg_bin");
        assertThat(said.code()).isEqualTo(1);
        assertThat(said.text()).contains("made by PostgreSQL 9").contains("postgresql-9");
    }

    @Test
    void resettingTakesOnlyWhatIsOursOutOfAStorageChosenByHand() throws Exception {
        Path storage = Files.createDirectories(temporary.resolve("chosen"));
        Files.createDirectories(storage.resolve("originals/ab"));
        Files.createDirectories(storage.resolve("deliveries/job"));
        Path own = Files.writeString(storage.resolve("holiday.txt"), "mine");
        Files.writeString(home.resolve("storage.path"), storage + "\n");
        assertThat(bash("reset_all <<<no").code()).isEqualTo(1);
        assertThat(storage.resolve("originals/ab")).exists();
        Said said = bash("reset_all <<<yes");
        assertThat(said.code()).as(said.text()).isZero();
        assertThat(said.text()).contains(storage.toString());
        assertThat(storage.resolve("originals")).doesNotExist();
        assertThat(storage.resolve("deliveries")).doesNotExist();
        assertThat(own).hasContent("mine");
    }

    @Test
    void theLastLogsAreKept() throws Exception {
        Files.writeString(home.resolve("application.log"), "one");
        bash("keep_log");
        Files.writeString(home.resolve("application.log"), "two");
        bash("keep_log");
        assertThat(home.resolve("application.log.1")).hasContent("two");
        assertThat(home.resolve("application.log.2")).hasContent("one");
    }

    @Test
    void memoryIsSharedBySetting() throws Exception {
        Said said =
                bash("share_memory; echo $MEMORY_OPTIONS $EMBRICK_PICTURE_MEMORY", Map.of("EMBRICK_MEMORY", "1000"));
        assertThat(said.text())
                .contains("-Xmx500m")
                .contains("+ExitOnOutOfMemoryError")
                .contains("500MB");
        assertThat(bash("share_memory", Map.of("EMBRICK_MEMORY", "lots")).text())
                .contains("EMBRICK_MEMORY: expected");
    }

    /** File names follow the locale: one without all letters is refused at the start, not found out in a run. */
    @Test
    void aLocaleWithoutAllLettersIsRefused() throws Exception {
        ProcessBuilder builder = new ProcessBuilder(
                        ProcessHandle.current().info().command().orElseThrow(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        "embrick.server.EmbrickApplication")
                .redirectErrorStream(true);
        builder.environment().put("LC_ALL", "C");
        Process process = builder.start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).isEqualTo(2);
        assertThat(said).contains("LC_ALL=C.UTF-8");
        assertThat(Files.readString(ROOT.resolve("embrick"))).contains("export LC_ALL=C.UTF-8");
    }

    /** Lines as {@code embrick.bench.Bench} prints them. */
    @Test
    void aTableIsMadeOfLinesOfOneRevisionOnly() throws Exception {
        String line = "%-58s %6.2f   must 1.20, aim 0.90: %-8s (%s) [revision %s, 2026-12-02, A processor × 2]%n";
        Path bench = Files.writeString(
                temporary.resolve("bench.txt"),
                "installing\n"
                        + String.format(Locale.ROOT, line, "a folder, wall", 0.88, "aim met", "run 4.2 s", "abc1234"));
        Said table = bash("scripts/bench-table.sh " + bench);
        assertThat(table.code()).isZero();
        assertThat(table.text()).contains("| a folder, wall | 0.88 | must 1.20, aim 0.90: aim met | run 4.2 s |");

        Path other = Files.writeString(
                temporary.resolve("other.txt"),
                String.format(Locale.ROOT, line, "another", 1.3, "MISSED", "", "def5678"));
        Said refused = bash("scripts/bench-table.sh " + bench + " " + other);
        assertThat(refused.code()).isEqualTo(1);
        assertThat(refused.text()).contains("different revisions").contains("abc1234 def5678");
        Files.writeString(other, String.format(Locale.ROOT, line, "another", 1.3, "MISSED", "", "def5678-dirty"));
        assertThat(bash("scripts/bench-table.sh " + other).text()).contains("not committed");
    }
}
