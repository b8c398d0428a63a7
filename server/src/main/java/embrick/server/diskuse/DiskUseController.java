package embrick.server.diskuse;

import embrick.server.storage.Storage;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What takes room, as the database knows it, and what is free. */
@RestController
@ConditionalOnWebApplication
@RequestMapping("/api/v1/disk-use")
class DiskUseController {
    private final JdbcClient database;
    private final Storage storage;

    DiskUseController(JdbcClient database, Storage storage) {
        this.database = database;
        this.storage = storage;
    }

    /**
     * @param originals each content once; those that lie in folders of their own are not counted
     * @param deliveries in the storage, as they were checked
     * @param elsewhere deliveries in folders of their own
     */
    record DiskUse(
            long freeBytes,
            long originals,
            long originalBytes,
            long deliveries,
            long deliveryBytes,
            long elsewhere,
            long elsewhereBytes) {}

    @GetMapping
    DiskUse getDiskUse() {
        long free = freeBytes();
        return database.sql("""
                        with kept as (select file_bytes from (
                            select distinct on (digest) digest, file_bytes from original where root is null) one),
                          made as (select o.root, p.file_bytes from piece p join run_order o on o.id = p.order_id
                            join run r on r.id = p.run_id where p.state = 'CHECKED' and r.cleared_at is null)
                        select (select count(*) from kept) as originals,
                          (select coalesce(sum(file_bytes), 0) from kept) as original_bytes,
                          (select count(*) from made where root is null) as deliveries,
                          (select coalesce(sum(file_bytes), 0) from made where root is null) as delivery_bytes,
                          (select count(*) from made where root is not null) as elsewhere,
                          (select coalesce(sum(file_bytes), 0) from made where root is not null) as elsewhere_bytes""")
                .query((row, _) -> new DiskUse(
                        free,
                        row.getLong("originals"),
                        row.getLong("original_bytes"),
                        row.getLong("deliveries"),
                        row.getLong("delivery_bytes"),
                        row.getLong("elsewhere"),
                        row.getLong("elsewhere_bytes")))
                .single();
    }

    private long freeBytes() {
        try {
            return storage.freeBytes();
        } catch (IOException away) {
            throw new UncheckedIOException(away);
        }
    }
}
