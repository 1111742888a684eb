import type { RemovedView } from '@intervex/contract';
import type { Db } from '../plans/queries';
import { setPhotoRemoved } from '../photos/queries';

/** How long what was taken off the lists can be brought back here, days. It stays in the database. */
const DAYS = 90;

interface Row {
  id: string;
  kind: RemovedView['kind'];
  name: string;
  removed: Date;
  until: Date;
}

/** What was taken off the lists within the last days, newest first. */
export async function listRemoved(db: Db): Promise<readonly RemovedView[]> {
  const { rows } = await db.query<Row>(
    `select *, removed + make_interval(days => $1) as until from (
       select id, 'project' as kind, name, removed_at as removed from projects where removed_at is not null
       union all
       select v.id, 'variant', p.name || ', ' || v.name, v.removed_at from variants v
         join projects p on p.id = v.project_id and p.removed_at is null where v.removed_at is not null
       union all
       select id, 'photo', 'Photo by ' || who, removed_at from photos where removed_at is not null) as all_removed
      where removed > now() - make_interval(days => $1) order by removed desc, id limit 500`,
    [DAYS],
  );
  return rows.map(({ removed, until, ...rest }) => ({
    ...rest,
    removedAt: removed.toISOString(),
    until: until.toISOString(),
  }));
}

/** Brings something back onto the lists. @returns what it was; nothing where there is no such thing to bring back */
export async function bringBack(db: Db, id: string): Promise<RemovedView['kind'] | undefined> {
  const project = await db.query(
    'update projects set removed_at = null where id = $1 and removed_at > now() - make_interval(days => $2)',
    [id, DAYS],
  );
  if (project.rowCount) return 'project';
  const variant = await db.query(
    'update variants set removed_at = null where id = $1 and removed_at > now() - make_interval(days => $2)',
    [id, DAYS],
  );
  if (variant.rowCount) return 'variant';
  return (await setPhotoRemoved(db, id, false)) ? 'photo' : undefined;
}
