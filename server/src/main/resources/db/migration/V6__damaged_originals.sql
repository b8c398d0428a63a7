-- Damaged pictures that can be seen all the same: where the damage begins, as a share of the stored picture's height, and
-- whether a person said that they are printed as they are.
alter table original add column damage_begins double precision;
alter table original add column printed_damaged boolean not null default false;
