-- What is set for this installation, by name.
create table settings (
  name text primary key,
  value jsonb not null
);

-- What nobody else may know; in no backup.
create table secrets (
  name text primary key,
  value text not null
);

create table people (
  id uuid primary key default gen_random_uuid(),
  name text not null check (length(name) between 1 and 60),
  role text not null check (role in ('owner', 'builder', 'helper')),
  -- scrypt with its costs and salt; nothing where somebody comes by a paired device alone.
  password text,
  created_at timestamptz not null default now(),
  removed_at timestamptz
);
create unique index people_by_name on people (lower(name)) where removed_at is null;

-- Devices that were paired with a code. Of the token only its hash is kept.
create table devices (
  id uuid primary key default gen_random_uuid(),
  person_id uuid not null references people (id),
  name text not null check (length(name) between 1 and 60),
  token bytea not null unique,
  pin text not null,
  paired_at timestamptz not null default now(),
  seen_at timestamptz not null default now(),
  ended_at timestamptz
);

-- Codes that pair one device, once, for some minutes. Nothing of them is worth keeping.
create unlogged table pair_codes (
  code bytea primary key,
  person_id uuid not null references people (id),
  ends_at timestamptz not null
);

-- Links by which a guest reads one variant until they end or are withdrawn.
create table guest_links (
  id uuid primary key default gen_random_uuid(),
  variant_id uuid not null references variants (id),
  name text not null check (length(name) between 1 and 60),
  token bytea not null unique,
  made_at timestamptz not null default now(),
  ends_at timestamptz not null,
  withdrawn_at timestamptz
);

-- Sessions, as the session package keeps them.
create table sessions (
  sid varchar primary key,
  sess json not null,
  expire timestamp(6) not null
);
create index sessions_by_end on sessions (expire);

-- Who did what, beside what the revisions tell. Nothing in it is overwritten.
create table audit (
  id bigint generated always as identity primary key,
  at timestamptz not null default now(),
  who text not null,
  what text not null,
  about jsonb not null default '{}'
);
create function refuse_audit_rewriting() returns trigger language plpgsql as $$
begin
  raise exception 'audit is append-only' using errcode = 'restrict_violation';
end;
$$;
create trigger audit_append_only
  before update or delete or truncate on audit
  for each statement execute function refuse_audit_rewriting();
