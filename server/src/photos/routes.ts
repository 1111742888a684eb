import { photoQuerySchema, type PhotoStored } from '@intervex/contract';
import { raw, Router } from 'express';
import type { Pool } from '../db/pool';
import { refused, valid } from '../http/refusal';
import { idOf } from '../plans/routes';
import { preparePicture } from './picture';
import { findPhoto, insertPhoto } from './queries';

/** Largest photo that is taken. */
const PHOTO_LIMIT = '25mb';

/** Photos in and out. Which place one belongs to is the plan’s to say. */
export function photoRoutes(pool: Pool): Router {
  const router = Router();
  router.post('/photos', raw({ limit: PHOTO_LIMIT, type: () => true }), async (request, response) => {
    const { who } = valid(photoQuerySchema, request.query, 'query');
    const file: unknown = request.body;
    const picture = await preparePicture(Buffer.isBuffer(file) ? file : Buffer.alloc(0));
    const id = await insertPhoto(pool, picture, who);
    const stored: PhotoStored = {
      id,
      width: picture.width,
      height: picture.height,
      size: picture.picture.length,
    };
    response.status(201).json(stored);
  });
  for (const [path, size] of [
    ['/photos/:id', 'picture'],
    ['/photos/:id/thumb', 'thumb'],
  ] as const)
    router.get(path, async (request, response) => {
      const bytes = await findPhoto(pool, idOf(request), size);
      if (!bytes)
        throw refused('notFound', 'There is no such photo.', [
          { field: 'id', wrong: 'is not known', right: 'an id from the plan’s photos' },
        ]);
      response.set('Cache-Control', 'private, max-age=31536000, immutable').type('image/jpeg').send(bytes);
    });
  return router;
}
