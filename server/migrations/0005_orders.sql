-- Orders with the shaft maker, and all that became of them. Nothing is overwritten: where one stands is its last event.
create table orders (
  id uuid primary key default gen_random_uuid(),
  variant_id uuid not null references variants (id),
  revision integer not null,
  content jsonb not null,
  quote jsonb not null,
  created_at timestamptz not null default now()
);
create index orders_variant on orders (variant_id);

create table order_events (
  order_id uuid not null references orders (id),
  n integer not null,
  at timestamptz not null default now(),
  who text not null,
  state text not null
    check (state in ('quoted', 'paid', 'cutting', 'shipped', 'late', 'wrong', 'accepted', 'sentBack')),
  note text not null default '',
  received jsonb,
  primary key (order_id, n)
);

create function refuse_order_rewriting() returns trigger language plpgsql as $$
begin
  raise exception 'order_events is append-only' using errcode = 'restrict_violation';
end;
$$;

create trigger order_events_append_only
  before update or delete or truncate on order_events
  for each statement execute function refuse_order_rewriting();
