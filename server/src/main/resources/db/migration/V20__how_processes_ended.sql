-- Processes that make pieces, and how each ended, as its successor was told: a picture is blamed for a crash, not for a kill.
create table work_process (
    id         uuid primary key,
    name       text        not null,
    began_at   timestamptz not null,
    ended      boolean     not null default false,
    -- The status it ended with, as shells have it: 128 and the signal's number for a signal. Null where nobody knows.
    ended_with int
);
create index work_process_at_work on work_process (name) where not ended;
