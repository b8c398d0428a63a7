package embrick.server;

import static org.assertj.core.api.Assertions.assertThat;

import embrick.server.documents.StoredJson;
import embrick.server.support.ThrowawayPostgres;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import java.util.zip.GZIPInputStream;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** A database as an earlier version left it, with a job that was run, is brought up without loss. */
class OlderDatabasesTest {
    private static final String JOB = "01900000-0000-7000-8000-000000000001";
    private static final String PRINTS = "01900000-0000-7000-8000-000000000002";
    private static final String CANVAS = "01900000-0000-7000-8000-000000000003";
    private static final String FIRST_RUN = "01900000-0000-7000-8000-000000000004";
    private static final String SECOND_RUN = "01900000-0000-7000-8000-000000000005";

    private static final AtomicInteger OLDER = new AtomicInteger();

    private DataSource database;
    private JdbcClient sql;

    @BeforeEach
    void aDatabaseWithoutOrders() {
        String name = "embrick_older_" + OLDER.incrementAndGet();
        ThrowawayPostgres.get().create(name);
        database = new DriverManagerDataSource(ThrowawayPostgres.get().url(name), "embrick", "");
        sql = JdbcClient.create(database);
        Flyway.configure().dataSource(database).target("10").load().migrate();
        sql.sql("insert into job values (cast(? as uuid), 'Kite days', now(), 0)")
                .param(JOB)
                .update();
        // The second was made first: places follow the time, not the id.
        ticket(PRINTS, "now()");
        ticket(CANVAS, "now() - interval '1 hour'");
        run(FIRST_RUN, PRINTS, "Kite days/prints", 300);
        run(SECOND_RUN, CANVAS, "Kite days/canvas", 100);
    }

    private void ticket(String id, String madeAt) {
        sql.sql("insert into ticket (id, job_id, document, made_at, version) values (cast(? as uuid), cast(? as uuid),"
                        + " '{}', " + madeAt + ", 3)")
                .params(id, JOB)
                .update();
    }

    private void run(String id, String ticket, String folder, int ppi) {
        sql.sql("insert into run (id, job_id, ticket_id, ticket_document, folder, stopped, started_at,"
                        + " stretch_started_at, stretch_checked, version) values (cast(? as uuid), cast(? as uuid),"
                        + " cast(? as uuid), cast(? as jsonb), ?, false, now(), now(), 0, 0)")
                .params(id, JOB, ticket, "{\"ppi\": " + ppi + "}", folder)
                .update();
        for (int i = 0; i < 3; i++) {
            sql.sql(
                            "insert into piece (id, run_id, original_id, original_path, position, name, state, width, height,"
                                    + " expected_bytes, attempts, changed_at, deaths, version) values (gen_random_uuid(),"
                                    + " cast(? as uuid), gen_random_uuid(), 'kite.jpg', ?, ?, 'CHECKED', 1, 1, 1, 1, now(), 0, 0)")
                    .params(id, i, "kite" + i + ".jpg")
                    .update();
        }
    }

    private long count(String what) {
        return sql.sql("select count(*) from " + what).query(Long.class).single();
    }

    @Test
    void eachRunHasItsTicketAsAnOrderAndEachPieceBelongsToIt() {
        Flyway.configure().dataSource(database).load().migrate();
        assertThat(count("piece")).isEqualTo(6);
        assertThat(count("run_order")).isEqualTo(2);
        assertThat(count("piece p join run_order o on o.id = p.order_id and o.run_id = p.run_id"))
                .isEqualTo(6);
        assertThat(count("run_order where run_id = '" + FIRST_RUN + "' and ticket_id = '" + PRINTS
                        + "' and folder = 'Kite days/prints' and ticket_document->>'ppi' = '300' and position = 0"))
                .isEqualTo(1);
        assertThat(count("run_order where run_id = '" + SECOND_RUN + "' and folder = 'Kite days/canvas'"))
                .isEqualTo(1);
        // Tickets keep the order they were shown in, and are on.
        assertThat(sql.sql("select cast(id as text) from ticket where is_on order by position")
                        .query(String.class)
                        .list())
                .containsExactly(CANVAS, PRINTS);
    }

    private void framing(String original, String shape, int version, String was) {
        sql.sql(
                        "insert into framing (id, original_id, shape_key, document, accepted, version) values (gen_random_uuid(),"
                                + " cast(? as uuid), ?, cast(? as jsonb), true, ?)")
                .params(original, shape, "{\"was\": \"" + was + "\"}", version)
                .update();
    }

    @Test
    void framingsOfIsoPapersBecomeOne() {
        Flyway.configure().dataSource(database).target("11").load().migrate();
        String original = "01900000-0000-7000-8000-000000000006";
        sql.sql("insert into original (id, job_id, path, digest, file_bytes, state, left_out, added_at, version) values"
                        + " (cast(? as uuid), cast(? as uuid), 'kite.jpg', 'd', 1, 'READY', false, now(), 0)")
                .params(original, JOB)
                .update();
        framing(original, "70:99", 4, "a4");
        framing(original, "99:140", 7, "a3");
        framing(original, "99:140-at-scale", 1, "a3 at scale");
        framing(original, "4:5", 2, "photo");

        Flyway.configure().dataSource(database).load().migrate();

        assertThat(sql.sql("select shape_key || ' ' || (document ->> 'was') from framing order by 1")
                        .query(String.class)
                        .list())
                .containsExactly("4:5 photo", "70:99 a3", "70:99-at-scale a3 at scale");
    }

    /** The whole database of a demo job that was run five times, as version 6 of the schema left it (pg_dump). */
    @Test
    void aDumpIsBroughtUpAndAllOfItCanBeRead() throws IOException {
        String name = "embrick_older_" + OLDER.incrementAndGet();
        ThrowawayPostgres.get().create(name);
        DataSource dumped = new DriverManagerDataSource(ThrowawayPostgres.get().url(name), "embrick", "");
        restore(dumped, "/databases/version-6.sql.gz");
        Flyway.configure().dataSource(dumped).load().migrate();

        JdbcClient rows = JdbcClient.create(dumped);
        assertThat(rows.sql("select (select count(*) from original) || ' ' || (select count(*) from piece) || ' ' ||"
                                + " (select count(*) from run) || ' ' || (select count(*) from run_order) || ' ' ||"
                                + " (select count(*) from ticket) || ' ' || (select count(*) from framing)")
                        .query(String.class)
                        .single())
                .isEqualTo("29 135 5 5 4 9");
        StoredJson json = new StoredJson();
        requireRead(rows, "select document from ticket", json::ticket, 4);
        requireRead(rows, "select ticket_document from run_order", json::ticket, 5);
        requireRead(rows, "select document from framing", json::framing, 9);
        requireRead(rows, "select facts from original where facts is not null", json::facts, 26);
        requireRead(rows, "select plan from piece where plan is not null", json::plan, 1);
    }

    private static void restore(DataSource database, String dump) throws IOException {
        try (InputStream packed = OlderDatabasesTest.class.getResourceAsStream(dump);
                Connection connection = database.getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute(new String(new GZIPInputStream(packed).readAllBytes(), StandardCharsets.UTF_8));
        } catch (SQLException wrong) {
            throw new AssertionError(wrong);
        }
    }

    private static void requireRead(JdbcClient rows, String sql, Function<String, Object> reading, int atLeast) {
        List<String> stored = rows.sql(sql).query(String.class).list();
        assertThat(stored).hasSizeGreaterThanOrEqualTo(atLeast);
        assertThat(stored).map(reading::apply).doesNotContainNull();
    }
}
