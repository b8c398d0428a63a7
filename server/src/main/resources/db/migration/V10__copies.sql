-- How many prints are made of a piece's file.
alter table piece add column copies integer not null default 1;
