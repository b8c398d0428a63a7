package embrick.server.hotfolders;

import com.fasterxml.jackson.annotation.JsonProperty;
import embrick.server.jobs.TargetView;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.data.domain.Limit;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Folders that print what is dropped into them, with their last day. */
@RestController
@ConditionalOnWebApplication
@RequestMapping("/api/v1/hot-folders")
class HotFolderController {
    private static final Duration SHOWN = Duration.ofDays(1);
    private static final int MOST_SHOWN = 60;

    private final HotFolders folders;
    private final HotFileRepository files;
    private final HotFolderWatch watch;
    private final Clock clock;

    HotFolderController(HotFolders folders, HotFileRepository files, HotFolderWatch watch, Clock clock) {
        this.folders = folders;
        this.files = files;
        this.watch = watch;
        this.clock = clock;
    }

    /** How far a file is. */
    enum Fate {
        /** Taken out of the folder, being looked at. */
        TAKEN,
        /** Looked at, waiting for its run. */
        WAITING,
        RUNNING,
        PRINTED,
        FAILED;

        static Fate of(HotFile.State state) {
            return switch (state) {
                case SEEN, TAKEN -> TAKEN;
                case LISTED -> WAITING;
                case RUNNING -> RUNNING;
                case PRINTED -> PRINTED;
                case FAILED -> FAILED;
            };
        }
    }

    /**
     * @param path below the hot folder, as it was dropped
     * @param reason why it was not printed
     * @param movedTo where it lies now, below the hot folder
     */
    record HotFileView(
            @NotNull UUID id,
            @NotNull String path,
            @NotNull Fate fate,
            @NotNull Instant seenAt,
            @Schema(nullable = true) Instant settledAt,
            @Schema(nullable = true) UUID jobId,
            @Schema(nullable = true) UUID runId,
            @Schema(nullable = true) String problem,
            @Schema(nullable = true) String movedTo) {
        /** The same by its earlier name, for one version. */
        @JsonProperty
        @Schema(deprecated = true, nullable = true)
        String reason() {
            return problem;
        }
    }

    /** Files of the last day. */
    record HotCounts(long waiting, long printed, long failed) {}

    /**
     * @param savedTicketId null once it was deleted
     * @param trouble what is in the way of its work
     * @param files of the last day, the latest first
     */
    record HotFolderView(
            @NotNull UUID id,
            @NotNull String name,
            @NotNull String root,
            @NotNull String path,
            @Schema(nullable = true) UUID savedTicketId,
            @NotNull TargetView target,
            boolean isOn,
            @Schema(nullable = true) String trouble,
            @NotNull HotCounts counts,
            @NotNull List<HotFileView> files) {}

    record HotFolderToAdd(
            @NotNull @Size(max = 255) String root,
            @NotNull @Size(max = 4000) String path,
            @NotNull @Valid HotFolderSettings settings) {}

    record HotFolderSettings(
            @NotBlank @Size(max = 100) String name,
            @NotNull UUID savedTicketId,
            @NotNull @Valid TargetView target,
            @NotNull Boolean isOn) {
        HotFolder.Settings toSettings() {
            return new HotFolder.Settings(name.strip(), savedTicketId, target.toTarget(), isOn);
        }
    }

    @GetMapping
    List<HotFolderView> listHotFolders() {
        return folders.all().stream().map(this::view).toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    HotFolderView addHotFolder(@Valid @RequestBody HotFolderToAdd added) {
        return view(folders.add(added.root(), added.path(), added.settings().toSettings()));
    }

    /** Off, it takes no more files; those that it has taken are still printed. */
    @PutMapping("/{id}")
    HotFolderView changeHotFolder(@PathVariable UUID id, @Valid @RequestBody HotFolderSettings settings) {
        return view(folders.change(id, settings.toSettings()));
    }

    /** The folder and its files stay on the disk. */
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void deleteHotFolder(@PathVariable UUID id) {
        folders.remove(id);
    }

    private HotFolderView view(HotFolder folder) {
        Instant since = clock.instant().minus(SHOWN);
        Map<HotFile.State, Long> by = new EnumMap<>(HotFile.State.class);
        files.counts(folder.id(), since).forEach(count -> by.put(count.getState(), count.getFiles()));
        long printed = by.getOrDefault(HotFile.State.PRINTED, 0L);
        long failed = by.getOrDefault(HotFile.State.FAILED, 0L);
        long all = by.values().stream().mapToLong(Long::longValue).sum();
        return new HotFolderView(
                folder.id(),
                folder.name(),
                folder.root(),
                folder.path(),
                folder.savedTicketId().orElse(null),
                TargetView.of(folder.target()),
                folder.isOn(),
                watch.trouble(folder.id()).orElse(null),
                new HotCounts(all - printed - failed, printed, failed),
                files.latest(folder.id(), since, Limit.of(MOST_SHOWN)).stream()
                        .map(HotFolderController::view)
                        .toList());
    }

    private static HotFileView view(HotFile file) {
        return new HotFileView(
                file.id(),
                file.path(),
                Fate.of(file.state()),
                file.seenAt(),
                file.settledAt().orElse(null),
                file.jobId().orElse(null),
                file.runId().orElse(null),
                file.reason().orElse(null),
                file.movedTo().orElse(null));
    }
}
