package embrick.server.web;

import embrick.server.storage.PictureWork.Asker;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Whoever sent a request, and whether they are still there.
 *
 * <p>A server that is not reading or writing is not told that the other side has closed. Linux tells the state of each
 * connection in {@code /proc/net/tcp} (proc(5)): one that the other side has closed is not ESTABLISHED, which is 01. Where
 * there is no such file everybody is taken to be there.
 */
public record HttpAsker(int localPort, int remotePort) implements Asker {
    private static final List<Path> TABLES = List.of(Path.of("/proc/net/tcp6"), Path.of("/proc/net/tcp"));
    private static final String ESTABLISHED = "01";

    /** Columns of a line: number, local address, remote address, state. */
    private static final int LOCAL = 1;

    private static final int REMOTE = 2;
    private static final int STATE = 3;

    public static HttpAsker of(HttpServletRequest request) {
        return new HttpAsker(request.getLocalPort(), request.getRemotePort());
    }

    /** The table comes in parts: one that stays can be left out of a reading while others come and go, hardly of three. */
    private static final int READINGS = 3;

    @Override
    public boolean isGone() {
        for (int reading = 0; reading < READINGS; reading++) {
            Optional<Boolean> isOpen = listed();
            if (isOpen.isPresent()) {
                return !isOpen.get();
            }
        }
        return true;
    }

    /** Whether the connection is open; nothing where it is not listed. */
    private Optional<Boolean> listed() {
        String local = String.format(Locale.ROOT, ":%04X", localPort);
        String remote = String.format(Locale.ROOT, ":%04X", remotePort);
        try {
            for (Path table : TABLES) {
                if (!Files.exists(table)) {
                    return Optional.of(true);
                }
                for (String line : Files.readAllLines(table)) {
                    String[] columns = line.strip().split("\\s+");
                    if (columns.length > STATE && columns[LOCAL].endsWith(local) && columns[REMOTE].endsWith(remote)) {
                        return Optional.of(columns[STATE].equals(ESTABLISHED));
                    }
                }
            }
            return Optional.empty();
        } catch (IOException unreadable) {
            return Optional.of(true);
        }
    }
}
