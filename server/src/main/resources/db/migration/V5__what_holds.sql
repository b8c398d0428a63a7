-- Contents that perhaps no job refers to: noted before a file is placed, and with the change that lets one go. Each is
-- looked at afterwards, at the latest at the next start, so that a kill leaves no file behind.
create table loose_content (
    id       uuid primary key,
    digest   text        not null,
    noted_at timestamptz not null
);

-- Pieces: who is making it and how often its process ended meanwhile; and the transaction that changed it last, by which
-- changes are told to pages whatever any clock says.
alter table piece add column made_by uuid;
alter table piece add column deaths integer not null default 0;
alter table piece add column changed_in bigint not null default 0;
create index piece_run_changed on piece (run_id, changed_in);
create index piece_run_state on piece (run_id, state);

create function note_transaction() returns trigger language plpgsql as $$
begin
    new.changed_in := cast(cast(pg_current_xact_id() as text) as bigint);
    return new;
end $$;
create trigger piece_changed before insert or update on piece for each row execute function note_transaction();

-- Runs: what a start was asked with; why it is held up; and the stretch of work that its speed is reckoned from.
alter table run add column request_digest text;
alter table run add column pause_code text;
alter table run add column pause_text text;
alter table run add column pause_remedy text;
alter table run add column stretch_started_at timestamptz;
alter table run add column stretch_checked integer not null default 0;
update run set stretch_started_at = started_at;
alter table run alter column stretch_started_at set not null;
create index run_open on run (job_id) where finished_at is null;

-- The ppi of a piece's file: a picture may have one of its own.
alter table piece add column marked_ppi double precision;
update piece set marked_ppi =
    cast(plan -> 'marked' ->> 'pixels' as double precision) * 914400
    / cast(plan -> 'marked' ->> 'perParts' as double precision)
where plan -> 'marked' is not null;
