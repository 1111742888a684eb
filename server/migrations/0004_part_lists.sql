-- What the parts counter had when it was last heard, so that work goes on while it is away.
create table part_lists (
  kind text primary key,
  offers jsonb not null,
  heard_at timestamptz not null
);
