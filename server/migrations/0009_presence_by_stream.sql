-- A page that is open is known by its stream, which the server names: nobody can speak for another’s. Nothing of it is
-- worth keeping, so it is made anew.
drop table presence;
create unlogged table presence (
  stream_id uuid primary key,
  page_id uuid not null,
  variant_id uuid not null references variants (id),
  who text not null,
  seen_at timestamptz not null default now()
);
create index presence_by_variant on presence (variant_id);
