-- What originals say of themselves; those that came before are silent.
alter table original add column title text;
alter table original add column creator text;
alter table original add column taken text;
alter table original add column metadata_damaged boolean not null default false;
