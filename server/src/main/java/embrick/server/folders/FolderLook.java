package embrick.server.folders;

import embrick.server.Failures;
import embrick.server.folders.FolderWalk.FoundFile;
import embrick.server.folders.FolderWalk.Walked;
import embrick.server.originals.Original;
import embrick.server.originals.OriginalRepository;
import embrick.server.storage.OriginalFiles;
import embrick.server.storage.OriginalPlace.InPlace;
import embrick.server.storage.OutsideRootException;
import embrick.server.storage.RootAwayException;
import embrick.server.storage.RootUnknownException;
import java.io.IOException;
import java.nio.file.NoSuchFileException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Holds a folder against what a job has of it. */
@Component
class FolderLook {
    private final FolderWalk walk;
    private final OriginalRepository originals;
    private final OriginalFiles files;

    FolderLook(FolderWalk walk, OriginalRepository originals, OriginalFiles files) {
        this.walk = walk;
        this.originals = originals;
        this.files = files;
    }

    /**
     * What is in a folder.
     *
     * @param fresh files that the job does not have
     * @param changed originals whose files hold something else now, each with its file
     * @param vanished originals whose files are gone
     * @param unread files and folders that this user may not read
     * @param away why nothing can be said; null if the folder was read
     */
    record Seen(
            List<FoundFile> fresh,
            Map<Original, FoundFile> changed,
            List<Original> vanished,
            List<String> unread,
            boolean isCut,
            String away) {
        static Seen away(String why) {
            return new Seen(List.of(), Map.of(), List.of(), List.of(), false, why);
        }
    }

    Seen look(OpenedFolder folder) {
        Walked walked;
        try {
            walked = walk.walk(folder.root(), folder.path());
        } catch (RootAwayException away) {
            return Seen.away("The folder “" + folder.root() + "” is not there: its disk may be away.");
        } catch (RootUnknownException unknown) {
            return Seen.away("The folder “" + folder.root() + "” is not allowed any more: see EMBRICK_ROOTS.");
        } catch (OutsideRootException out) {
            return Seen.away("It now leads out of “" + folder.root() + "” by a link.");
        } catch (NoSuchFileException gone) {
            return Seen.away("It is no longer there.");
        } catch (IOException failed) {
            return Seen.away("It cannot be read: " + Failures.words(failed) + ".");
        }
        return compare(folder, walked);
    }

    private Seen compare(OpenedFolder folder, Walked walked) {
        Map<String, FoundFile> found = new HashMap<>();
        walked.files().forEach(file -> found.put(file.rootPath(), file));
        Map<Original, FoundFile> changed = new HashMap<>();
        List<Original> vanished = new ArrayList<>();
        String prefix = folder.path().isEmpty() ? "" : folder.path() + "/";
        for (Original original : originals.findByJobIdAndRoot(folder.jobId(), folder.root())) {
            InPlace place = (InPlace) original.place();
            if (!place.path().startsWith(prefix)) {
                continue;
            }
            FoundFile file = found.remove(place.path());
            if (file == null) {
                if (!walked.isCut()) {
                    vanished.add(original);
                }
            } else if (!files.isHere(place, original.fileBytes(), original.addedAt())) {
                changed.put(original, file);
            }
        }
        return new Seen(
                walked.files().stream()
                        .filter(file -> found.containsKey(file.rootPath()))
                        .toList(),
                changed,
                vanished,
                walked.unread(),
                walked.isCut(),
                null);
    }
}
