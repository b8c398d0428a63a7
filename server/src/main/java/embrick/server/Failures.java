package embrick.server;

import jakarta.persistence.PersistenceException;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.transaction.TransactionException;

/** Tells failures apart that wear many classes. */
public final class Failures {
    private Failures() {}

    /**
     * Whether the database could not be reached or did not answer: nothing that a picture or a request is to blame for, and
     * gone when it is tried again later.
     */
    public static boolean isDatabaseAway(Throwable failed) {
        boolean isOfDatabase = false;
        for (Throwable cause = failed; cause != null; cause = cause.getCause()) {
            if (cause instanceof DataIntegrityViolationException
                    || cause instanceof SQLException sql && isOfStatement(sql.getSQLState())) {
                return false;
            }
            isOfDatabase |= cause instanceof DataAccessException
                    || cause instanceof TransactionException
                    || cause instanceof PersistenceException
                    || cause instanceof SQLException;
        }
        return isOfDatabase;
    }

    /** Why a file could not be read or written, in words that tell no path of this machine. */
    public static String words(IOException failed) {
        return switch (failed) {
            case NoSuchFileException _ -> "it is not there";
            case AccessDeniedException _ -> "this user may not";
            case FileSystemException other -> other.getReason() == null ? "the disk refused it" : other.getReason();
            default -> String.valueOf(failed.getMessage());
        };
    }

    /** Whether the database is there and all connections to it are in use: gone in a moment, too. */
    public static boolean isBusy(Throwable failed) {
        for (Throwable cause = failed; cause != null; cause = cause.getCause()) {
            // As HikariCP's pool says it, with what it holds: total=0 where none can be made.
            if (cause instanceof SQLTransientConnectionException waited
                    && String.valueOf(waited.getMessage()).contains("request timed out")) {
                return !waited.getMessage().contains("total=0,");
            }
        }
        return false;
    }

    /** Classes of SQLSTATE (ISO/IEC 9075; PostgreSQL, appendix A) by which a statement itself is wrong. */
    private static boolean isOfStatement(String state) {
        return state != null && (state.startsWith("22") || state.startsWith("23") || state.startsWith("42"));
    }
}
