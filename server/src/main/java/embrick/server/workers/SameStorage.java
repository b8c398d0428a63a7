package embrick.server.workers;

import embrick.server.storage.Storage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ApplicationContext;
import org.springframework.context.event.ContextRefreshedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Sees, before anything is made, that this process has the storage that belongs to its database: under another path or
 * from another machine, but the same one. Two numbers in a file in the storage are those in the database. The application
 * writes a new token at each of its starts, so that an old copy of the folder is told from it; a disk that is not mounted
 * leaves an empty folder, which is not taken for the storage either.
 */
@Component
class SameStorage {
    private static final Logger LOG = LoggerFactory.getLogger(SameStorage.class);
    private static final long PAUSE_MILLIS = 1000;
    private static final int TRIES = 30;

    private final JdbcClient database;
    private final TransactionTemplate transaction;
    private final Storage storage;
    private final boolean isApplication;
    private final boolean takeAsNew;
    private final int tries;

    /** What the file and the database both hold. */
    private record Identity(UUID id, UUID token) {
        static Optional<Identity> parse(String text) {
            String[] parts = text.strip().split("\\s+");
            try {
                return parts.length == 2
                        ? Optional.of(new Identity(UUID.fromString(parts[0]), UUID.fromString(parts[1])))
                        : Optional.empty();
            } catch (IllegalArgumentException unreadable) {
                return Optional.empty();
            }
        }

        String text() {
            return id + "\n" + token + "\n";
        }
    }

    @Autowired
    SameStorage(
            JdbcClient database,
            TransactionTemplate transaction,
            Storage storage,
            ApplicationContext context,
            @Value("${EMBRICK_TAKE_STORAGE:no}") String takeAsNew) {
        this(
                database,
                transaction,
                storage,
                context instanceof WebServerApplicationContext,
                takeAsNew.equals("yes"),
                TRIES);
    }

    /**
     * @param takeAsNew whether another storage is taken as this database's from now on
     * @param tries of a worker, a second apart
     */
    SameStorage(
            JdbcClient database,
            TransactionTemplate transaction,
            Storage storage,
            boolean isApplication,
            boolean takeAsNew,
            int tries) {
        this.database = database;
        this.transaction = transaction;
        this.storage = storage;
        this.isApplication = isApplication;
        this.takeAsNew = takeAsNew;
        this.tries = tries;
    }

    @EventListener(ContextRefreshedEvent.class)
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void begin() {
        try {
            if (isApplication) {
                own();
            } else {
                require();
            }
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    /** The application's storage: the one noted, or at the very first start the one that is noted from now on. */
    private void own() throws IOException {
        Optional<Identity> noted = noted();
        Optional<Identity> found = found();
        boolean isOther = noted.isPresent() && !found.map(Identity::id).equals(noted.map(Identity::id));
        if (isOther && !takeAsNew) {
            throw new StartRefusedException(
                    storage.identity().getParent() + " is not the storage of this database"
                            + (found.isEmpty() ? ": it may not be mounted." : "."),
                    "Mount the storage there, or set EMBRICK_STORAGE to where it is. If it is lost for good, start once with"
                            + " EMBRICK_TAKE_STORAGE=yes: this folder is used from then on, and what is missing is told.");
        }
        Identity now = new Identity(
                noted.filter(_ -> !isOther).or(() -> found).map(Identity::id).orElseGet(UUID::randomUUID),
                UUID.randomUUID());
        transaction.executeWithoutResult(_ -> {
            database.sql("""
                            insert into storage_identity (id, token) values (:id, :token)
                            on conflict (only_one) do update set id = excluded.id, token = excluded.token""").param("id", now.id()).param("token", now.token()).update();
            try {
                write(now);
            } catch (IOException unwritten) {
                throw new UncheckedIOException(unwritten);
            }
        });
    }

    private void write(Identity identity) throws IOException {
        Path file = storage.identity();
        Path part = file.resolveSibling(file.getFileName() + ".part");
        Files.writeString(part, identity.text());
        Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    }

    /** A worker's storage. The application may be starting right now, and a network's disk may tell of it late. */
    @SuppressWarnings("ThreadSleep")
    private void require() throws IOException {
        for (int tried = 1; ; tried++) {
            Optional<Identity> noted = notedIfThere();
            if (noted.isPresent() && found().equals(noted)) {
                return;
            }
            if (tried >= tries) {
                throw refusal(noted);
            }
            if (tried == 1) {
                LOG.info(
                        "waiting to see that {} is the storage of this database",
                        storage.identity().getParent());
            }
            try {
                Thread.sleep(PAUSE_MILLIS);
            } catch (InterruptedException interrupted) {
                Thread.currentThread().interrupt();
                throw refusal(noted);
            }
        }
    }

    private StartRefusedException refusal(Optional<Identity> noted) {
        return noted.isEmpty()
                ? new StartRefusedException(
                        "No storage belongs to this database yet.", "Start the application first, then this worker.")
                : new StartRefusedException(
                        storage.identity().getParent() + " is not the storage that the application has now.",
                        "Mount the application's storage on this machine, and name its folder with --storage.");
    }

    private Optional<Identity> noted() {
        return database.sql("select id, token from storage_identity")
                .query((row, _) -> new Identity(row.getObject("id", UUID.class), row.getObject("token", UUID.class)))
                .optional();
    }

    /** A database that is away for a moment ends no start. */
    private Optional<Identity> notedIfThere() {
        try {
            return noted();
        } catch (DataAccessException away) {
            LOG.warn("the database does not answer: {}", away.toString());
            return Optional.empty();
        }
    }

    private Optional<Identity> found() throws IOException {
        try {
            return Identity.parse(Files.readString(storage.identity(), StandardCharsets.ISO_8859_1));
        } catch (NoSuchFileException none) {
            return Optional.empty();
        }
    }
}
