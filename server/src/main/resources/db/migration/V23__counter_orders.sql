-- Pieces that were ordered at the counter. The order's own id is the key that it is sent under, so that it is given once.
create table counter_order (
    id uuid primary key,
    run_id uuid not null references run on delete cascade,
    idempotency_key text not null,
    asked_digest text not null,
    reference text not null,
    state text not null,
    remote_id text,
    currency text not null,
    price numeric not null,
    trouble text,
    created_at timestamptz not null,
    changed_at timestamptz not null,
    version bigint not null,
    unique (run_id, idempotency_key)
);
create index counter_order_state on counter_order (state);

-- The name, size and digest are of the file that is sent: a piece may be made again meanwhile.
create table counter_piece (
    order_id uuid not null references counter_order on delete cascade,
    number integer not null,
    piece_id uuid not null,
    original_id uuid not null,
    ticket_id uuid not null,
    name text not null,
    product text not null,
    product_name text not null,
    copies integer not null,
    bytes bigint not null,
    sha256 text not null,
    sent_bytes bigint not null,
    state text not null,
    refusals jsonb not null,
    primary key (order_id, number)
);
