package embrick.server.folders;

import embrick.server.storage.RootUnknownException;
import embrick.server.storage.Roots;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Folders on the server's disks that the settings allow, and what lies in them. */
@RestController
@RequestMapping("/api/v1/roots")
class RootController {
    private final Roots roots;
    private final Browsing browsing;

    RootController(Roots roots, Browsing browsing) {
        this.roots = roots;
        this.browsing = browsing;
    }

    /**
     * @param place on the server's disk
     * @param isThere false while its disk is away, or it is empty
     */
    record RootView(@NotNull String name, @NotNull String place, boolean isThere) {}

    @GetMapping
    List<RootView> listRoots() {
        return roots.names().stream().map(this::view).toList();
    }

    private RootView view(String name) {
        try {
            return new RootView(name, roots.shown(name).toString(), roots.isThere(name));
        } catch (RootUnknownException gone) {
            throw new IllegalStateException(gone);
        }
    }

    /**
     * @param path below the root, parted by {@code /}; empty for the root itself
     * @param folders names of its subfolders
     * @param files how many lie in the folder itself
     */
    record FolderListing(@NotNull String path, @NotNull List<String> folders, int files, long bytes) {}

    @GetMapping("/{root}/folder")
    FolderListing listRoot(@PathVariable String root, @RequestParam(defaultValue = "") String below) {
        Browsing.Listing listing = browsing.list(root, below);
        return new FolderListing(listing.path(), listing.folders(), listing.files(), listing.bytes());
    }
}
