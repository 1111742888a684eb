import { planFromStore } from '@intervex/core';
import type { Db } from '../plans/queries';
import type { Head, RevisionReadings } from './readings-index';

/** A project’s variants in the order they were made; undefined where there is no such project. */
export async function variantHeads(db: Db, projectId: string): Promise<readonly Head[] | undefined> {
  const { rows } = await db.query<{ id: string | null; name: string; revision: number; at: string }>(
    `select v.id, v.name, v.head as revision, r.created_at::text as at from projects p
       left join variants v on v.project_id = p.id and v.removed_at is null
       left join plan_revisions r on r.variant_id = v.id and r.revision = v.head
      where p.id = $1 and p.removed_at is null
      order by v.created_at, v.id`,
    [projectId],
  );
  if (rows.length === 0) return undefined;
  return rows.flatMap(({ id, name, revision, at }) => (id === null ? [] : [{ id, name, revision, at }]));
}

/** The readings of some revisions. */
export async function readingsAt(db: Db, heads: readonly Head[]): Promise<readonly RevisionReadings[]> {
  const { rows } = await db.query<StoredPlan>(
    `select r.variant_id as id, r.revision, r.created_at::text as at, r.plan, r.plan_version
       from unnest($1::uuid[], $2::int[]) as wanted (variant_id, revision)
       join plan_revisions r using (variant_id, revision)`,
    [heads.map((h) => h.id), heads.map((h) => h.revision)],
  );
  return rows.map(({ id, revision, at, plan, plan_version }) => ({
    id,
    revision,
    at,
    readings: planFromStore(plan_version, plan).plan.readings,
  }));
}

interface StoredPlan {
  readonly id: string;
  readonly revision: number;
  readonly at: string;
  readonly plan: unknown;
  readonly plan_version: number;
}
