-- Which version of the plan a revision was written in. Revisions of before are taken as the first one: bringing a plan up
-- to date adds only what is missing.
alter table plan_revisions add column plan_version integer not null default 1 check (plan_version >= 1);
alter table plan_revisions alter column plan_version drop default;
