import { parse } from 'cookie';
import type { Request, RequestHandler, Response } from 'express';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import type { Pool } from '../db/pool';
import { entryOf } from '../http/entry';
import { refused } from '../http/refusal';
import { findVariant } from '../plans/queries';
import type { Workshop } from '../share/workshop';
import { ALONE, setIdentity, type Identity } from './identity';
import { findDevice, findGuest, findPerson, type Device } from './queries';
import { tokenHash } from './secrets';
import type { By } from './sessions';

/** Finds out who asks. On this computer it is the owner; in the workshop whoever logged in. */
export function authenticate(pool: Pool, workshop: Workshop): RequestHandler {
  return async (request, response, next) => {
    if (!entryOf(request).shared) {
      setIdentity(request, workshop.on ? { ...ALONE, name: await workshop.ownerName() } : ALONE);
      next();
      return;
    }
    await pace(request.ip ?? '');
    await withSession(await workshop.sessions(), request, response);
    const identity = await identityFor(pool, request.session.by);
    if (identity) setIdentity(request, identity);
    next();
  };
}

/** Most requests of one address in a minute: a page at work asks a few a second. */
const MOST_A_MINUTE = 1800;
const requests = new RateLimiterMemory({ points: MOST_A_MINUTE, duration: 60 });

/** @throws Refused `tooMany` where an address asks more than any page does */
async function pace(address: string): Promise<void> {
  await requests.consume(address).catch(() => {
    throw refused('tooMany', 'Too many requests from this address. Wait a minute.', [
      { field: 'address', wrong: `asks more than ${MOST_A_MINUTE} times a minute`, right: 'a pause' },
    ]);
  });
}

const withSession = (sessions: RequestHandler, request: Request, response: Response): Promise<void> =>
  new Promise((done, failed) => {
    void sessions(request, response, (error?: unknown) => {
      if (error) failed(error instanceof Error ? error : new Error('The session cannot be read.'));
      else done();
    });
  });

async function identityFor(pool: Pool, by: By | undefined): Promise<Identity | undefined> {
  if (!by) return undefined;
  if ('person' in by) {
    const person = await findPerson(pool, { id: by.person });
    return person && { role: person.role, key: `person:${person.id}`, name: person.name };
  }
  const guest = await findGuest(pool, { id: by.guest });
  if (guest?.state !== 'open') return undefined;
  const { id, name, variantId: variant, endsAt } = guest;
  const hasPhoto = async (photo: string) => photo in ((await findVariant(pool, variant))?.plan.photos ?? {});
  return { role: 'guest', key: `guest:${id}`, name, variant, hasPhoto, until: Date.parse(endsAt) };
}

/** Cookie by which a paired device is known. */
export const DEVICE_COOKIE = 'intervex.device';

/** The paired device that asks. */
export async function deviceOf(pool: Pool, request: Request): Promise<Device | undefined> {
  const token = parse(request.headers.cookie ?? '')[DEVICE_COOKIE];
  return token ? findDevice(pool, tokenHash(token)) : undefined;
}
