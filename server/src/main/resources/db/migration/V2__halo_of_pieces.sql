-- Overshoot at lifted contours, in per cent of their contrast; null where nothing was lifted.
alter table piece add column halo_percent double precision;
