package embrick.server;

import java.util.HexFormat;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Locks on things that have no row to lock, by the digest that names them. Held to the end of the caller's transaction; who
 * needs several takes them in the order of their digests.
 */
@Component
public class Locks {
    /** Digits of a digest that fit the number of PostgreSQL's advisory locks. */
    private static final int DIGITS = 16;

    private final JdbcClient database;

    Locks(JdbcClient database) {
        this.database = database;
    }

    /** Waits until nobody else holds it. */
    public void hold(String digest) {
        database.sql("select cast(pg_advisory_xact_lock(:key) as text)")
                .param("key", HexFormat.fromHexDigitsToLong(digest, 0, DIGITS))
                .query(String.class)
                .single();
    }
}
