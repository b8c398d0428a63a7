-- Where a job's deliveries go, and below which folder of the server a delivery lies; null for the storage's own.
alter table job add column target text not null default 'DELIVERIES' check (target in ('DELIVERIES', 'BESIDE_ORIGINALS', 'FOLDER'));
alter table job add column target_root text;
alter table job add column target_path text;
alter table job add constraint job_target_folder
    check ((target = 'FOLDER') = (target_root is not null) and (target = 'FOLDER') = (target_path is not null));
alter table run_order add column root text;
