package embrick.server.workers;

import embrick.server.workers.LiveProgress.Making;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What every process is making right now: this one strip by strip, the others as they told a second ago. */
@Component
public class MakingNow {
    private final JdbcClient database;
    private final LiveProgress here;
    private final ProcessId process;

    MakingNow(JdbcClient database, LiveProgress here, ProcessId process) {
        this.database = database;
        this.here = here;
        this.process = process;
    }

    /** How far each piece of a run is that is being made. */
    public Map<UUID, Making> of(UUID runId) {
        Map<UUID, Making> making = new HashMap<>();
        database.sql("""
                        select m.piece_id, m.strip, m.strips, m.checking
                        from work_making m join work_process p on p.id = m.process_id
                        where m.run_id = :run and p.id <> :self and not p.ended and :there""".replace(":there", Workers.IS_THERE))
                .param("run", runId)
                .param("self", process.get())
                .query((row, _) -> making.put(
                        row.getObject("piece_id", UUID.class),
                        new Making(runId, row.getInt("strip"), row.getInt("strips"), row.getBoolean("checking"), 0)))
                .list();
        here.all().forEach((piece, at) -> {
            if (at.runId().equals(runId)) {
                making.put(piece, at);
            }
        });
        return making;
    }
}
