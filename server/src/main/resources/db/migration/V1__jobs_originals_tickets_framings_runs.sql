create table job (
    id         uuid primary key,
    name       text        not null,
    created_at timestamptz not null,
    version    bigint      not null
);

create table original (
    id             uuid primary key,
    job_id         uuid        not null references job on delete cascade,
    path           text        not null,
    digest         text        not null,
    file_bytes     bigint      not null,
    state          text        not null,
    facts          jsonb,
    trouble_code   text,
    trouble_text   text,
    trouble_remedy text,
    left_out       boolean     not null,
    added_at       timestamptz not null,
    version        bigint      not null,
    unique (job_id, path)
);
create index original_digest on original (digest);

create table ticket (
    id       uuid primary key,
    job_id   uuid        not null references job on delete cascade,
    document jsonb       not null,
    made_at  timestamptz not null,
    version  bigint      not null
);
create index ticket_job on ticket (job_id);

create table framing (
    id          uuid primary key,
    original_id uuid    not null references original on delete cascade,
    shape_key   text    not null,
    document    jsonb   not null,
    accepted    boolean not null,
    version     bigint  not null,
    unique (original_id, shape_key)
);

create table run (
    id              uuid primary key,
    job_id          uuid        not null references job on delete cascade,
    ticket_id       uuid        not null,
    ticket_document jsonb       not null,
    folder          text        not null,
    idempotency_key text,
    stopped         boolean     not null,
    started_at      timestamptz not null,
    finished_at     timestamptz,
    version         bigint      not null,
    unique (job_id, idempotency_key)
);
create index run_job on run (job_id, started_at);

create table piece (
    id             uuid primary key,
    run_id         uuid        not null references run on delete cascade,
    original_id    uuid        not null,
    original_path  text        not null,
    position       integer     not null,
    name           text        not null,
    state          text        not null,
    plan           jsonb,
    width          integer     not null,
    height         integer     not null,
    expected_bytes bigint      not null,
    attempts       integer     not null,
    digest         text,
    file_bytes     bigint,
    trouble_code   text,
    trouble_text   text,
    trouble_remedy text,
    changed_at     timestamptz not null,
    version        bigint      not null,
    unique (run_id, name)
);
create index piece_run on piece (run_id, position);
create index piece_original on piece (original_id);

-- db-scheduler 16, its own definition for PostgreSQL.
create table scheduled_tasks (
    task_name            text        not null,
    task_instance        text        not null,
    task_data            bytea,
    execution_time       timestamptz not null,
    picked               boolean     not null,
    picked_by            text,
    last_success         timestamptz,
    last_failure         timestamptz,
    consecutive_failures int,
    last_heartbeat       timestamptz,
    version              bigint      not null,
    priority             smallint,
    primary key (task_name, task_instance)
);
create index execution_time_idx on scheduled_tasks (execution_time);
create index last_heartbeat_idx on scheduled_tasks (last_heartbeat);
create index priority_execution_time_idx on scheduled_tasks (priority desc, execution_time asc);
