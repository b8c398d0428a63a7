-- Tickets that are kept outside jobs.
create table saved_ticket (
    id           uuid primary key,
    name         text        not null,
    document     jsonb       not null,
    for_new_jobs boolean     not null default false,
    saved_at     timestamptz not null,
    version      bigint      not null
);
-- No two alike, whatever their letters' case; and one at most that new jobs begin with.
create unique index saved_ticket_name on saved_ticket (lower(name));
create unique index saved_ticket_for_new_jobs on saved_ticket (for_new_jobs) where for_new_jobs;
