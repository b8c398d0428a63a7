-- A run carries out one order or several: each a ticket as it was, and the folder its pieces go to.
create table run_order (
    id              uuid primary key,
    run_id          uuid    not null references run on delete cascade,
    position        integer not null,
    ticket_id       uuid    not null,
    ticket_document jsonb   not null,
    folder          text    not null,
    unique (run_id, position)
);
insert into run_order (id, run_id, position, ticket_id, ticket_document, folder)
select gen_random_uuid(), id, 0, ticket_id, ticket_document, folder from run;

alter table piece add column order_id uuid references run_order on delete cascade;
update piece set order_id = o.id from run_order o where o.run_id = piece.run_id;
alter table piece alter column order_id set not null;
alter table piece drop constraint piece_run_id_name_key;
alter table piece add unique (order_id, name);

alter table run drop column ticket_id, drop column ticket_document, drop column folder;

-- Tickets stand in an order of their own, and may be switched off: a run of the job then passes them over.
alter table ticket add column position integer not null default 0;
alter table ticket add column is_on boolean not null default true;
update ticket set position = placed.position
from (select id, row_number() over (partition by job_id order by made_at, id) - 1 as position from ticket) placed
where placed.id = ticket.id;
