package embrick.server.hotfolders;

import embrick.server.Ids;
import embrick.server.jobs.DeliveryTarget;
import embrick.server.problems.ProblemException;
import embrick.server.savedtickets.SavedTickets;
import embrick.server.storage.Roots;
import java.io.IOException;
import java.nio.file.Files;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Adds, changes and deletes hot folders. */
@Service
@Transactional
class HotFolders {
    private final HotFolderRepository folders;
    private final HotFileRepository files;
    private final SavedTickets tickets;
    private final Roots roots;
    private final Clock clock;

    HotFolders(HotFolderRepository folders, HotFileRepository files, SavedTickets tickets, Roots roots, Clock clock) {
        this.folders = folders;
        this.files = files;
        this.tickets = tickets;
        this.roots = roots;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<HotFolder> all() {
        return folders.findAllByOrderByName();
    }

    @Transactional(readOnly = true)
    public HotFolder get(UUID id) {
        return folders.findById(id).orElseThrow(() -> ProblemException.notFound("hot folder"));
    }

    /** @throws ProblemException if the folder is none that can be watched, or is watched already */
    public HotFolder add(String root, String path, HotFolder.Settings settings) {
        String clean = requireFolder(root, path);
        if (folders.existsByRootAndPath(root, clean)) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    "folder-taken",
                    "path",
                    "“" + root + "/" + clean + "” is a hot folder already.",
                    "Change that one, or choose another folder.");
        }
        requireApart(root, clean);
        HotFolder folder = new HotFolder(Ids.next(), root, clean, clock.instant());
        requireFit(settings, folder);
        folder.set(settings);
        return folders.saveAndFlush(folder);
    }

    public HotFolder change(UUID id, HotFolder.Settings settings) {
        HotFolder folder = get(id);
        requireFit(settings, folder);
        folder.set(settings);
        return folders.saveAndFlush(folder);
    }

    /** @throws ProblemException if files of it are on their way: they would be left behind */
    public void remove(UUID id) {
        HotFolder folder = get(id);
        if (files.existsByHotFolderIdAndMovedFalse(id)) {
            throw new ProblemException(
                    HttpStatus.CONFLICT,
                    "files-at-work",
                    "folder",
                    "Files of this hot folder are being printed.",
                    "Switch it off, wait until they are done, then delete it.");
        }
        folders.delete(folder);
    }

    private String requireFolder(String root, String path) {
        try {
            if (!Files.isWritable(roots.resolveFolder(root, path))) {
                throw ProblemException.invalid(
                        "folder-unfit",
                        "path",
                        "Embrick may not write to “" + root + "/" + path
                                + "”, and a hot folder's files are moved apart.",
                        "Let the user that Embrick runs as write to it, or choose another folder.");
            }
            return roots.pathOfFolder(root, path);
        } catch (IOException failed) {
            throw ProblemException.invalid(
                    "folder-unfit",
                    "path",
                    "“" + root + "/" + path + "” is no folder that is there and that the settings allow.",
                    "Choose another folder, or see that its disk is there.");
        }
    }

    /** One hot folder in another would take the other's files. */
    private void requireApart(String root, String path) {
        for (HotFolder other : folders.findAll()) {
            if (other.root().equals(root) && (isBelow(path, other.path()) || isBelow(other.path(), path))) {
                throw ProblemException.invalid(
                        "folder-overlaps",
                        "path",
                        "Of this folder and the hot folder “" + other.name() + "”, one contains the other.",
                        "Choose a folder outside it.");
            }
        }
    }

    private static boolean isBelow(String path, String top) {
        return top.isEmpty() || path.equals(top) || path.startsWith(top + "/");
    }

    private void requireFit(HotFolder.Settings settings, HotFolder folder) {
        tickets.get(settings.savedTicketId());
        switch (settings.target()) {
            case DeliveryTarget.Deliveries _ -> {}
            case DeliveryTarget.Folder target -> {
                String within = requireFolder(target.root(), target.path());
                if (target.root().equals(folder.root()) && isBelow(within, folder.path())) {
                    throw ProblemException.invalid(
                            "target-unfit",
                            "target",
                            "What is delivered into the hot folder itself would be printed again.",
                            "Deliver to a folder beside it.");
                }
            }
            case DeliveryTarget.BesideOriginals _ ->
                throw ProblemException.invalid(
                        "target-unfit",
                        "target",
                        "A hot folder's files do not stay where they were dropped: nothing can be put beside them.",
                        "Deliver to a folder that is named.");
        }
    }
}
