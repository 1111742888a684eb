import type { AuditEntry } from '@intervex/contract';
import type { Request } from 'express';
import type { Db } from '../plans/queries';
import { AT_THE_COMPUTER, identityOf } from './identity';

/** Writes down who did what. What changes a plan stands in its revisions already. */
export async function note(
  db: Db,
  request: Request,
  what: string,
  about: Readonly<Record<string, string>> = {},
): Promise<void> {
  const identity = identityOf(request);
  await noteAs(db, identity?.name ?? (identity ? AT_THE_COMPUTER : 'nobody'), what, about);
}

export async function noteAs(
  db: Db,
  who: string,
  what: string,
  about: Readonly<Record<string, string>> = {},
): Promise<void> {
  await db.query('insert into audit (who, what, about) values ($1, $2, $3)', [
    who,
    what,
    JSON.stringify(about),
  ]);
}

/** Entries before one of them, or the newest: newest first. */
export async function listAudit(
  db: Db,
  { before, limit }: { readonly before?: number | undefined; readonly limit: number },
): Promise<readonly AuditEntry[]> {
  const { rows } = await db.query<{
    id: string;
    at: Date;
    who: string;
    what: string;
    about: AuditEntry['about'];
  }>('select id, at, who, what, about from audit where id < $1 order by id desc limit $2', [
    before ?? Number.MAX_SAFE_INTEGER,
    limit,
  ]);
  return rows.map(({ id, at, who, what, about }) => ({
    id: Number(id),
    at: at.toISOString(),
    who,
    what,
    about,
  }));
}
