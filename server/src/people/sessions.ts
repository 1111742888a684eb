import connectPgSimple from 'connect-pg-simple';
import type { RequestHandler } from 'express';
import session from 'express-session';
import { randomBytes } from 'node:crypto';
import type { Pool } from '../db/pool';

/** Whose a session is. */
export type By =
  { readonly person: string; readonly device: string } | { readonly guest: string; readonly device: string };

declare module 'express-session' {
  interface SessionData {
    by: By;
  }
}

/** A session ends when nothing was asked for this long, ms. */
const IDLE_MS = 12 * 3600 * 1000;

/** Sessions of those who logged in, kept in the database. */
export async function sessions(pool: Pool): Promise<RequestHandler> {
  const Store = connectPgSimple(session);
  return session({
    store: new Store({ pool, tableName: 'sessions', pruneSessionInterval: false }),
    name: 'intervex.session',
    secret: await secretOf(pool),
    resave: false,
    saveUninitialized: false,
    rolling: true,
    cookie: { httpOnly: true, sameSite: 'strict', secure: 'auto', maxAge: IDLE_MS, path: '/api' },
  });
}

/** What sessions are signed with; of this database alone, and in no backup. */
async function secretOf(pool: Pool): Promise<string> {
  const made = randomBytes(32).toString('base64url');
  const { rows } = await pool.query<{ value: string }>(
    `with made as (insert into secrets (name, value) values ('session', $1) on conflict do nothing)
     select coalesce((select value from secrets where name = 'session'), $1) as value`,
    [made],
  );
  return rows[0]?.value ?? made;
}
