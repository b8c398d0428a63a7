package embrick.server.workers;

import java.net.InetAddress;
import java.net.UnknownHostException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Optional;
import java.util.Properties;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * One application at a time on a database. From before its first write it holds a session lock of PostgreSQL (advisory,
 * chapter 13.3.5 of its manual) on a connection of its own, which the server gives free by itself when the process or its
 * machine is gone. Workers hold none: there may be many.
 */
final class OneApplication implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(OneApplication.class);

    /** "embrick" and 1, so that no other program's lock is met by accident. */
    private static final long KEY = 0x656D_6272_6963_6B01L;

    private static final Duration PAUSE = Duration.ofMillis(200);
    private static final int LONGEST_NAME = 63;
    private static final DateTimeFormatter SHOWN = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm:ss z");

    /** A machine that vanished is noticed within 5 + 3 × 2 s, where the system allows it to be asked for. */
    private static final String NOTICE_ITS_END =
            "set tcp_keepalives_idle = 5; set tcp_keepalives_interval = 2; set tcp_keepalives_count = 3";

    private final String url;
    private final Properties account;
    private final Duration patience;
    private Connection session;

    /** @param patience with a former application that is ending; longer than a machine that vanished is noticed after */
    OneApplication(String url, String user, String password, String process, Duration patience) {
        this.url = url;
        this.patience = patience;
        this.account = new Properties();
        Optional.ofNullable(user).ifPresent(name -> account.setProperty("user", name));
        Optional.ofNullable(password).ifPresent(word -> account.setProperty("password", word));
        account.setProperty("ApplicationName", shown(process));
        account.setProperty("connectTimeout", "5");
        account.setProperty("socketTimeout", "10");
        account.setProperty("tcpKeepAlive", "true");
    }

    /** @param name of the application, its machine and number, as the session tells it to others */
    record Holder(String name, Instant since) {}

    private static String shown(String name) {
        String told = "embrick " + name + " on " + machine() + ", process "
                + ProcessHandle.current().pid();
        return told.length() > LONGEST_NAME ? told.substring(0, LONGEST_NAME) : told;
    }

    private static String machine() {
        try {
            return InetAddress.getLocalHost().getHostName();
        } catch (UnknownHostException unnamed) {
            return "an unnamed machine";
        }
    }

    /**
     * Takes the lock.
     *
     * @throws StartRefusedException if another application has it and keeps it
     */
    @SuppressWarnings("ThreadSleep")
    synchronized void hold() {
        long until = System.nanoTime() + patience.toNanos();
        boolean isTold = false;
        while (true) {
            try {
                Optional<Holder> other = take();
                if (other.isEmpty()) {
                    return;
                }
                if (System.nanoTime() > until) {
                    throw refusal(other.get());
                }
                if (!isTold) {
                    LOG.info("waiting for {} to end", other.get().name());
                    isTold = true;
                }
                Thread.sleep(PAUSE);
            } catch (SQLException away) {
                boolean wasOpen = session != null;
                let();
                if (wasOpen && System.nanoTime() < until) {
                    continue;
                }
                throw new IllegalStateException("the database does not answer: " + away.getMessage(), away);
            } catch (InterruptedException interrupted) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException("interrupted while another application was waited for", interrupted);
            }
        }
    }

    static StartRefusedException refusal(Holder other) {
        return new StartRefusedException(
                "This database is in use by " + other.name() + ", there since "
                        + SHOWN.format(other.since().atZone(ZoneId.systemDefault())) + ".",
                "End that application first, or give this one a database of its own. More processes that make pieces are"
                        + " started as workers.");
    }

    /** @return who has it, if somebody else has */
    private Optional<Holder> take() throws SQLException {
        if (session == null) {
            session = DriverManager.getConnection(url, account);
            try (Statement statement = session.createStatement()) {
                statement.execute(NOTICE_ITS_END);
            }
        }
        try (PreparedStatement lock = session.prepareStatement("select pg_try_advisory_lock(?)")) {
            lock.setLong(1, KEY);
            try (ResultSet taken = lock.executeQuery()) {
                taken.next();
                return taken.getBoolean(1) ? Optional.empty() : Optional.of(holder());
            }
        }
    }

    private Holder holder() throws SQLException {
        try (PreparedStatement query = session.prepareStatement("""
                        select a.application_name, a.backend_start from pg_locks l join pg_stat_activity a on a.pid = l.pid
                        where l.locktype = 'advisory' and l.granted and l.objsubid = 1
                          and l.database = (select oid from pg_database where datname = current_database())
                          and l.classid = cast(? as oid) and l.objid = cast(? as oid)""")) {
            query.setLong(1, KEY >>> 32);
            query.setLong(2, KEY & 0xFFFF_FFFFL);
            try (ResultSet found = query.executeQuery()) {
                return found.next()
                        ? new Holder(
                                found.getString(1),
                                found.getObject(2, OffsetDateTime.class).toInstant())
                        : new Holder("another application", Instant.now());
            }
        }
    }

    /**
     * Looks whether it is still held, and takes it again after the database was away.
     *
     * @return who has taken it meanwhile; this application must end then
     */
    synchronized Optional<Holder> lost() {
        try {
            if (session != null && isAlive()) {
                return Optional.empty();
            }
            let();
            return take();
        } catch (SQLException away) {
            LOG.debug("the database is away: {}", away.toString());
            let();
            return Optional.empty();
        }
    }

    private boolean isAlive() {
        try (Statement statement = session.createStatement()) {
            statement.execute("select 1");
            return true;
        } catch (SQLException gone) {
            return false;
        }
    }

    private void let() {
        try {
            if (session != null) {
                session.close();
            }
        } catch (SQLException gone) {
            LOG.debug("the session was gone: {}", gone.toString());
        }
        session = null;
    }

    @Override
    public synchronized void close() {
        let();
    }
}
