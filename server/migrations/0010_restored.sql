-- An earlier state may be put back as a revision of its own, and what was taken off the lists may be brought back.
alter table plan_revisions drop constraint plan_revisions_kind_check;
alter table plan_revisions add constraint plan_revisions_kind_check
  check (kind in ('create', 'edit', 'undo', 'redo', 'import', 'restore'));
alter table photos add column removed_at timestamptz;
create index projects_in_order on projects (created_at, id) where removed_at is null;
create index projects_removed on projects (removed_at) where removed_at is not null;
create index variants_removed on variants (removed_at) where removed_at is not null;
