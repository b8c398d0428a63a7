package embrick.server.web;

import embrick.server.storage.PictureWork.Asker;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

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

    @Override
    public boolean isGone() {
        String local = String.format(Locale.ROOT, ":%04X", localPort);
        String remote = String.format(Locale.ROOT, ":%04X", remotePort);
        try {
            for (Path table : TABLES) {
                if (!Files.exists(table)) {
                    return false;
                }
                for (String line : Files.readAllLines(table)) {
                    String[] columns = line.strip().split("\\s+");
                    if (columns.length > STATE && columns[LOCAL].endsWith(local) && columns[REMOTE].endsWith(remote)) {
                        return !columns[STATE].equals(ESTABLISHED);
                    }
                }
            }
            return true;
        } catch (IOException unreadable) {
            return false;
        }
    }
}
