import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../lib/paths.mjs';
import type { Findings } from './judge';
import { Others } from './others';
import { ask } from './world';

interface Heavy {
  readonly path: string;
  readonly method?: string;
  readonly body?: string;
  readonly type?: string;
}

/** As many projects, ways of one project and revisions of one way as a busy shop has after years. */
const PROJECTS = 300;
const WAYS = 60;
const REVISIONS = 300;
const MOST_REPEATS = 20;
/** The least of so many tries: what else the machine does at the moment is not the request’s. */
const TRIES = 5;

interface Made {
  readonly id: string;
  readonly revision: number;
  readonly projectId: string;
  readonly plan: object;
}

const post = async (address: string, body: unknown): Promise<Made> =>
  JSON.parse((await ask(address, { method: 'POST', body: JSON.stringify(body) })).text) as Made;

const giveReadings = (base: string, id: string, body: string) =>
  ask(`${base}api/variants/${id}/readings.csv?who=trial`, {
    method: 'POST',
    body,
    headers: { 'content-type': 'text/csv' },
  });

interface Example {
  readonly plan: { readonly readings: Readonly<Record<string, { readonly repeats: readonly object[] }>> };
}

/** An example with every reading read as often as may be kept, each time by somebody, with a note. */
function fullest(): object {
  const file = JSON.parse(readFileSync(join(ROOT, 'examples/tern.json'), 'utf8')) as Example;
  const often = { who: 'Ansa', at: '2026-11-02T10:00:00.000Z', typed: '28 15/16' };
  const note = 'Read again behind the left arch, with the straightedge across both flanges.';
  const readings = Object.entries(file.plan.readings).map(([id, reading]) => [
    id,
    {
      ...reading,
      note,
      repeats: Array.from({ length: MOST_REPEATS }, () => ({ ...reading.repeats[0], ...often })),
    },
  ]);
  return { ...file, plan: { ...file.plan, readings: Object.fromEntries(readings) as object } };
}

/** Fills a workshop as years do. @returns the fullest way as it stands */
async function years(base: string, share: number): Promise<Made> {
  for (let i = 0; i < PROJECTS * share; i += 1)
    await post(`${base}api/projects`, { name: `Old job ${i}`, variant: 'A', who: 'trial' });
  const first = await post(`${base}api/plan-files?who=trial`, fullest());
  for (let i = 1; i < WAYS * share; i += 1)
    await post(`${base}api/variants`, { copyOf: first.id, name: `Way ${i}`, who: 'trial' });
  for (let i = 0; i < REVISIONS * share; i += 1)
    await giveReadings(base, first.id, `id,value,unit\ndonor.half.left,${600 + i / 4},mm\n`);
  return JSON.parse((await ask(`${base}api/variants/${first.id}`)).text) as Made;
}

type Named = readonly [name: string, asked: Heavy];

/** Reading much. */
const readsOf = ({ id, projectId }: Made): readonly Named[] => [
  ['projects', { path: 'api/projects' }],
  ['a search of projects', { path: 'api/projects?find=e' }],
  ['all ways of a project', { path: `api/projects/${projectId}/variants` }],
  ['readings of all ways', { path: `api/projects/${projectId}/readings` }],
  ['a search of readings', { path: `api/projects/${projectId}/readings?find=l` }],
  ['history', { path: `api/variants/${id}/history` }],
  ['what is kept', { path: 'api/data' }],
  ['what was done', { path: 'api/audit' }],
  ['a plan file', { path: `api/variants/${id}/plan-file` }],
  ['readings as a table', { path: `api/variants/${id}/readings.csv` }],
  ['a cut sheet', { path: `api/variants/${id}/cut-sheet.pdf` }],
  ['a survey sheet', { path: `api/variants/${id}/survey-sheet.pdf?filled=true` }],
  ['a wall sheet', { path: `api/variants/${id}/wall-sheet.pdf` }],
];

/** Bringing much: own readings, and what is far too large or no table at all. */
async function tablesOf(base: string, { id }: Made): Promise<readonly Named[]> {
  const path = `api/variants/${id}/readings.csv?who=trial`;
  const given = (body: string): Heavy => ({ path, method: 'POST', body, type: 'text/csv' });
  const head = 'id,value,unit,instrument\n';
  return [
    ['own readings back', given((await ask(`${base}api/variants/${id}/readings.csv`)).text)],
    ['a table of 30,000 rows', given(`${head}${'donor.half.left,601.5,mm,tape\n'.repeat(30_000)}`)],
    ['a table of 30,000 wrong rows', given(`${head}${'nothing,much,ft,eye\n'.repeat(30_000)}`)],
  ];
}

function plansOf({ id, plan, revision }: Made): readonly Named[] {
  const wrong = Object.fromEntries(Array.from({ length: 15_000 }, (_, i) => [`x${i}`, { repeats: 'none' }]));
  const saved = (sent: object): Heavy => ({
    path: `api/variants/${id}/plan`,
    method: 'PUT',
    body: JSON.stringify({ baseRevision: revision, plan: sent, who: 'trial' }),
  });
  const file = (body: string): Heavy => ({ path: 'api/plan-files?who=trial', method: 'POST', body });
  const whole = { ...(fullest() as object), plan };
  return [
    ['a plan saved', saved(plan)],
    ['a plan of 15,000 wrong entries saved', saved({ ...plan, readings: wrong })],
    ['a plan file brought', file(JSON.stringify(whole))],
    [
      'a plan file of 15,000 wrong entries',
      file(JSON.stringify({ ...whole, plan: { ...plan, readings: wrong } })),
    ],
    ['a plan file of 60,000 brackets', file(`${'['.repeat(60_000)}${']'.repeat(60_000)}`)],
  ];
}

function oddOnes(): readonly Named[] {
  const posted = (path: string, body: string, type?: string): Heavy => ({
    path,
    method: 'POST',
    body,
    ...(type === undefined ? {} : { type }),
  });
  const circle = (i: number) => `0\nCIRCLE\n8\n0\n10\n${(i * 79) % 300}\n20\n${(i * 104_729) % 300}\n40\n2\n`;
  const circles = Array.from({ length: 2000 }, (_, i) => circle(i)).join('');
  const drawing = `0\nSECTION\n2\nENTITIES\n${circles}0\nENDSEC\n0\nEOF\n`;
  const password = JSON.stringify({ name: 'Nobody', password: 'x'.repeat(200) });
  return [
    ['a drawing of 2,000 circles', posted('api/drawings?units=mm', drawing, 'application/dxf')],
    ['a drawing of noughts', posted('api/drawings?units=mm', '0\n'.repeat(400_000), 'application/dxf')],
    ['a photo that is none', posted('api/photos', 'x'.repeat(4_000_000), 'image/jpeg')],
    ['a set of gears to practise with', posted('api/practice', '{}')],
    ['a backup', posted('api/backups', '{}')],
    ['a password that is wrong', posted('api/login', password)],
  ];
}

interface Hold {
  readonly name: string;
  readonly status: number;
  /** The longest that another waited, in the best of some tries, and in the first. */
  readonly longestMs: number;
  readonly firstMs: number;
}

/** Asks for one thing some times over, and watches how long others wait. */
async function hold(base: string, others: Others, [name, heavy]: Named): Promise<Hold> {
  const { path, method = 'GET', body, type = 'application/json' } = heavy;
  const init = { method, headers: { 'content-type': type } };
  const tries: number[] = [];
  let status = 0;
  for (let i = 0; i < TRIES; i += 1) {
    const waits = await others.during(async () => {
      ({ status } = await ask(`${base}${path}`, body === undefined ? init : { ...init, body }));
    });
    tries.push(waits.longestMs);
  }
  return { name, status, longestMs: Math.min(...tries), firstMs: tries[0] ?? 0 };
}

/**
 * How long one request keeps others waiting at most, where a shop has what years bring.
 *
 * @param share of those years
 */
export async function longestHold(base: string, share: number): Promise<Findings> {
  const way = await years(base, share);
  const others = await Others.at([`${base}api/health`], 1);
  try {
    const all: Hold[] = [];
    const asked = [...readsOf(way), ...(await tablesOf(base, way)), ...plansOf(way), ...oddOnes()];
    for (const one of asked) all.push(await hold(base, others, one));
    const idle = await others.quiet();
    all.sort((a, b) => b.longestMs - a.longestMs);
    return {
      asked: all.length,
      failed: all.filter(({ status }) => status === 0 || status >= 500).length,
      longestMs: all[0]?.longestMs ?? Infinity,
      longest: all
        .slice(0, 5)
        .map((h) => `${h.name} ${h.longestMs}`)
        .join(', '),
      firstMs: Math.max(...all.map((h) => h.firstMs)),
      idleLongestMs: idle.longestMs,
    };
  } finally {
    others.end();
  }
}
