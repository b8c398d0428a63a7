create table departure (
    id          uuid primary key,
    original_id uuid   not null references original on delete cascade,
    ticket_id   uuid   not null references ticket on delete cascade,
    document    jsonb  not null,
    version     bigint not null,
    unique (ticket_id, original_id)
);
create index departure_original on departure (original_id);

-- What was done to framings and departures, for undo and redo: position counts up within a job.
create table act (
    id       uuid primary key,
    job_id   uuid        not null references job on delete cascade,
    position bigint      not null,
    words    text        not null,
    document jsonb       not null,
    undone   boolean     not null,
    made_at  timestamptz not null,
    version  bigint      not null,
    unique (job_id, position)
);
