import type { ProjectSummary, RevisionKind, RevisionView, VariantView } from '@intervex/contract';
import { PLAN_VERSION, planFromStore, type Plan } from '@intervex/core';
import type { Client, Pool } from '../db/pool';

/** A connection or a pool. */
export type Db = Pool | Client;

interface VariantRow {
  id: string;
  name: string;
  head: number;
  project_id: string;
  project_name: string;
  plan: unknown;
  plan_version: number;
  created_at: Date;
  node: number;
  parent: number | null;
  redo: number | null;
}

export interface VariantHead extends VariantView {
  /** Revision whose state the head stands for. */
  readonly node: number;
  readonly parent: number | null;
  readonly redo: number | null;
}

const SELECT_VARIANT = `
  select v.id, v.name, v.head, p.id as project_id, p.name as project_name, r.plan, r.plan_version, r.created_at,
         n.revision as node, n.parent,
         (select max(c.revision) from plan_revisions c where c.variant_id = v.id and c.parent = n.revision) as redo
    from variants v
    join projects p on p.id = v.project_id and p.removed_at is null
    join plan_revisions r on r.variant_id = v.id and r.revision = v.head
    join plan_revisions n on n.variant_id = v.id and n.revision = coalesce(r.restores, r.revision)
   where v.id = $1 and v.removed_at is null`;

/** A variant as it stands, or nothing. With `lock`, nobody else can move its head until the transaction ends. */
export async function findVariant(db: Db, id: string, lock = false): Promise<VariantHead | undefined> {
  if (lock) await db.query('select 1 from variants where id = $1 for update', [id]);
  const { rows } = await db.query<VariantRow>(SELECT_VARIANT, [id]);
  const row = rows[0];
  if (!row) return undefined;
  const { plan, dropped } = planFromStore(row.plan_version, row.plan);
  return {
    id: row.id,
    name: row.name,
    revision: row.head,
    savedAt: row.created_at.toISOString(),
    projectId: row.project_id,
    projectName: row.project_name,
    plan,
    ...(dropped.length ? { dropped } : {}),
    canUndo: row.parent !== null,
    canRedo: row.redo !== null,
    node: row.node,
    parent: row.parent,
    redo: row.redo,
  };
}

export async function insertProject(db: Db, name: string): Promise<string> {
  const { rows } = await db.query<{ id: string }>('insert into projects (name) values ($1) returning id', [
    name,
  ]);
  return (rows[0] as { id: string }).id;
}

export async function insertVariant(db: Db, projectId: string, name: string): Promise<string> {
  const { rows } = await db.query<{ id: string }>(
    // Not now(): several made in one transaction keep their order.
    'insert into variants (project_id, name, created_at) values ($1, $2, clock_timestamp()) returning id',
    [projectId, name],
  );
  return (rows[0] as { id: string }).id;
}

interface NewRevision {
  readonly variantId: string;
  readonly revision: number;
  readonly kind: RevisionKind;
  readonly parent: number | null;
  readonly restores: number | null;
  readonly plan: Plan;
  readonly changed: readonly string[];
  readonly who: string;
}

/** Appends a revision and makes it the head. */
export async function insertRevision(db: Db, r: NewRevision): Promise<void> {
  await db.query(
    `insert into plan_revisions (variant_id, revision, kind, parent, restores, plan, plan_version, changed, who)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9)`,
    [
      r.variantId,
      r.revision,
      r.kind,
      r.parent,
      r.restores,
      JSON.stringify(r.plan),
      PLAN_VERSION,
      r.changed,
      r.who,
    ],
  );
  await db.query('update variants set head = $2 where id = $1', [r.variantId, r.revision]);
}

export async function planAt(db: Db, variantId: string, revision: number): Promise<Plan | undefined> {
  const { rows } = await db.query<{ plan: unknown; plan_version: number }>(
    'select plan, plan_version from plan_revisions where variant_id = $1 and revision = $2',
    [variantId, revision],
  );
  return rows[0] && planFromStore(rows[0].plan_version, rows[0].plan).plan;
}

interface ProjectRow {
  id: string;
  name: string;
  variant_id: string;
  variant_name: string;
  head: number;
  saved_at: Date;
}

export async function listProjects(db: Db): Promise<readonly ProjectSummary[]> {
  const { rows } = await db.query<ProjectRow>(
    `select p.id, p.name, v.id as variant_id, v.name as variant_name, v.head, r.created_at as saved_at
       from projects p
       join variants v on v.project_id = p.id and v.removed_at is null
       join plan_revisions r on r.variant_id = v.id and r.revision = v.head
      where p.removed_at is null
      order by p.created_at, p.id, v.created_at, v.id`,
  );
  const byId = new Map<string, ProjectSummary & { variants: ProjectSummary['variants'][number][] }>();
  for (const row of rows) {
    const project = byId.get(row.id) ?? { id: row.id, name: row.name, variants: [] };
    byId.set(row.id, project);
    project.variants.push({
      id: row.variant_id,
      name: row.variant_name,
      revision: row.head,
      savedAt: row.saved_at.toISOString(),
    });
  }
  return [...byId.values()];
}

interface RevisionRow {
  revision: number;
  kind: RevisionKind;
  who: string;
  created_at: Date;
  changed: string[];
}

/** The newest revisions first, at most 200. */
export async function listRevisions(db: Db, variantId: string): Promise<readonly RevisionView[]> {
  const { rows } = await db.query<RevisionRow>(
    `select revision, kind, who, created_at, changed from plan_revisions
      where variant_id = $1 order by revision desc limit 200`,
    [variantId],
  );
  return rows.map((r) => ({
    revision: r.revision,
    kind: r.kind,
    who: r.who,
    at: r.created_at.toISOString(),
    changed: r.changed,
  }));
}

export async function renameProject(db: Db, id: string, name: string): Promise<boolean> {
  const { rowCount } = await db.query('update projects set name = $2 where id = $1 and removed_at is null', [
    id,
    name,
  ]);
  return rowCount === 1;
}

export async function renameVariant(db: Db, id: string, name: string): Promise<boolean> {
  const { rowCount } = await db.query('update variants set name = $2 where id = $1 and removed_at is null', [
    id,
    name,
  ]);
  return rowCount === 1;
}

/** Takes a project out of the lists. Its revisions stay. */
export async function removeProject(db: Db, id: string): Promise<boolean> {
  const { rowCount } = await db.query(
    'update projects set removed_at = now() where id = $1 and removed_at is null',
    [id],
  );
  return rowCount === 1;
}
