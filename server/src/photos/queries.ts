import type { PhotoView } from '@intervex/contract';
import type { Db } from '../plans/queries';
import type { Picture } from './picture';

export async function insertPhoto(
  db: Db,
  { width, height, picture, thumb }: Picture,
  who: string,
): Promise<string> {
  const { rows } = await db.query<{ id: string }>(
    'insert into photos (width, height, picture, thumb, who) values ($1, $2, $3, $4, $5) returning id',
    [width, height, picture, thumb, who],
  );
  return (rows[0] as { id: string }).id;
}

/** The bytes of a photo as JPEG, whole or small; undefined where there is none. */
export async function findPhoto(db: Db, id: string, size: 'picture' | 'thumb'): Promise<Buffer | undefined> {
  const { rows } = await db.query<{ bytes: Buffer }>(
    size === 'thumb'
      ? 'select thumb as bytes from photos where id = $1 and removed_at is null'
      : 'select picture as bytes from photos where id = $1 and removed_at is null',
    [id],
  );
  return rows[0]?.bytes;
}

/** Those of these photos that there are. */
export async function photosThere(db: Db, ids: readonly string[]): Promise<ReadonlySet<string>> {
  const { rows } = await db.query<{ id: string }>(
    'select id from photos where id = any($1::uuid[]) and removed_at is null',
    [ids],
  );
  return new Set(rows.map(({ id }) => id));
}

/** Photos before one of them, or the newest: newest first, with how many plans hold each as they stand now. */
export async function listPhotos(
  db: Db,
  { before, limit }: { readonly before?: string | undefined; readonly limit: number },
): Promise<readonly PhotoView[]> {
  const { rows } = await db.query<Omit<PhotoView, 'at'> & { made: Date }>(
    `select f.id, f.who, f.created_at as made, length(f.picture) + length(f.thumb) as size,
            (select count(*)::int from variants v
               join projects p on p.id = v.project_id and p.removed_at is null
               join plan_revisions r on r.variant_id = v.id and r.revision = v.head
              where v.removed_at is null and r.plan -> 'photos' ? f.id::text) as plans
       from photos f
      where f.removed_at is null
        and ($1::uuid is null or (f.created_at, f.id) < (select created_at, id from photos where id = $1))
      order by f.created_at desc, f.id desc limit $2`,
    [before ?? null, limit],
  );
  return rows.map(({ made, ...rest }) => ({ ...rest, at: made.toISOString() }));
}

/** Takes a photo away, or brings it back. @returns false where there is none to */
export async function setPhotoRemoved(db: Db, id: string, removed: boolean): Promise<boolean> {
  const { rowCount } = await db.query(
    removed
      ? 'update photos set removed_at = now() where id = $1 and removed_at is null'
      : 'update photos set removed_at = null where id = $1 and removed_at is not null',
    [id],
  );
  return rowCount === 1;
}
