-- The quality a JPEG piece was coded at, as its file tells it: with a largest size it is lower than the ticket's.
alter table piece add column jpeg_quality integer;
