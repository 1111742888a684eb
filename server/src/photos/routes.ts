import { photoQuerySchema, photosQuerySchema, type PhotoStored } from '@intervex/contract';
import { raw, Router } from 'express';
import type { Pool } from '../db/pool';
import { open } from '../http/doors';
import { note } from '../people/audit';
import { asks } from '../people/identity';
import { refused, valid } from '../http/refusal';
import { idOf } from '../plans/routes';
import type { WorkPool } from '../work/pool';
import { findPhoto, insertPhoto, listPhotos, setPhotoRemoved } from './queries';

/** Largest photo that is taken. */
const PHOTO_LIMIT = '25mb';

/** Photos in and out. Which place one belongs to is the plan’s to say. */
export function photoRoutes(pool: Pool, work: WorkPool): Router {
  const router = Router();
  open(router, 'GET /photos', async (request, response) => {
    response.json(await listPhotos(pool, valid(photosQuerySchema, request.query, 'query', true)));
  });
  open(router, 'POST /photos', raw({ limit: PHOTO_LIMIT, type: () => true }), async (request, response) => {
    const { who } = valid(photoQuerySchema, request.query, 'query');
    const file: unknown = request.body;
    const picture = await work.run(request, 'picture', Buffer.isBuffer(file) ? file : Buffer.alloc(0));
    const id = await insertPhoto(pool, picture, asks(request, who));
    const stored: PhotoStored = {
      id,
      width: picture.width,
      height: picture.height,
      size: picture.picture.length,
    };
    response.status(201).json(stored);
  });
  for (const [path, size] of [
    ['GET /photos/:id', 'picture'],
    ['GET /photos/:id/thumb', 'thumb'],
  ] as const)
    open(router, path, async (request, response) => {
      const bytes = await findPhoto(pool, idOf(request), size);
      if (!bytes) throw noPhoto();
      response.set('Cache-Control', 'private, max-age=300').type('image/jpeg').send(bytes);
    });
  open(router, 'DELETE /photos/:id', async (request, response) => {
    const id = idOf(request);
    if (!(await setPhotoRemoved(pool, id, true))) throw noPhoto();
    await note(pool, request, 'photo removed', { photo: id });
    response.status(204).end();
  });
  return router;
}

const noPhoto = () =>
  refused('notFound', 'There is no such photo, or it was removed.', [
    { field: 'id', wrong: 'is not known', right: 'an id from the plan’s photos' },
  ]);
