import type {
  OrderState,
  ProjectsQuery,
  ProjectSummary,
  RemovedRefusal,
  RevisionKind,
  RevisionView,
  VariantView,
} from '@intervex/contract';
import { PLAN_VERSION, planFromStore, type Plan } from '@intervex/core';
import { CHANNEL } from '../db/channel';
import type { Client, Pool } from '../db/pool';
import { AT_THE_COMPUTER } from '../people/identity';
import { readStored, remember, remembered, type ReadPlan } from './plan-cache';

/** A connection or a pool. */
export type Db = Pool | Client;

interface VariantRow {
  id: string;
  name: string;
  head: number;
  project_id: string;
  project_name: string;
  strip: string[] | null;
  plan: unknown;
  plan_version: number;
  saved_at: Date;
  at: string;
  node: number;
  parent: number | null;
  redo: number | null;
  undoes: string[];
  redoes: string[] | null;
  undoes_by: string;
  redoes_by: string | null;
  kind: RevisionKind;
  who: string;
}

export interface VariantHead extends VariantView {
  /** Revision whose state the head stands for. */
  readonly node: number;
  readonly parent: number | null;
  readonly redo: number | null;
  /** The plan as it goes over the wire. */
  readonly json: string;
}

/** $2: when the plan that is remembered was written, which then need not be read again. */
const SELECT_VARIANT = `
  select v.id, v.name, v.head, p.id as project_id, p.name as project_name, p.strip,
         case when r.created_at = $2::timestamptz then null else r.plan end as plan, r.plan_version,
         r.created_at as saved_at, r.created_at::text as at,
         n.revision as node, n.parent, n.changed as undoes, n.who as undoes_by, r.kind, r.who,
         c.changed as redoes, c.who as redoes_by, c.revision as redo
    from variants v
    join projects p on p.id = v.project_id and p.removed_at is null
    join plan_revisions r on r.variant_id = v.id and r.revision = v.head
    join plan_revisions n on n.variant_id = v.id and n.revision = coalesce(r.restores, r.revision)
    left join lateral (select revision, changed, who from plan_revisions
                        where variant_id = v.id and parent = n.revision order by revision desc limit 1) c on true
   where v.id = $1 and v.removed_at is null`;

/** A variant as it stands, or nothing. With `lock`, nobody else can move its head until the transaction ends. */
export async function findVariant(db: Db, id: string, lock = false): Promise<VariantHead | undefined> {
  if (lock) await db.query('select 1 from variants where id = $1 for update', [id]);
  const known = remembered(id);
  const { rows } = await db.query<VariantRow>({
    name: 'variant',
    text: SELECT_VARIANT,
    values: [id, known?.at ?? null],
  });
  const row = rows[0];
  if (!row) return undefined;
  const read =
    known && row.plan === null ? known : remember(id, readStored(row.at, row.plan_version, row.plan));
  return headOf(row, read);
}

const headOf = (row: VariantRow, { plan, dropped, json }: ReadPlan): VariantHead => ({
  id: row.id,
  name: row.name,
  revision: row.head,
  savedAt: row.saved_at.toISOString(),
  projectId: row.project_id,
  projectName: row.project_name,
  ...(row.strip ? { strip: row.strip } : {}),
  plan,
  ...(dropped.length ? { dropped } : {}),
  canUndo: row.parent !== null,
  canRedo: row.redo !== null,
  ...(row.parent === null ? {} : { undoes: row.undoes, undoesBy: row.undoes_by }),
  ...(row.redoes ? { redoes: row.redoes, redoesBy: row.redoes_by ?? '' } : {}),
  last: { kind: row.kind, who: row.who },
  node: row.node,
  parent: row.parent,
  redo: row.redo,
  json,
});

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

interface Written {
  readonly savedAt: Date;
  readonly at: string;
  /** The plan as it goes over the wire. */
  readonly json: string;
}

/**
 * Appends a revision and makes it the head, in one statement.
 *
 * @returns nothing where somebody else appended that revision first, or the variant is no more
 */
export async function insertRevision(db: Db, r: NewRevision): Promise<Written | undefined> {
  const json = JSON.stringify(r.plan);
  const { rows } = await db.query<{ saved_at: Date; at: string }>({
    name: 'append',
    text: `with moved as (update variants set head = $2 where id = $1 and head = $2 - 1 and removed_at is null returning id)
      insert into plan_revisions (variant_id, revision, kind, parent, restores, plan, plan_version, changed, who, created_at)
      select id, $2, $3, $4, $5, $6, $7, $8, $9, clock_timestamp() from moved
      returning created_at as saved_at, created_at::text as at`,
    values: [r.variantId, r.revision, r.kind, r.parent, r.restores, json, PLAN_VERSION, r.changed, r.who],
  });
  const row = rows[0];
  return row && { savedAt: row.saved_at, at: row.at, json };
}

export async function planAt(db: Db, variantId: string, revision: number): Promise<Plan | undefined> {
  const { rows } = await db.query<{ plan: unknown; plan_version: number }>(
    'select plan, plan_version from plan_revisions where variant_id = $1 and revision = $2',
    [variantId, revision],
  );
  return rows[0] && planFromStore(rows[0].plan_version, rows[0].plan).plan;
}

/** Newest revisions of variants by their ids. */
export async function headsOf(db: Db, ids: readonly string[]): Promise<ReadonlyMap<string, number>> {
  const { rows } = await db.query<{ id: string; head: number }>(
    'select id, head from variants where id = any($1::uuid[]) and removed_at is null',
    [ids],
  );
  return new Map(rows.map(({ id, head }) => [id, head]));
}

interface ProjectRow {
  id: string;
  name: string;
  variant_id: string;
  variant_name: string;
  head: number;
  saved_at: Date;
}

/** A page of the projects. */
interface ProjectPage {
  /** How many fit the search, of how many. */
  readonly found: number;
  readonly of: number;
  readonly projects: readonly ProjectSummary[];
}

/** A page of those projects in whose name, or those of whose variants, every word occurs; and how many those are. */
const SOUGHT = `
  select p.id, count(*) over ()::int as found from projects p
    join variants v on v.project_id = p.id and v.removed_at is null
   where p.removed_at is null
   group by p.id having p.name || ' ' || string_agg(v.name, ' ') ilike all($1::text[])
   order by p.created_at, p.id offset $2 limit $3`;
/** A page of all of them. */
const ALL = `
  select p.id, 0 as found from projects p where p.removed_at is null
   order by p.created_at, p.id offset $2 limit $3 + cardinality($1::text[])`;

/** A page of the projects in the order they were begun, with their variants. */
export async function listProjects(db: Db, { find, from, limit }: ProjectsQuery): Promise<ProjectPage> {
  const words = find
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`);
  const { rows: page } = await db.query<{ id: string; found: number }>(words.length ? SOUGHT : ALL, [
    words,
    from,
    limit,
  ]);
  const { rows: counted } = await db.query<{ n: number }>(
    'select count(*)::int as n from projects where removed_at is null',
  );
  const of = counted[0]?.n ?? 0;
  const { rows } = await db.query<ProjectRow>(
    `select p.id, p.name, v.id as variant_id, v.name as variant_name, v.head, r.created_at as saved_at
       from projects p
       join variants v on v.project_id = p.id and v.removed_at is null
       join plan_revisions r on r.variant_id = v.id and r.revision = v.head
      where p.id = any($1::uuid[])
      order by p.created_at, p.id, v.created_at, v.id`,
    [page.map(({ id }) => id)],
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
  return { found: words.length ? (page[0]?.found ?? 0) : of, of, projects: [...byId.values()] };
}

interface RevisionRow {
  revision: number;
  kind: RevisionKind;
  who: string;
  created_at: Date;
  changed: string[];
}

/** Revisions before one of them, or the newest: newest first. */
export async function listRevisions(
  db: Db,
  variantId: string,
  { before, limit }: { readonly before?: number | undefined; readonly limit: number },
): Promise<readonly RevisionView[]> {
  const { rows } = await db.query<RevisionRow>(
    `select revision, kind, who, created_at, changed from plan_revisions
      where variant_id = $1 and revision < $2 order by revision desc limit $3`,
    [variantId, before ?? 2 ** 31 - 1, limit],
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

/** Sets which numbers the running strip of a project holds. */
export async function setStrip(db: Db, id: string, strip: readonly string[]): Promise<boolean> {
  const { rowCount } = await db.query('update projects set strip = $2 where id = $1 and removed_at is null', [
    id,
    strip,
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

/** Locks the project of a variant until the transaction ends, and tells it and how many variants it has. */
export async function lockProject(
  db: Db,
  variant: string,
): Promise<{ id: string; variants: number } | undefined> {
  const { rows } = await db.query<{ id: string }>(
    `select p.id from projects p
       join variants v on v.project_id = p.id and v.id = $1 and v.removed_at is null
      where p.removed_at is null for update of p`,
    [variant],
  );
  const id = rows[0]?.id;
  if (!id) return undefined;
  const { rows: left } = await db.query<{ n: number }>(
    'select count(*)::int as n from variants where project_id = $1 and removed_at is null',
    [id],
  );
  return { id, variants: left[0]?.n ?? 0 };
}

/** Takes a variant out of the lists. Its revisions stay. */
export async function removeVariant(db: Db, id: string): Promise<void> {
  await db.query('update variants set removed_at = now() where id = $1', [id]);
}

/** States in which parts are made and on their way: somebody still has to see them. */
const UNDER_WAY = [
  'paying',
  'paid',
  'cutting',
  'shipped',
  'late',
  'wrong',
] as const satisfies readonly OrderState[];

/** Numbers of the maker's orders under way, of a variant or of all of a project. */
export async function ordersUnderWay(
  db: Db,
  of: { variant: string } | { project: string },
): Promise<readonly string[]> {
  const [column, id] = 'variant' in of ? ['v.id', of.variant] : ['v.project_id', of.project];
  const { rows } = await db.query<{ number: string }>(
    `select o.quote ->> 'number' as number from orders o
       join variants v on v.id = o.variant_id and v.removed_at is null
       join lateral (select state from order_events e where e.order_id = o.id order by n desc limit 1) last on true
      where ${column} = $1 and last.state = any($2) order by o.created_at`,
    [id, UNDER_WAY],
  );
  return rows.map(({ number }) => number);
}

/** What a project or variant is called, for the audit; also of one that was removed. */
export async function calledOf(db: Db, id: string): Promise<string> {
  const { rows } = await db.query<{ name: string }>(
    `select name from projects where id = $1
     union all select p.name || ', ' || v.name from variants v join projects p on p.id = v.project_id where v.id = $1`,
    [id],
  );
  return rows[0]?.name ?? '';
}

/** What took a variant off the lists; nothing where it stands there, or never was. */
export async function removedAs(db: Db, id: string): Promise<RemovedRefusal['removed'] | undefined> {
  const { rows } = await db.query<{
    id: string;
    kind: 'variant' | 'project';
    name: string;
    at: Date;
    who: string | null;
  }>(
    `select gone.id, gone.kind, gone.name, gone.at, noted.who
       from (select case when p.removed_at is null then v.id else p.id end as id,
                    case when p.removed_at is null then 'variant' else 'project' end as kind,
                    case when p.removed_at is null then p.name || ', ' || v.name else p.name end as name,
                    coalesce(p.removed_at, v.removed_at) as at
               from variants v join projects p on p.id = v.project_id
              where v.id = $1 and (v.removed_at is not null or p.removed_at is not null)) as gone
       left join lateral (select who from audit
                           where what = gone.kind || ' removed' and about ->> gone.kind = gone.id::text
                           order by audit.id desc limit 1) as noted on noted.who <> $2`,
    [id, AT_THE_COMPUTER],
  );
  const [row] = rows;
  if (!row) return undefined;
  const { at, who, ...rest } = row;
  return { ...rest, at: at.toISOString(), ...(who === null ? {} : { who }) };
}

/** Tells the pages of a variant, or of all variants of a project, that it was taken off the lists or brought back. */
export async function tellListed(db: Db, id: string): Promise<void> {
  await db.query(
    `select pg_notify($2, json_build_object('kind', 'listed', 'variant', id)::text)
       from variants where id = $1 or project_id = $1`,
    [id, CHANNEL],
  );
}

/** Takes a project out of the lists. Its revisions stay. */
export async function removeProject(db: Db, id: string): Promise<boolean> {
  const { rowCount } = await db.query(
    'update projects set removed_at = now() where id = $1 and removed_at is null',
    [id],
  );
  return rowCount === 1;
}
