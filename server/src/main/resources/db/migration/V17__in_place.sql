-- Originals that lie on the server's own disks, opened where they are: the folder's name, and the path below it.
alter table original add column root text;
alter table original add column root_path text;
alter table original add column file_modified timestamptz;
alter table original add constraint original_place check ((root is null) = (root_path is null) and (root is null) = (file_modified is null));
create unique index original_in_place on original (job_id, root, md5(root_path)) where root is not null;

-- Folders that a job's originals lie in: what is new in them is offered.
create table opened_folder (
    id uuid primary key,
    job_id uuid not null references job (id) on delete cascade,
    root text not null,
    path text not null,
    opened_at timestamptz not null,
    -- An intake that was asked for and has not ended: it goes on after a restart.
    intake text,
    version bigint not null
);
create unique index opened_folder_once on opened_folder (job_id, root, md5(path));
