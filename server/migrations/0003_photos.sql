-- Pictures of tags, patterns and damage. Which place of a plan one belongs to stands in the plan; a picture itself
-- never changes, so a page may keep it for good.
create table photos (
  id uuid primary key default gen_random_uuid(),
  width integer not null check (width > 0),
  height integer not null check (height > 0),
  picture bytea not null,
  thumb bytea not null,
  who text not null,
  created_at timestamptz not null default now()
);
