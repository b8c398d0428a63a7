package embrick.server.folders;

import com.fasterxml.jackson.annotation.JsonProperty;
import embrick.server.Ids;
import embrick.server.folders.FolderLook.Seen;
import embrick.server.folders.FolderWalk.FoundFile;
import embrick.server.folders.OpenedFolder.Wish;
import embrick.server.originals.Original;
import embrick.server.problems.ProblemException;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Folders of the server that a job's pictures lie in. */
@RestController
@ConditionalOnWebApplication
@RequestMapping("/api/v1")
class FolderController {
    private static final int MOST_NAMED = 100;

    private final OpenedFolderRepository folders;
    private final FolderIntake intake;
    private final FolderLooks looks;
    private final Browsing browsing;
    private final Clock clock;

    FolderController(
            OpenedFolderRepository folders, FolderIntake intake, FolderLooks looks, Browsing browsing, Clock clock) {
        this.folders = folders;
        this.intake = intake;
        this.looks = looks;
        this.browsing = browsing;
        this.clock = clock;
    }

    /**
     * @param root one of those that the server allows
     * @param path below it, parted by {@code /}; empty for the root itself
     */
    record FolderToOpen(
            @NotNull @Size(max = 255) String root,
            @NotNull @Size(max = 4000) String path) {}

    /**
     * @param looked false while a slow disk is still being looked at
     * @param away why the folder cannot be read
     * @param fresh how many files are not in the job
     * @param freshNames the first of them
     * @param changed pictures whose files hold something else now
     * @param vanished pictures whose files are gone
     * @param unread files and folders that may not be read
     * @param isCut whether there are more files than are looked at
     * @param intake how far a running intake is
     * @param refused what the last intake could not take
     */
    record FolderView(
            @NotNull UUID id,
            @NotNull String root,
            @NotNull String path,
            boolean looked,
            @Schema(nullable = true) String away,
            int fresh,
            @NotNull List<String> freshNames,
            @NotNull List<UUID> changed,
            @NotNull List<UUID> vanished,
            @NotNull List<String> unread,
            boolean isCut,
            @Schema(nullable = true) IntakeView intake,
            @NotNull List<RefusedFile> refused) {}

    /**
     * @param bytes of all its files
     * @param readBytes how many of them were read by now; files that were read before are not read again
     */
    record IntakeView(int files, int done, long bytes, long readBytes) {}

    record RefusedFile(@NotNull String path, @NotNull String problem) {
        /** The same by its earlier name, for one version. */
        @JsonProperty
        @Schema(deprecated = true)
        String reason() {
            return problem;
        }
    }

    /** Opens a folder for a job: its pictures are taken in where they lie, in the background. */
    @PostMapping("/jobs/{jobId}/folders")
    @ResponseStatus(HttpStatus.CREATED)
    FolderView openFolder(@PathVariable UUID jobId, @Valid @RequestBody FolderToOpen wanted) {
        String path = browsing.requireFolder(wanted.root(), wanted.path());
        OpenedFolder folder = folders.findByJobIdAndRootAndPath(jobId, wanted.root(), path)
                .orElseGet(() -> folders.saveAndFlush(
                        new OpenedFolder(Ids.next(), jobId, wanted.root(), path, clock.instant())));
        return begin(folder, Wish.NEW);
    }

    @GetMapping("/jobs/{jobId}/folders")
    List<FolderView> listFolders(@PathVariable UUID jobId) {
        return folders.findByJobIdOrderByOpenedAt(jobId).stream()
                .map(this::view)
                .toList();
    }

    /** @param changed whether files that were changed since are taken as they are now */
    record FolderIntakeWish(boolean changed) {}

    /** Takes in what is new in a folder. */
    @PostMapping("/folders/{id}/intake")
    FolderView takeFolderIn(@PathVariable UUID id, @RequestBody FolderIntakeWish wish) {
        return begin(get(id), wish.changed() ? Wish.NEW_AND_CHANGED : Wish.NEW);
    }

    /** Ends an intake that is under way. What was taken in stays, and the rest may be taken in later. */
    @DeleteMapping("/folders/{id}/intake")
    FolderView cancelFolderIntake(@PathVariable UUID id) {
        OpenedFolder folder = get(id);
        intake.cancel(id);
        return view(folder);
    }

    /** Looks after a folder no longer. Its pictures stay in the job, and where they lie. */
    @DeleteMapping("/folders/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void closeFolder(@PathVariable UUID id) {
        folders.deleteById(get(id).id());
        intake.forget(id);
        looks.forget(id);
    }

    private FolderView begin(OpenedFolder folder, Wish wish) {
        intake.begin(folder.id(), wish);
        looks.forget(folder.id());
        return view(folder);
    }

    private OpenedFolder get(UUID id) {
        return folders.findById(id).orElseThrow(() -> ProblemException.notFound("folder"));
    }

    private FolderView view(OpenedFolder folder) {
        IntakeView underWay = intake.state(folder.id())
                .map(state -> new IntakeView(state.files(), state.done(), state.bytes(), state.readBytes()))
                .orElse(null);
        Optional<Seen> last = looks.of(folder);
        Seen seen = last.orElseGet(() -> Seen.away(null));
        List<RefusedFile> refused = intake.refusals(folder.id()).stream()
                .map(one -> new RefusedFile(one.path(), one.reason()))
                .toList();
        return new FolderView(
                folder.id(),
                folder.root(),
                folder.path(),
                last.isPresent(),
                seen.away(),
                seen.fresh().size(),
                seen.fresh().stream().limit(MOST_NAMED).map(FoundFile::path).toList(),
                seen.changed().keySet().stream().map(Original::id).toList(),
                seen.vanished().stream().map(Original::id).toList(),
                seen.unread().stream().limit(MOST_NAMED).toList(),
                seen.isCut(),
                underWay,
                refused);
    }
}
