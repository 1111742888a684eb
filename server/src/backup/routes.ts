import { restoreQuerySchema, type DataView, type RestoreView } from '@intervex/contract';
import { Router, type Request, type Response } from 'express';
import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { PassThrough } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Pool } from '../db/pool';
import { attachment } from '../http/attachment';
import { open } from '../http/doors';
import { refused, valid } from '../http/refusal';
import { note } from '../people/audit';
import { calledOf, tellListed } from '../plans/queries';
import { idOf } from '../plans/routes';
import { sentence, type Backups } from './backups';
import { bringBack, listRemoved } from './removed';
import { bringBackAside, listAside, restoreBackup } from './restore';

/** The data as a whole: where they stand, backups, putting one back, and what was taken off the lists. */
export function dataRoutes(pool: Pool, backups: Backups, migrations: string): Router {
  const router = Router();
  open(router, 'GET /data', async (_request, response) => {
    response.json(await dataView(pool, backups));
  });
  open(router, 'POST /backups', async (request, response) => {
    const made = await backups.make().catch((error: unknown) => {
      request.log.error({ err: error }, 'backup not made');
      throw refused('unavailable', `The backup was not made. ${sentence(error)}`);
    });
    await note(pool, request, 'backup made', { file: made.file });
    response.status(201).json(made);
  });
  open(router, 'GET /backups/:file', async (request, response) => {
    await sendBackup(backups, request, response);
    await note(pool, request, 'backup downloaded', { file: String(request.params['file']) });
  });
  open(router, 'POST /restore', async (request, response) => {
    const { aside, revives } = valid(restoreQuerySchema, request.query, 'query');
    const meant = { revives: revives === 'yes' };
    if (aside !== undefined) {
      const now = await bringBackAside(pool, aside, migrations, meant);
      await note(pool, request, 'brought back what was set aside', { aside, now });
      response.json({ aside: now });
      return;
    }
    // A file that is refused is still taken to its end, so that the answer is heard.
    const file = request.pipe(new PassThrough());
    const done: RestoreView = await restoreBackup(pool, file, migrations, meant).finally(() => {
      request.unpipe(file);
      request.resume();
    });
    await note(pool, request, 'backup restored', { madeAt: done.madeAt, aside: done.aside });
    response.json(done);
  });
  open(router, 'GET /removed', async (_request, response) => {
    response.json(await listRemoved(pool));
  });
  open(router, 'POST /removed/:id/bring-back', async (request, response) => {
    const id = idOf(request);
    const kind = await bringBack(pool, id);
    if (!kind)
      throw refused('notFound', 'There is nothing of this name to bring back.', [
        {
          field: 'id',
          wrong: 'is not known, or was removed too long ago',
          right: 'an id from the list of what was removed',
        },
      ]);
    await note(pool, request, `${kind} brought back`, { [kind]: id, name: await calledOf(pool, id) });
    if (kind !== 'photo') await tellListed(pool, id);
    response.status(204).end();
  });
  return router;
}

async function dataView(pool: Pool, backups: Backups): Promise<DataView> {
  const { rows } = await pool.query<{ size: string; projects: number; revisions: number; photos: number }>(
    `select pg_database_size(current_database()) as size,
            (select count(*)::int from projects where removed_at is null) as projects,
            (select count(*)::int from plan_revisions) as revisions,
            (select count(*)::int from photos where removed_at is null) as photos`,
  );
  const { size = '0', projects = 0, revisions = 0, photos = 0 } = rows[0] ?? {};
  return {
    size: Number(size),
    projects,
    revisions,
    photos,
    folder: backups.folder,
    free: await backups.free(),
    backups: await backups.list(),
    trouble: backups.trouble,
    aside: await listAside(pool),
  };
}

async function sendBackup(backups: Backups, request: Request, response: Response): Promise<void> {
  const file = String(request.params['file']);
  const path = backups.pathOf(file);
  const size = path && (await stat(path).catch(() => undefined))?.size;
  if (!path || size === undefined)
    throw refused('notFound', 'There is no such backup.', [
      { field: 'file', wrong: 'is not known', right: 'a name from the list of backups' },
    ]);
  response.set({
    'Content-Disposition': attachment(file),
    'Content-Type': 'application/octet-stream',
    'Content-Length': String(size),
  });
  // Whoever leaves in the middle of it takes nothing with him.
  await pipeline(createReadStream(path), response).catch((error: unknown) => {
    request.log.debug({ err: error }, 'backup not sent whole');
  });
}
