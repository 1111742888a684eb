import { planFile, type GuestLink, type Me, type PairCode, type Role } from '@intervex/contract';
import { EMPTY_PLAN, type Plan } from '@intervex/core';
import { randomUUID } from 'node:crypto';
import { networkInterfaces } from 'node:os';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startHarness, type Harness } from '../testing/harness';
import { instrumentAddress, listenAddress, liveAddress } from '../testing/stream';
import { startUpstream, withJson, type Upstream } from '../testing/upstream';
import { Visitor } from '../testing/visitor';
import { WHO_MAY, WHO_MAY_LISTEN } from '../testing/who-may';
import { MATRIX, ROLES, type Cell, type Row, type RouteKey } from './matrix';
import { hashOf, isSecret } from './secrets';

const ADDRESS =
  Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .find((a) => !a.internal && a.family === 'IPv4')?.address ?? '';
const PASSWORD = 'five lug pattern';

const CALIPER = {
  id: 'caliper',
  label: 'Caliper 150 mm',
  kind: 'caliper',
  unit: 'mm',
  resolution: 0.01,
  connected: true,
  battery: 0.8,
};

let h: Harness;
let bench: Upstream;
let variant = '';
let other = '';
let project = '';
let photo = '';
/** Who asks, over the workshop’s address. */
const as: Partial<Record<Role | 'stranger', Visitor>> = {};
const ids: Record<string, string> = {};

const owner = (method: string, path: string, body?: unknown) => h.call(method, `/api${path}`, body);

async function add(name: string, role: Role): Promise<Visitor> {
  const made = await owner('POST', '/people', { name, role, password: PASSWORD });
  ids[name] = made.json.id;
  const visitor = new Visitor(h.workshop.url);
  expect((await visitor.call('POST', '/api/login', { name, password: PASSWORD })).status).toBe(204);
  return visitor;
}

async function guest(of: string, days = 1): Promise<{ visitor: Visitor; link: GuestLink }> {
  const link = (await owner('POST', '/guests', { variant: of, name: 'Supplier', days })).json as GuestLink;
  const visitor = new Visitor(h.workshop.url);
  const token = new URL(link.url).hash.slice(1);
  expect((await visitor.call('POST', '/api/guest', { token })).status).toBe(204);
  return { visitor, link };
}

const planOf = async (id: string): Promise<{ revision: number; plan: Plan }> =>
  (await owner('GET', `/variants/${id}`)).json;

beforeAll(async () => {
  bench = await startUpstream();
  bench.answer = (request, response) => {
    if (request.url === '/devices') withJson([CALIPER])(request, response);
    else response.writeHead(200, { 'content-type': 'application/x-ndjson' }).flushHeaders();
  };
  h = await startHarness(undefined, { bench: bench.url });
  const made = (await owner('POST', '/projects', { name: 'Penn Hauler', variant: 'Over-axle', who: 'Ansa' }))
    .json;
  [variant, project] = [made.id, made.projectId];
  other = (await owner('POST', '/variants', { name: 'Second', copyOf: variant, who: 'Ansa' })).json.id;
  const file = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#aa5500' } })
    .png()
    .toBuffer();
  photo = (await h.call('POST', '/api/photos', file, { 'content-type': 'image/png' })).json.id;
  const before = await planOf(variant);
  const at = '2027-03-20T18:00:00Z';
  const photos = { [photo]: { place: 'donor', caption: '', who: 'Ansa', at } };
  await owner('PUT', `/variants/${variant}/plan`, {
    baseRevision: 1,
    plan: { ...before.plan, photos },
    who: 'Ansa',
  });
  const shared = await owner('PUT', '/share', { on: true, address: ADDRESS, tls: 'own', owner: 'Ansa' });
  expect(shared.json.trouble).toBe('');
  as.owner = await add('Runa', 'owner');
  as.builder = await add('Birk', 'builder');
  as.helper = await add('Tove', 'helper');
  as.guest = (await guest(variant)).visitor;
  as.stranger = new Visitor(h.workshop.url);
});
afterAll(async () => {
  await h.close();
  await bench.close();
});

describe('passwords', () => {
  it('are kept as scrypt with a salt of their own, and nobody unknown is let in', async () => {
    const [one, two] = [await hashOf(PASSWORD), await hashOf(PASSWORD)];
    expect(one).toMatch(/^scrypt\$32768\$8\$1\$/);
    expect(one).not.toBe(two);
    expect(await isSecret(PASSWORD, one)).toBe(true);
    expect(await isSecret('five lug patterm', one)).toBe(false);
    expect(await isSecret(PASSWORD, null)).toBe(false);
    expect(await isSecret('', undefined)).toBe(false);
  });
});

/** An address of a route with ids that mean something, and a body that does no harm. */
const addressOf = (key: RouteKey, of: string): string =>
  key
    .slice(key.indexOf(' ') + 1)
    .replace('{sheet}', 'cut-sheet')
    .replace(':file', key.includes('shapes') ? 'jig.svg' : 'none')
    .replace(':revision', '1')
    .replace(/^(\/photos\/):id/, `$1${photo}`)
    .replace(/^(\/projects\/):id/, `$1${randomUUID()}`)
    .replace(/^(\/variants\/):id/, `$1${of}`)
    .replace(':id', randomUUID());

const CELLS: Readonly<Record<string, Cell>> = { y: true, n: false, b: 'bench', v: 'variant', p: 'photo' };

/** What a role may, as it is written down by hand. */
function cellOf(key: string, role: Role): Cell | 'anyone' {
  const told = WHO_MAY.get(key) ?? '';
  if (told === 'open') return 'anyone';
  const cell = CELLS[told[ROLES.indexOf(role)] ?? ''];
  if (cell === undefined) throw new RangeError(`Nobody wrote down who may ${key}.`);
  return cell;
}

describe('every route for every role', () => {
  it('is in the server’s list as it is written down by hand', () => {
    expect([...WHO_MAY.keys()].sort()).toEqual(Object.keys(MATRIX).sort());
    for (const key of Object.keys(MATRIX) as RouteKey[])
      for (const role of ROLES) {
        const row: Row = MATRIX[key];
        expect(row === 'anyone' ? row : row[role], `${role}: ${key}`).toBe(cellOf(key, role));
      }
  });

  const keys = (Object.keys(MATRIX) as RouteKey[]).filter((key) => key !== 'POST /logout');
  for (const role of ['owner', 'builder', 'helper', 'guest'] as const)
    it.each(keys)(`${role}: %s`, async (key) => {
      const cell = cellOf(key, role);
      const [method = ''] = key.split(' ');
      const visitor = as[role] as Visitor;
      const changing = method !== 'GET';
      // Bodies that no route takes: who may is told what is wrong with it, who may not is told that.
      const path = `/api${addressOf(key, changing ? randomUUID() : variant)}`;
      const safe = changing && key.includes('/photos/') ? path.replace(photo, randomUUID()) : path;
      const target = changing && cell === 'variant' ? path.replace(/[0-9a-f-]{36}/, variant) : safe;
      const status = await visitor.status(method, target, changing ? { nothing: 1 } : undefined);
      if (cell !== false) expect([401, 403]).not.toContain(lets(key, status));
      else expect(status).toBe(403);
      const strangers = await (as.stranger as Visitor).status(
        method,
        target,
        changing ? { nothing: 1 } : undefined,
      );
      if (cell === 'anyone') expect(strangers).not.toBe(403);
      else expect(strangers).toBe(401);
    });

  /** A login that is wrong, and a door that is opened at the computer alone, are refused to those who may ask. */
  const lets = (key: RouteKey, status: number): number =>
    ['POST /login', 'POST /pair', 'POST /guest', 'PUT /share'].includes(key) ? 200 : status;

  it('keeps a guest to his variant, its streams and its photos', async () => {
    const visitor = as.guest as Visitor;
    expect(await visitor.status('GET', `/api/variants/${variant}`)).toBe(200);
    expect(await visitor.status('GET', `/api/variants/${variant.toUpperCase()}`)).toBe(200);
    expect(await visitor.status('GET', `/api/variants/${other}`)).toBe(403);
    expect(await visitor.listensTo({ variant: other })).toBe('forbidden');
    expect(await visitor.status('GET', `/api/variants/${other}/cut-sheet.pdf`)).toBe(403);
    expect(await visitor.status('GET', `/api/photos/${photo}`)).toBe(200);
    expect(await visitor.status('GET', `/api/photos/${randomUUID()}`)).toBe(403);
    expect(await visitor.status('GET', '/api/projects')).toBe(403);
  });

  it('lets each role listen to what is written down by hand, on one stream with what it may', async () => {
    for (const role of ROLES)
      for (const [kind, told] of WHO_MAY_LISTEN) {
        const visitor = as[role] as Visitor;
        const what = (of: string) => (kind === 'variant' ? { variant: of } : { instrument: 'caliper' });
        const may = CELLS[told[ROLES.indexOf(role)] ?? ''];
        const own = await visitor.listensTo(what(variant));
        expect([role, kind, own]).toEqual([role, kind, may === false ? 'forbidden' : 'told']);
        const others = await visitor.listensTo(what(other));
        expect([role, kind, others]).toEqual([role, kind, may === true ? 'told' : 'forbidden']);
      }
    expect(await (as.stranger as Visitor).status('GET', liveAddress(variant))).toBe(401);
    // Beside what he may, a guest is told nothing of what he may not.
    const asks = [{ variant }, { variant: other }, { instrument: 'caliper' }];
    const heard = await (as.guest as Visitor).hears(
      listenAddress(...asks.map((ask) => ({ to: randomUUID(), ...ask }))),
      (text) => text.split(/event: ?refused/).length === 3 && /event: ?revision/.test(text),
    );
    expect(heard.match(/"error":"forbidden"/g)).toHaveLength(2);
  });

  it('writes down who removed a plan, and says so to whoever asks for it', async () => {
    const gone = (await owner('POST', '/variants', { name: 'Third', copyOf: variant, who: 'Ansa' })).json
      .id as string;
    expect(await (as.owner as Visitor).status('DELETE', `/api/variants/${gone}`)).toBe(204);
    const { status, json } = await (as.helper as Visitor).call('GET', `/api/variants/${gone}`);
    expect([status, json.removed.who]).toEqual([410, 'Runa']);
    expect(json.message).toContain('was removed by Runa');
  });

  it('has no route that goes round the matrix', () => {
    const found: string[] = [];
    const walk = (stack: readonly Layer[]) => {
      for (const layer of stack) {
        if (layer.route)
          for (const method of Object.keys(layer.route.methods))
            found.push(`${method.toUpperCase()} ${layer.route.path}`);
        if (layer.handle?.stack) walk(layer.handle.stack);
      }
    };
    walk((h.app as unknown as { router: { stack: readonly Layer[] } }).router.stack);
    const known = new Set<string>(Object.keys(MATRIX));
    const sheet = (key: string) => key.replace(/(\/variants\/:id\/)[a-z-]+\.(pdf|csv|json)$/, '$1{sheet}.$2');
    expect(found.length).toBeGreaterThan(60);
    expect(found.filter((key) => !known.has(key) && !known.has(sheet(key)))).toEqual([]);
  });
});

interface Layer {
  readonly route?: { readonly path: string; readonly methods: Readonly<Record<string, boolean>> };
  readonly handle?: { readonly stack?: readonly Layer[] };
}

describe('who does what', () => {
  const reading = (plan: Plan, value: number): Plan => ({
    ...plan,
    readings: { 'donor.half.left': { repeats: [{ value, who: 'Somebody else' }], instrument: 'tape' } },
  });

  it('is always said by the server, in the plan too', async () => {
    const { revision, plan } = await planOf(variant);
    const body = { baseRevision: revision, plan: reading(plan, 731.4), who: 'Somebody else' };
    const saved = await (as.helper as Visitor).call('PUT', `/api/variants/${variant}/plan`, body);
    expect(saved.json.plan.readings['donor.half.left'].repeats[0].who).toBe('Tove');
    const [newest] = (await owner('GET', `/variants/${variant}/history`)).json;
    expect(newest).toMatchObject({ revision: revision + 1, who: 'Tove' });
    // What stood before stays its reader’s.
    const next = await planOf(variant);
    const added = {
      ...next.plan.readings['donor.half.left']!,
      repeats: [...next.plan.readings['donor.half.left']!.repeats, { value: 731.9, who: 'X' }],
    };
    const more = {
      baseRevision: next.revision,
      who: 'X',
      plan: { ...next.plan, readings: { 'donor.half.left': added } },
    };
    const second = await (as.builder as Visitor).call('PUT', `/api/variants/${variant}/plan`, more);
    expect(second.json.plan.readings['donor.half.left'].repeats.map((r: { who: string }) => r.who)).toEqual([
      'Tove',
      'Birk',
    ]);
  });

  it('lets a helper write at the bench, and nothing else of a plan', async () => {
    const { revision, plan } = await planOf(variant);
    const accepted = {
      'fit.left': { reason: 'seen on the bench', figure: null, who: 'Tove', at: '2027-03-20T18:00:00Z' },
    };
    for (const [part, changed] of [
      ['accepted', { ...plan, accepted }],
      ['brief', { ...plan, brief: { ...plan.brief, vehicle: 'Another car' } }],
    ] as const) {
      const answer = await (as.helper as Visitor).call('PUT', `/api/variants/${variant}/plan`, {
        baseRevision: revision,
        plan: changed,
        who: 'Tove',
      });
      expect(answer.status).toBe(403);
      expect(answer.json.problems[0].field).toContain(`plan.${part}`);
    }
    expect((await planOf(variant)).revision).toBe(revision);
    const restored = await (as.helper as Visitor).status('POST', `/api/variants/${variant}/restore`, {
      baseRevision: revision,
      revision: 1,
      who: 'Tove',
    });
    expect(restored).toBe(403);
    // Nor by taking back what another accepted.
    const kept = await owner('PUT', `/variants/${variant}/plan`, {
      baseRevision: revision,
      plan: { ...plan, accepted },
      who: 'Ansa',
    });
    const undone = await (as.helper as Visitor).call('POST', `/api/variants/${variant}/undo`, {
      baseRevision: kept.json.revision,
      who: 'Tove',
    });
    expect(undone.status).toBe(403);
    expect((await planOf(variant)).plan.accepted).toHaveProperty('fit.left');
  });

  it('stands under whoever makes a variant or brings a file, whatever name it came with', async () => {
    const builder = as.builder as Visitor;
    const { plan } = await planOf(variant);
    const at = '2027-03-20T18:00:00Z';
    const accepted = { 'fit.right': { reason: 'Looked at twice', figure: null, who: 'Runa', at } };
    const forged = { ...plan, accepted: { ...plan.accepted, ...accepted } };
    const copy = { name: 'Third', copyOf: variant, plan: forged, who: 'Runa' };
    const made = (await builder.call('POST', '/api/variants', copy)).json as { id: string };
    const kept = await planOf(made.id);
    expect(kept.plan.accepted['fit.right']?.who).toBe('Birk');
    // What stood in the one it is copied of stays its writer’s.
    expect(kept.plan.photos).toEqual(plan.photos);
    const file = planFile('From elsewhere', 'A', forged);
    const brought = (await builder.call('POST', '/api/plan-files?who=Runa', file)).json as { id: string };
    const names = JSON.stringify((await planOf(brought.id)).plan).match(/"who":"[^"]*"/g);
    expect([...new Set(names)]).toEqual(['"who":"Birk"']);
    for (const id of [made.id, brought.id]) {
      const [first] = (await owner('GET', `/variants/${id}/history`)).json as { who: string }[];
      expect(first?.who).toBe('Birk');
    }
  });

  it('is one person, however often he is added at once', async () => {
    const asked = { name: 'Osk Three', role: 'helper', password: PASSWORD };
    const all = await Promise.all([1, 2, 3].map(() => owner('POST', '/people', asked)));
    expect(all.map(({ status }) => status).sort()).toEqual([201, 409, 409]);
    expect(all.find(({ status }) => status === 409)?.json.problems[0]).toMatchObject({ field: 'name' });
  });

  it('cannot be reached by an address in other letters', async () => {
    for (const path of ['/API/people', '/Api/me', '/API/variants'])
      expect([path, await (as.builder as Visitor).status('GET', path)]).toEqual([path, 404]);
  });

  it('is written down, and cannot be written over', async () => {
    await (as.builder as Visitor).call('PATCH', `/api/projects/${project}`, { name: 'Penn Hauler two' });
    const audit = (await owner('GET', '/audit?limit=200')).json as { who: string; what: string }[];
    expect(audit).toContainEqual(expect.objectContaining({ who: 'Birk', what: 'project renamed' }));
    expect(audit).toContainEqual(expect.objectContaining({ who: 'Tove', what: 'logged in' }));
    await expect(h.pool.query("update audit set who = 'x'")).rejects.toMatchObject({ code: '23001' });
    await expect(h.pool.query('delete from audit')).rejects.toMatchObject({ code: '23001' });
  });
});

describe('a phone', () => {
  it('pairs by a code once, and comes in again by its PIN', async () => {
    const { code, url, qr } = (await owner('POST', `/people/${ids['Tove']}/pair-code`, {})).json as PairCode;
    expect(url).toBe(`${h.workshop.url}/join#${code}`);
    expect(qr).toContain('<svg');
    const phone = new Visitor(h.workshop.url);
    const paired = await phone.call('POST', '/api/pair', {
      code: code.toLowerCase(),
      pin: '4711',
      device: 'Phone',
    });
    expect(paired.status).toBe(204);
    expect((await phone.call('GET', '/api/me')).json).toMatchObject({ role: 'helper', name: 'Tove' });
    const again = new Visitor(h.workshop.url);
    expect(await again.status('POST', '/api/pair', { code, pin: '4711', device: 'Other' })).toBe(401);
    await phone.call('POST', '/api/logout', {});
    expect((await phone.call('GET', '/api/me')).json).toEqual({ shared: true, paired: 'Phone' } satisfies Me);
    expect(await phone.status('POST', '/api/login', { pin: '4712' })).toBe(401);
    expect(await phone.status('POST', '/api/login', { pin: '4711' })).toBe(204);
    expect((await phone.call('GET', '/api/me')).json.role).toBe('helper');
    // Without the device the PIN is nothing.
    expect(await again.status('POST', '/api/login', { pin: '4711' })).toBe(401);
    const [device] = (await owner('GET', '/people')).json.find(
      (p: { name: string }) => p.name === 'Tove',
    ).devices;
    expect(await h.call('DELETE', `/api/devices/${device.id}`).then((a) => a.status)).toBe(204);
    expect(await phone.status('GET', '/api/projects')).toBe(401);
    expect(await phone.status('POST', '/api/login', { pin: '4711' })).toBe(401);
  });

  it('is locked out after five wrong tries, and others are not', async () => {
    await owner('POST', '/people', { name: 'Eskil', role: 'helper', password: PASSWORD });
    const phone = new Visitor(h.workshop.url);
    const tried = [];
    for (let i = 0; i < 6; i += 1)
      tried.push(await phone.status('POST', '/api/login', { name: 'Eskil', password: `no ${i} no no` }));
    expect(tried).toEqual([401, 401, 401, 401, 401, 429]);
    expect(await phone.status('POST', '/api/login', { name: 'eskil', password: PASSWORD })).toBe(429);
    expect(await phone.status('POST', '/api/login', { name: 'Birk', password: PASSWORD })).toBe(204);
    const audit = (await owner('GET', '/audit?limit=200')).json as { what: string }[];
    expect(audit.filter((entry) => entry.what === 'login refused').length).toBeGreaterThan(6);
  });
});

describe('what ends', () => {
  const ways: readonly (readonly [how: string, end: (visitor: Visitor, id: string) => Promise<unknown>])[] = [
    ['signing out', (visitor) => visitor.call('POST', '/api/logout', {})],
    ['another role', (_, id) => owner('PATCH', `/people/${id}`, { role: 'helper' })],
    ['another password', (_, id) => owner('PATCH', `/people/${id}`, { password: `${PASSWORD} two` })],
    ['removal', (_, id) => owner('DELETE', `/people/${id}`)],
    ['an end to all sessions', (_, id) => owner('POST', `/people/${id}/end-all`, {})],
    [
      'an end to the session',
      async (_, id) => {
        const sessions = (await owner('GET', '/sessions')).json as { id: string; who: string }[];
        const name = Object.entries(ids).find(([, of]) => of === id)?.[0];
        return owner('DELETE', `/sessions/${sessions.find(({ who }) => who === name)?.id}`);
      },
    ],
  ];

  it.each(ways)('ends live and instrument streams at once: %s', async (how, end) => {
    const name = `Leaves by ${how}`;
    const visitor = await add(name, 'builder');
    const streams = [
      await visitor.stream(liveAddress(variant)),
      await visitor.stream(instrumentAddress('caliper')),
    ];
    const other = await (as.builder as Visitor).stream(instrumentAddress('caliper'));
    let others = 0;
    void other.ended.then(() => (others += 1));
    await end(visitor, ids[name] ?? '');
    await Promise.all(streams.map(({ ended }) => ended));
    // Nobody else’s.
    expect(others).toBe(0);
    expect(await visitor.status('GET', '/api/instruments')).toBe(401);
  });

  it('ends everywhere at once: sessions, streams and all', async () => {
    const visitor = await add('Odd', 'helper');
    const stream = await visitor.stream(liveAddress(variant));
    await owner('POST', `/people/${ids['Odd']}/end-all`, {});
    await stream.ended;
    expect(await visitor.status('GET', '/api/projects')).toBe(401);
  });

  it('ends a guest’s link when it is withdrawn, and when its time is over', async () => {
    const { visitor, link } = await guest(variant);
    const stream = await visitor.stream(liveAddress(variant));
    expect(await h.call('DELETE', `/api/guests/${link.id}`).then((a) => a.status)).toBe(204);
    await stream.ended;
    expect(await visitor.status('GET', `/api/variants/${variant}`)).toBe(401);
    const again = new Visitor(h.workshop.url);
    expect(await again.status('POST', '/api/guest', { token: new URL(link.url).hash.slice(1) })).toBe(401);
    const short = await guest(variant, 0.001);
    await h.pool.query("update guest_links set ends_at = now() - interval '1 s' where id = $1", [
      short.link.id,
    ]);
    expect(await short.visitor.status('GET', `/api/variants/${variant}`)).toBe(401);
    const states = (await owner('GET', '/guests')).json.map((g: { state: string }) => g.state);
    expect(states).toEqual(expect.arrayContaining(['ended', 'withdrawn', 'open']));
  });

  it('keeps one owner, and no name twice', async () => {
    expect((await owner('POST', '/people', { name: 'birk', role: 'helper' })).json.problems[0]).toMatchObject({
      field: 'name',
    });
    const people = (await owner('GET', '/people')).json as { id: string; role: Role; name: string }[];
    const owners = people.filter((p) => p.role === 'owner');
    expect(owners).toHaveLength(2);
    expect((await owner('DELETE', `/people/${ids['Runa']}`)).status).toBe(204);
    const last = owners.find((p) => p.name === 'Ansa')?.id ?? '';
    expect((await owner('DELETE', `/people/${last}`)).status).toBe(409);
    expect((await owner('PATCH', `/people/${last}`, { role: 'helper' })).status).toBe(409);
  });
});

it('begins with nothing shared and nobody to log in', async () => {
  const alone = await startHarness();
  expect((await alone.call('GET', '/api/me')).json).toEqual({ shared: false, role: 'owner' } satisfies Me);
  expect((await alone.call('POST', '/api/login', { name: 'Ansa', password: PASSWORD })).status).toBe(400);
  expect((await alone.call('POST', '/api/guests', { variant: randomUUID(), name: 'X', days: 1 })).status).toBe(
    404,
  );
  const made = await alone.call('POST', '/api/projects', { name: 'Tern', variant: 'First', who: 'Ansa' });
  const saved = await alone.call('PUT', `/api/variants/${made.json.id}/plan`, {
    baseRevision: 1,
    plan: { ...EMPTY_PLAN, brief: { ...EMPTY_PLAN.brief, vehicle: 'Tern' } },
    who: 'Ansa',
  });
  expect((await alone.call('GET', `/api/variants/${saved.json.id}/history`)).json[0].who).toBe('Ansa');
  await alone.close();
});
