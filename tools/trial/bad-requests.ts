interface Bad {
  readonly path: string;
  readonly method?: string;
  readonly body?: string;
  readonly headers?: Record<string, string>;
}

/** Numbers drawn the same way every time. */
function draws(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}

const ODD: readonly unknown[] = [
  null,
  true,
  -1,
  0,
  1e308,
  2 ** 31,
  2 ** 53,
  '',
  ' ',
  'x'.repeat(5000),
  '\u0000',
  '\ud800',
  '\u202e',
  '<b>;',
  "'; drop table plans; --",
  '2026-99-99',
  [],
  [[]],
  {},
  { constructor: 1 },
  { __proto__: 1 },
  'NaN',
  '../../etc/passwd',
];
const PATHS = [
  '%',
  '%E0%A4%A',
  '%00',
  '..%2f..%2f',
  '[x]',
  '{x}',
  'constructor',
  '00000000-0000-0000-0000-000000000000',
  '１２３',
  '-1',
  '2147483648',
];
const PLACES = [
  (x: string) => `api/variants/${x}`,
  (x: string) => `api/variants/${x}/history`,
  (x: string) => `api/projects/${x}/variants`,
  (x: string) => `api/photos/${x}`,
  (x: string) => `api/photos/${x}/thumb`,
  (x: string) => `api/backups/${x}`,
  (x: string) => `api/practice/${x}`,
  (x: string) => `api/live?listens=${x}`,
  (x: string) => x,
];
const QUERIES = [
  'limit',
  'from',
  'find',
  'before',
  'who',
  'listens',
  'units',
  'paper',
  'stage',
  'filled',
  'kind',
  'sheet',
];

const looksAt = (id: string) => [
  `api/variants/${id}/history`,
  'api/projects',
  'api/live',
  `api/variants/${id}/cut-sheet.pdf`,
  'api/parts',
  'api/audit',
  `api/variants/${id}/survey-sheet.pdf`,
];
const bodiesOf = (id: string) => [
  'api/projects',
  'api/variants',
  `api/variants/${id}/plan`,
  `api/variants/${id}/undo`,
  `api/variants/${id}/restore`,
  'api/plan-files',
  'api/shaft-pairs',
  'api/people',
  'api/share',
  'api/guests',
  'api/login',
  'api/practice',
  `api/variants/${id}/orders`,
];
const FIELDS = [
  'name',
  'variant',
  'who',
  'plan',
  'baseRevision',
  'revision',
  'copyOf',
  'on',
  'address',
  'role',
  'password',
  'days',
];

/** Text without half characters, which no address can hold. */
const whole = (text: string): string => text.replace(/[\ud800-\udfff]/g, '');

/** Requests that no page sends, one unlike the other. @param id of a variant that there is */
export function* badRequests(id: string, count: number): Generator<Bad> {
  const draw = draws(20_270_320);
  const one = <T>(list: readonly T[]): T => list[Math.floor(draw() * list.length)] as T;
  const [looks, bodies] = [looksAt(id), bodiesOf(id)];
  const odd = () =>
    JSON.stringify(Object.fromEntries(FIELDS.filter(() => draw() < 0.6).map((f) => [f, one(ODD)])));
  const kinds: readonly (() => Bad)[] = [
    () => ({ path: one(PLACES)(one(PATHS)) }),
    () => ({
      path: `${one(looks)}?${one(QUERIES)}${one(['', '[]', '[a]', '[__proto__]'])}=${encodeURIComponent(whole(String(one(ODD))))}`,
    }),
    () => ({ path: one(bodies), method: one(['POST', 'PUT']), body: odd() }),
    () => ({ path: one(bodies), method: 'POST', body: one(['{', '[', 'null', '"x"', '{"a":', '']) }),
    () => ({
      path: one(bodies),
      method: 'POST',
      body: odd(),
      headers: {
        'content-type': one(['text/plain', 'application/xml', 'application/json; charset=utf-9', 'x']),
      },
    }),
    () => ({
      path: one(bodies),
      method: 'POST',
      body: odd(),
      headers: { 'content-encoding': one(['gzip', 'br', 'deflate', 'squeeze']) },
    }),
    () => ({
      path: 'api/drawings?units=mm',
      method: 'POST',
      body: `0\nSECTION\n2\nENTITIES\n0\nCIRCLE\n10\n${String(one(ODD))}\n40\n${String(one(ODD))}\n0\nENDSEC\n0\nEOF\n`,
      headers: { 'content-type': 'application/dxf' },
    }),
    () => ({
      path: one(['api/photos', 'api/restore?sure=restore', `api/variants/${id}/readings.csv`]),
      method: 'POST',
      body: odd(),
      headers: { 'content-type': one(['image/jpeg', 'text/csv', 'application/octet-stream']) },
    }),
    () => ({ path: one(PLACES)(one(PATHS)), method: one(['DELETE', 'PATCH', 'PUT', 'OPTIONS', 'PROPFIND']) }),
    () => ({
      path: one(looks),
      headers: {
        host: one(['attacker.test', 'localhost:1', '']),
        origin: one(['null', 'http://attacker.test']),
      },
    }),
  ];
  for (let i = 0; i < count; i += 1) yield one(kinds)();
}
