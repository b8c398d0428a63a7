-- The ppi that somebody stated for a picture whose file has lost its size, or gives a wrong one.
alter table original add column stated_ppi numeric;
