create table projects (
  id uuid primary key default gen_random_uuid(),
  name text not null check (length(name) between 1 and 80),
  created_at timestamptz not null default now(),
  removed_at timestamptz
);

create table variants (
  id uuid primary key default gen_random_uuid(),
  project_id uuid not null references projects (id),
  name text not null check (length(name) between 1 and 80),
  head integer not null default 0,
  created_at timestamptz not null default now(),
  removed_at timestamptz
);

create index variants_by_project on variants (project_id);

-- Append-only. An edit stands on its parent; an undo or redo restores an earlier revision, so the state a
-- revision stands for is coalesce(restores, revision).
create table plan_revisions (
  variant_id uuid not null references variants (id),
  revision integer not null check (revision > 0),
  kind text not null check (kind in ('create', 'edit', 'undo', 'redo', 'import')),
  parent integer,
  restores integer,
  plan jsonb not null,
  changed text[] not null default '{}',
  who text not null,
  created_at timestamptz not null default now(),
  primary key (variant_id, revision)
);

create index plan_revisions_by_parent on plan_revisions (variant_id, parent);

create function refuse_rewriting() returns trigger language plpgsql as $$
begin
  raise exception 'plan_revisions is append-only' using errcode = 'restrict_violation';
end;
$$;

create trigger plan_revisions_append_only
  before update or delete or truncate on plan_revisions
  for each statement execute function refuse_rewriting();

create table seeds (
  name text primary key,
  seeded_at timestamptz not null default now()
);
