-- A print that was cut out of a scan keeps its link to it; when the scan is deleted the print stays.
alter table original add column derived_from uuid references original (id) on delete set null;
