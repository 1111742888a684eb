import {
  guestSchema,
  loginSchema,
  newGuestSchema,
  newPersonSchema,
  pageSchema,
  pairSchema,
  personChangeSchema,
  shareSchema,
  type GuestLink,
  type Me,
  type PairCode,
} from '@intervex/contract';
import { json, Router, type Request, type RequestHandler, type Response } from 'express';
import QRCode from 'qrcode';
import type { Pool } from '../db/pool';
import { withTransaction } from '../db/transaction';
import { open } from '../http/doors';
import { entryOf } from '../http/entry';
import { refused, valid } from '../http/refusal';
import { idOf } from '../plans/routes';
import { readVariant } from '../plans/service';
import type { Workshop } from '../share/workshop';
import { listAudit, note, noteAs } from './audit';
import { DEVICE_COOKIE, deviceOf } from './authenticate';
import { identityOf } from './identity';
import { Tries } from './limits';
import * as q from './queries';
import { hashOf, isSecret, newCode, newToken, plainCode, tokenHash } from './secrets';
import type { By } from './sessions';

/** A paired device is known this long, ms. */
const DEVICE_MS = 180 * 24 * 3600 * 1000;
const CODE_MINUTES = 10;
const body: RequestHandler = json({ limit: '10kb' });

/** Who is here and who may what: logging in, people, devices, guests, sessions, the audit, and opening the workshop. */
export function peopleRoutes(pool: Pool, workshop: Workshop): Router {
  const router = Router();
  comingIn(router, pool, workshop);
  share(router, pool, workshop);
  people(router, pool, workshop);
  guests(router, pool, workshop);
  open(router, 'GET /sessions', async (_request, response) => {
    response.json(await q.listSessions(pool));
  });
  open(router, 'DELETE /sessions/:id', async (request, response) => {
    const id = String(request.params['id']);
    const owner = /^[0-9a-f]{64}$/.test(id) ? await q.endSession(pool, id) : undefined;
    if (!owner) throw missing('session');
    await q.tellEnded(pool, owner);
    await note(pool, request, 'session ended', { of: owner });
    response.status(204).end();
  });
  open(router, 'GET /audit', async (request, response) => {
    response.json(await listAudit(pool, valid(pageSchema, request.query, 'query', true)));
  });
  return router;
}

const missing = (what: string) =>
  refused('notFound', `There is no such ${what}.`, [
    { field: 'id', wrong: 'is not known', right: `an id from the list of ${what}s` },
  ]);

function comingIn(router: Router, pool: Pool, workshop: Workshop): void {
  const tries = new Tries();
  open(router, 'GET /me', async (request, response) => {
    const identity = identityOf(request);
    const device = identity || !entryOf(request).shared ? undefined : await deviceOf(pool, request);
    const me: Me = {
      shared: workshop.on,
      ...(identity && { role: identity.role }),
      ...(identity?.name === undefined ? {} : { name: identity.name }),
      ...(identity?.variant === undefined ? {} : { variant: identity.variant }),
      ...(device && { paired: device.name }),
    };
    response.json(me);
  });
  open(router, 'POST /login', body, async (request, response) => {
    sharedOnly(request);
    const { name = '', password = '', pin } = valid(loginSchema, request.body, 'login');
    const device = pin === undefined ? undefined : await deviceOf(pool, request);
    const what = pin === undefined ? `name ${name}` : `device ${device?.id ?? ''}`;
    const by = await tries
      .attempt(what, request.ip ?? '', async (): Promise<By | undefined> => {
        if (pin !== undefined)
          return (await isSecret(pin, device?.pin)) && device
            ? { person: device.person, device: device.name }
            : undefined;
        const person = await q.findPerson(pool, { name });
        return (await isSecret(password, person?.password)) && person
          ? { person: person.id, device: 'password' }
          : undefined;
      })
      .catch(async (error: unknown) => {
        await noteAs(pool, 'nobody', 'login refused', { by: pin === undefined ? 'password' : 'PIN' });
        throw error;
      });
    if (device) await q.sawDevice(pool, device.id);
    await letIn(request, response, by);
    await noteAs(pool, await nameOf(pool, by), 'logged in', { by: by.device });
  });
  open(router, 'POST /pair', body, async (request, response) => {
    sharedOnly(request);
    const { code, pin, device } = valid(pairSchema, request.body, 'pairing');
    const address = request.ip ?? '';
    const person = await tries.attempt(`pairing from ${address}`, address, () =>
      q.useCode(pool, tokenHash(plainCode(code))),
    );
    const token = newToken();
    await q.insertDevice(pool, { person, name: device, token: tokenHash(token), pin: await hashOf(pin) });
    const secure = request.secure;
    response.cookie(DEVICE_COOKIE, token, {
      httpOnly: true,
      sameSite: 'strict',
      secure,
      maxAge: DEVICE_MS,
      path: '/api',
    });
    const by = { person, device };
    await noteAs(pool, await nameOf(pool, by), 'device paired', { device });
    await letIn(request, response, by);
  });
  open(router, 'POST /guest', body, async (request, response) => {
    sharedOnly(request);
    const { token } = valid(guestSchema, request.body, 'link');
    const address = request.ip ?? '';
    const guest = await tries.attempt(`guest from ${address}`, address, async () => {
      const found = await q.findGuest(pool, { token: tokenHash(token) });
      return found?.state === 'open' ? found : undefined;
    });
    await noteAs(pool, guest.name, 'guest link opened', { variant: guest.variantId });
    await letIn(request, response, { guest: guest.id, device: 'link' });
  });
  open(router, 'POST /logout', async (request, response) => {
    await note(pool, request, 'logged out');
    if (entryOf(request).shared) {
      await new Promise<void>((done) => request.session.destroy(() => done()));
      const identity = identityOf(request);
      // All that he has open ends; who is still logged in elsewhere comes back by himself.
      if (identity) await q.tellEnded(pool, identity.key);
    }
    response.status(204).end();
  });
}

/** Nobody logs in at this computer: it is the owner’s. */
function sharedOnly(request: Request): void {
  if (entryOf(request).shared) return;
  throw refused('invalid', 'At this computer there is nothing to log in to.', [
    { field: 'address', wrong: 'is this computer’s own', right: 'the workshop’s address, once it is open' },
  ]);
}

async function letIn(request: Request, response: Response, by: By): Promise<void> {
  // A session of its own, so that nobody gave it away before.
  await new Promise<void>((done, failed) => {
    request.session.regenerate((error: unknown) => {
      if (error) failed(error instanceof Error ? error : new Error('No session could be made.'));
      else done();
    });
  });
  request.session.by = by;
  await new Promise<void>((done, failed) => {
    request.session.save((error: unknown) => {
      if (error) failed(error instanceof Error ? error : new Error('The session could not be kept.'));
      else done();
    });
  });
  response.status(204).end();
}

async function nameOf(pool: Pool, by: By): Promise<string> {
  return 'person' in by ? ((await q.findPerson(pool, { id: by.person }))?.name ?? '') : 'guest';
}

function share(router: Router, pool: Pool, workshop: Workshop): void {
  open(router, 'GET /share', (_request, response) => {
    response.json(workshop.view());
  });
  open(router, 'PUT /share', body, async (request, response) => {
    const asked = valid(shareSchema, request.body, 'request', true);
    if (entryOf(request).shared)
      throw refused('forbidden', 'The workshop is opened and shut at the computer itself.', [
        { field: 'address', wrong: 'is the workshop’s', right: 'the computer that Intervex runs on' },
      ]);
    const view = await workshop.set(asked);
    await note(pool, request, asked.on ? 'workshop opened' : 'workshop shut', {
      address: view.address,
      tls: view.tls,
    });
    response.json(view);
  });
}

function people(router: Router, pool: Pool, workshop: Workshop): void {
  open(router, 'GET /people', async (_request, response) => {
    response.json(await q.listPeople(pool));
  });
  open(router, 'POST /people', body, async (request, response) => {
    const { name, role, password } = valid(newPersonSchema, request.body, 'person', true);
    await freeName(pool, name);
    const hash = password === undefined ? null : await hashOf(password);
    const id = await q.insertPerson(pool, { name, role, password: hash });
    await note(pool, request, 'person added', { person: id, name, role });
    response.status(201).json({ id });
  });
  open(router, 'PATCH /people/:id', body, async (request, response) => {
    const id = idOf(request);
    const { name, role, password } = valid(personChangeSchema, request.body, 'person', true);
    if (name !== undefined) await freeName(pool, name, id);
    const hash = password === undefined ? undefined : await hashOf(password);
    await withTransaction(pool, async (db) => {
      const before = await q.findPerson(db, { id });
      if (!before) throw missing('person');
      if (role && role !== 'owner' && before.role === 'owner') await otherOwner(db);
      await q.changePerson(db, id, {
        ...(name && { name }),
        ...(role && { role }),
        ...(hash !== undefined && { password: hash }),
      });
      await note(db, request, 'person changed', { person: id, ...(name && { name }), ...(role && { role }) });
    });
    // Whoever may do less, or has another password, comes in again.
    if (role || hash) await q.endAllOf(pool, `person:${id}`);
    response.status(204).end();
  });
  open(router, 'DELETE /people/:id', async (request, response) => {
    const id = idOf(request);
    await withTransaction(pool, async (db) => {
      const before = await q.findPerson(db, { id });
      if (!before) throw missing('person');
      if (before.role === 'owner') await otherOwner(db);
      await q.removePerson(db, id);
      await note(db, request, 'person removed', { person: id, name: before.name });
    });
    await q.endAllOf(pool, `person:${id}`);
    response.status(204).end();
  });
  open(router, 'POST /people/:id/end-all', body, async (request, response) => {
    const id = idOf(request);
    if (!(await q.findPerson(pool, { id }))) throw missing('person');
    await q.endAllOf(pool, `person:${id}`);
    await note(pool, request, 'all sessions ended', { person: id });
    response.status(204).end();
  });
  open(router, 'POST /people/:id/pair-code', body, async (request, response) => {
    const id = idOf(request);
    if (!(await q.findPerson(pool, { id }))) throw missing('person');
    isOpen(workshop);
    const code = newCode();
    const ends = await q.insertCode(pool, tokenHash(plainCode(code)), id, CODE_MINUTES);
    const url = `${workshop.url}/join#${code}`;
    const made: PairCode = { code, url, qr: await qrOf(url), endsAt: ends.toISOString() };
    await note(pool, request, 'pairing code made', { person: id });
    response.status(201).json(made);
  });
  open(router, 'DELETE /devices/:id', async (request, response) => {
    const person = await q.endDevice(pool, idOf(request));
    if (!person) throw missing('device');
    await q.endAllOf(pool, `person:${person}`);
    await note(pool, request, 'device ended', { person });
    response.status(204).end();
  });
}

function guests(router: Router, pool: Pool, workshop: Workshop): void {
  open(router, 'GET /guests', async (_request, response) => {
    response.json(await q.listGuests(pool));
  });
  open(router, 'POST /guests', body, async (request, response) => {
    const { variant, name, days } = valid(newGuestSchema, request.body, 'guest', true);
    await readVariant(pool, variant);
    isOpen(workshop);
    const token = newToken();
    const id = await q.insertGuest(pool, { variant, name, token: tokenHash(token), days });
    const guest = await q.findGuest(pool, { id });
    if (!guest) throw missing('guest');
    const url = `${workshop.url}/guest#${token}`;
    await note(pool, request, 'guest link made', { variant, name });
    response.status(201).json({ ...guest, url, qr: await qrOf(url) } satisfies GuestLink);
  });
  open(router, 'DELETE /guests/:id', async (request, response) => {
    const id = idOf(request);
    if (!(await q.withdrawGuest(pool, id))) throw missing('guest');
    await q.endAllOf(pool, `guest:${id}`);
    await note(pool, request, 'guest link withdrawn', { guest: id });
    response.status(204).end();
  });
}

function isOpen(workshop: Workshop): void {
  if (workshop.view().url) return;
  throw refused('invalid', 'The workshop is not open: nobody could follow this.', [
    { field: 'share', wrong: 'is off', right: 'to share in the workshop first' },
  ]);
}

const qrOf = (text: string): Promise<string> => QRCode.toString(text, { type: 'svg', margin: 2 });

async function freeName(pool: Pool, name: string, except?: string): Promise<void> {
  const same = await q.findPerson(pool, { name });
  if (!same || same.id === except) return;
  throw refused('invalid', `There is a ${same.name} already.`, [
    { field: 'name', wrong: 'is another person’s', right: 'a name of their own' },
  ]);
}

async function otherOwner(db: Parameters<typeof q.countOwners>[0]): Promise<void> {
  if ((await q.countOwners(db)) > 1) return;
  throw refused('inUse', 'This is the only owner, and somebody has to be.', [
    { field: 'role', wrong: 'would leave no owner', right: 'another owner first' },
  ]);
}
