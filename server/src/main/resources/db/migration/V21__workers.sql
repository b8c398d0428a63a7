-- Processes tell, second by second, that they are there and what they are making: seen on a page, whichever machine it is on.
alter table work_process
    add column machine      text,
    add column number       bigint,
    add column has_pages    boolean not null default false,
    add column threads      int     not null default 0,
    add column memory_bytes bigint  not null default 0,
    -- By the database's clock: those of the machines need not agree.
    add column seen_at      timestamptz;

-- Written anew all the time and worth nothing after a crash: not logged.
create unlogged table work_making (
    process_id uuid    not null references work_process on delete cascade,
    piece_id   uuid    not null,
    run_id     uuid    not null,
    strip      int     not null,
    strips     int     not null,
    checking   boolean not null,
    primary key (process_id, piece_id)
);

-- The storage folder that belongs to this database: the same two numbers lie in a file in it. The token is new with each
-- start of the application, so that an old copy of the folder is not taken for it.
create table storage_identity (
    only_one boolean primary key default true check (only_one),
    id       uuid not null,
    token    uuid not null
);

-- Runs that somebody has put before the others.
alter table run add column put_first boolean not null default false;

-- How many pieces a worker made lately.
create index piece_made_by on piece (made_by, changed_at) where state = 'CHECKED';

-- What each process has spent on the stages of its pieces since it began; like the above, of no worth after a crash.
create unlogged table work_stage (
    process_id uuid             not null references work_process on delete cascade,
    stage      text             not null,
    times      bigint           not null,
    seconds    double precision not null,
    primary key (process_id, stage)
);
