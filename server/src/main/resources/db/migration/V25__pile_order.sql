-- The order of a job's pictures: by name, by the date they were taken, by colour loss as it was, or by hand. The key comes
-- before the name, so that pictures of equal keys are in the order of their names; it is empty in a job ordered by name.
alter table job add column pile_order text not null default 'NAME';
alter table job add constraint job_pile_order check (pile_order in ('NAME', 'DATE', 'LOSS', 'HAND'));
alter table original add column sort_key text collate "C" not null default '';
