package embrick.server.runs;

import static java.time.ZoneOffset.UTC;

import com.github.kagkarlsson.scheduler.Scheduler;
import embrick.server.Locks;
import embrick.server.storage.Storage;
import java.time.Instant;
import java.util.Collection;
import java.util.UUID;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * The queue: a row for each piece that waits, holding only its id. See {@link PieceTask} for what takes from it.
 *
 * <p>Pieces are due since the beginning of time, so that no clock that is set back keeps them waiting. Priority falls with a
 * piece's turn in its run, so that all runs advance together, and a run that begins does so where the others are: each gets
 * the same share of the workers, and none waits for ever (start-time fair queueing, Goyal, Vin and Cheng 1996, each piece
 * counted as one). Runs that somebody has put first have the positive numbers for themselves.
 */
@Component
class PieceQueue {
    private static final String ORDER = Storage.digestOfText("the order of the queue");

    private final JdbcClient database;
    private final Locks locks;
    private final ObjectProvider<Scheduler> scheduler;

    PieceQueue(JdbcClient database, Locks locks, ObjectProvider<Scheduler> scheduler) {
        this.database = database;
        this.locks = locks;
        this.scheduler = scheduler;
    }

    /** Puts a run's waiting pieces into the queue, inside the caller's transaction; those that are in it stay. */
    void schedule(UUID runId) {
        locks.hold(ORDER);
        bringForward();
        database.sql("""
                        insert into scheduled_tasks (task_name, task_instance, execution_time, picked, version, priority)
                        select 'piece', cast(p.id as text), timestamptz 'epoch', false, 1,
                          case when r.put_first then greatest(32768 - row_number() over turns, 1)
                               else greatest(1 - row_number() over turns, -32768) end
                        from piece p join run r on r.id = p.run_id
                        where p.run_id = :run and p.state = 'WAITING'
                        window turns as (order by p.position)
                        on conflict do nothing""").param("run", runId).update();
        wakeAfterCommit();
    }

    /** The turn that is next becomes number 0 again: who begins now begins with it, and numbers never run out. */
    private void bringForward() {
        database.sql("""
                        update scheduled_tasks t set priority = least(0, t.priority - next.turn)
                        from (select max(priority) as turn from scheduled_tasks
                              where task_name = 'piece' and not picked and priority <= 0 and execution_time <= now()) next
                        where t.task_name = 'piece' and not t.picked and t.priority <= 0 and next.turn < 0""").update();
    }

    /** Takes a run's pieces out of the queue that nobody has begun. */
    void unschedule(UUID runId) {
        database.sql("""
                        delete from scheduled_tasks where task_name = 'piece' and not picked
                          and task_instance in (select cast(id as text) from piece where run_id = :run)""").param("run", runId).update();
    }

    /** The queue of this process would otherwise look again only at its next poll. */
    private void wakeAfterCommit() {
        scheduler.ifAvailable(
                queue -> TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                    @Override
                    public void afterCommit() {
                        queue.triggerCheckForDueExecutions();
                    }
                }));
    }

    /**
     * Gives free what a process of this name had picked: called at its start, before it picks anything, when whatever it had
     * picked before is nobody's.
     */
    void freePickedBy(String name) {
        database.sql("""
                        update scheduled_tasks set picked = false, picked_by = null, last_heartbeat = null,
                          version = version + 1
                        where picked and picked_by = :name""").param("name", name).update();
    }

    /** Pieces that wait or are being made, of runs that go on, and are not in the queue: puts them there. */
    int scheduleLost() {
        int lost = database.sql("""
                        insert into scheduled_tasks (task_name, task_instance, execution_time, picked, version, priority)
                        select 'piece', cast(p.id as text), timestamptz 'epoch', false, 1, case when r.put_first then 1 else 0 end
                        from piece p join run r on r.id = p.run_id
                        where r.finished_at is null and not r.stopped and r.pause_code is null
                          and p.state in ('WAITING', 'MAKING')
                          and not exists (select 1 from scheduled_tasks t
                            where t.task_name = 'piece' and t.task_instance = cast(p.id as text))
                        on conflict do nothing""").update();
        if (lost > 0) {
            scheduler.ifAvailable(Scheduler::triggerCheckForDueExecutions);
        }
        return lost;
    }

    /** Times that lie ahead of the clock come from a clock that has been set back since: they are brought to now. */
    int pullBack(Instant now, Instant latestTry, Instant latestBeat) {
        int early = database.sql("update scheduled_tasks set execution_time = :now where execution_time > :latest")
                .param("now", now.atOffset(UTC))
                .param("latest", latestTry.atOffset(UTC))
                .update();
        int beats = database.sql("update scheduled_tasks set last_heartbeat = :now where last_heartbeat > :latest")
                .param("now", now.atOffset(UTC))
                .param("latest", latestBeat.atOffset(UTC))
                .update();
        if (early > 0) {
            scheduler.ifAvailable(Scheduler::triggerCheckForDueExecutions);
        }
        return early + beats;
    }

    /** Runs that have pieces open though they are stopped, or none though they are not finished. */
    Collection<UUID> unsettledRuns() {
        return database.sql("""
                        select r.id from run r where r.finished_at is null and r.stopped and exists (
                          select 1 from piece p where p.run_id = r.id and p.state in ('WAITING', 'MAKING')
                            and not exists (select 1 from scheduled_tasks t
                              where t.task_name = 'piece' and t.task_instance = cast(p.id as text)))
                        union
                        select r.id from run r where r.finished_at is null and not exists (
                          select 1 from piece p where p.run_id = r.id and p.state in ('WAITING', 'MAKING'))""").query(UUID.class).list();
    }

    /** Stops the pieces of a stopped run that nobody is at. */
    void stopAbandoned(UUID runId, Instant now) {
        database.sql("""
                        update piece p set state = 'STOPPED', changed_at = :now, version = version + 1
                        where p.run_id = :run and p.state in ('WAITING', 'MAKING')
                          and exists (select 1 from run r where r.id = p.run_id and r.stopped)
                          and not exists (select 1 from scheduled_tasks t
                            where t.task_name = 'piece' and t.task_instance = cast(p.id as text))""").param("now", now.atOffset(UTC)).param("run", runId).update();
    }
}
