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
      ? 'select thumb as bytes from photos where id = $1'
      : 'select picture as bytes from photos where id = $1',
    [id],
  );
  return rows[0]?.bytes;
}
