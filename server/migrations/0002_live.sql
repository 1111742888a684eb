-- Every new revision is told to all server processes; they tell the pages that have the variant open.
create function tell_revision() returns trigger language plpgsql as $$
begin
  perform pg_notify(
    'intervex_live',
    json_build_object('kind', 'revision', 'variant', new.variant_id, 'revision', new.revision, 'who', new.who)::text
  );
  return null;
end;
$$;

create trigger plan_revisions_told
  after insert on plan_revisions
  for each row execute function tell_revision();

-- Pages that have a variant open now. Lost with a crash of the database, and written anew within a minute.
create unlogged table presence (
  page_id uuid primary key,
  variant_id uuid not null references variants (id),
  who text not null,
  seen_at timestamptz not null default now()
);

create index presence_by_variant on presence (variant_id);
