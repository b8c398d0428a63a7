-- Folders that print what is dropped into them, and each file that was taken out of them.
create table hot_folder (
    id              uuid primary key,
    name            text        not null,
    root            text        not null,
    path            text        not null,
    saved_ticket_id uuid references saved_ticket (id) on delete set null,
    target          text        not null check (target in ('DELIVERIES', 'FOLDER')),
    target_root     text,
    target_path     text,
    is_on           boolean     not null,
    -- The job of a day, made from the ticket as it was saved then.
    job_id          uuid references job (id) on delete set null,
    job_day         date,
    ticket_saved_at timestamptz,
    added_at        timestamptz not null,
    version         bigint      not null,
    check ((target = 'FOLDER') = (target_root is not null) and (target = 'FOLDER') = (target_path is not null))
);
create unique index hot_folder_once on hot_folder (root, md5(path));

create table hot_file (
    id            uuid primary key,
    hot_folder_id uuid        not null references hot_folder (id) on delete cascade,
    -- Where it was dropped, below the hot folder.
    path          text        not null,
    state         text        not null,
    job_id        uuid,
    original_id   uuid,
    batch_id      uuid,
    run_id        uuid,
    reason        text,
    -- The name it is, or was, moved to below "done" or "failed".
    moved_to      text,
    moved         boolean     not null default false,
    seen_at       timestamptz not null,
    settled_at    timestamptz,
    version       bigint      not null
);
create index hot_file_open on hot_file (hot_folder_id) where not moved;
create index hot_file_settled on hot_file (hot_folder_id, settled_at);
