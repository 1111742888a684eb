import { cpSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { VariantView } from '@intervex/contract';
import { EMPTY_PLAN, PLAN_VERSION } from '@intervex/core';
import { describe, expect, it } from 'vitest';
import { migrate } from '../db/migrate';
import type { Pool } from '../db/pool';
import { MIGRATIONS, startHarness } from '../testing/harness';

type Fields = Readonly<Record<string, unknown>>;

const BRIEF_1 = {
  vehicle: 'Hollin Tern',
  donor: 'Marrow Carter van axle',
  use: 'road',
  finishBy: '',
  notes: '',
};
const BRIEF_3 = {
  ...BRIEF_1,
  launch: 'hard',
  differential: 'limitedSlip',
  gears: [3.24],
  torqueCurve: [],
  tools: ['tape'],
  skills: [],
};
const CHOICES_1 = {
  school: 'shortShaft',
  method: 'slug',
  datum: 'casting',
  retention: 'cClip',
  shaftRoute: 'buy',
};
const CHOICES_5 = {
  ...CHOICES_1,
  retentionTo: 'boltIn',
  tyre: '165R13',
  spacer: 'none',
  pattern: 'redrill',
  jig: 'step',
};
const half = { repeats: [{ value: 791.5 }], instrument: 'tape', datum: 'pinion axis' };
const lists = { facts: {}, joints: {}, searches: {}, verdicts: {}, photos: {} };
const tubes = { tubeItems: {}, patterns: {}, keepOuts: {}, lines: {} };

/** Plans as each version wrote them, and the last migration there was then. */
const EARLIER: readonly (readonly [version: number, migrations: number, plan: Fields])[] = [
  [1, 1, { brief: BRIEF_1, choices: CHOICES_1, readings: { 'donor.half.left': 791.5 } }],
  [
    2,
    1,
    {
      brief: BRIEF_1,
      choices: CHOICES_1,
      readings: { 'donor.half.left': half },
      limits: { 'cut.slug': { value: 4.5, reason: 'Thick blade' } },
      accepted: {},
    },
  ],
  [
    3,
    2,
    { brief: BRIEF_3, choices: CHOICES_1, readings: { 'donor.half.left': half }, limits: {}, accepted: {} },
  ],
  [
    4,
    4,
    {
      ...lists,
      brief: BRIEF_3,
      choices: CHOICES_1,
      readings: { 'donor.half.left': half },
      limits: {},
      accepted: {},
    },
  ],
  [
    5,
    5,
    {
      ...lists,
      ...tubes,
      brief: BRIEF_3,
      choices: CHOICES_5,
      readings: { 'donor.half.left': half, 'donor.splineTeeth': { ...half, repeats: [{ value: 31 }] } },
      limits: {},
      accepted: {},
    },
  ],
  [
    6,
    6,
    {
      ...lists,
      ...tubes,
      brief: BRIEF_3,
      choices: { ...CHOICES_5, reaction: 'springs' },
      readings: { 'donor.half.left': half },
      limits: {},
      accepted: {},
    },
  ],
  [
    7,
    8,
    {
      ...lists,
      ...tubes,
      brief: BRIEF_3,
      choices: {
        ...CHOICES_5,
        reaction: 'springs',
        aim: 'parallel',
        suspension: 'leaf',
        pieces: 'two',
        coupling: 'converter',
        driven: 'rear',
        gearSet: 'own',
      },
      readings: { 'donor.half.left': half },
      limits: {},
      accepted: {},
      open: {},
      overShaft: { floor: { name: 'Floor', along: 640, under: 402 } },
      gearOffers: {},
      gearTrials: {},
      shimKit: { pinion: [0.5], carrier: [] },
      gearWeights: { launch: 3, finish: 2, cruise: 2, cost: 1 },
    },
  ],
  [
    8,
    11,
    {
      ...lists,
      ...tubes,
      brief: BRIEF_3,
      choices: {
        ...CHOICES_5,
        reaction: 'springs',
        aim: 'parallel',
        suspension: 'leaf',
        pieces: 'two',
        coupling: 'converter',
        driven: 'rear',
        gearSet: 'own',
        springsNow: 'over',
        springsWanted: 'under',
        boltBend: 'square',
        perchesWelded: 'first',
        fittingThread: 'g18',
      },
      readings: { 'donor.half.left': half },
      limits: {},
      accepted: {},
      open: {},
      overShaft: {},
      gearOffers: {},
      gearTrials: {},
      shimKit: { pinion: [], carrier: [] },
      gearWeights: { launch: 3, finish: 2, cruise: 2, cost: 1 },
      brackets: {},
      bracketKits: {},
      links: {},
      boltJoints: {},
      weldSteps: { level: '2026-11-02' },
    },
  ],
];

/** Version 9 knew how the axle moves; one of its builds did not know `ladderFront` yet. */
const [, , EIGHT = {}] = EARLIER.at(-1) ?? [];
const NINE: (typeof EARLIER)[number] = [
  9,
  11,
  {
    ...EIGHT,
    choices: { ...(EIGHT['choices'] as Fields), squatAim: 'neutral', shaftTurns: 'unsaid' },
    arms: {},
    cranks: {},
    obstacles: {},
  },
];

/** Leaves a database as an earlier build did: its migrations, one project, one variant, its plan in one revision. */
async function leave(pool: Pool, migrations: number, plan: Fields, version: number): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'intervex-migrations-'));
  try {
    for (const name of readdirSync(MIGRATIONS))
      if (Number(name.slice(0, 4)) <= migrations) cpSync(join(MIGRATIONS, name), join(folder, name));
    await migrate(pool, folder);
  } finally {
    rmSync(folder, { recursive: true });
  }
  const project = await pool.query<{ id: string }>("insert into projects (name) values ('Old') returning id");
  const variant = await pool.query<{ id: string }>(
    "insert into variants (project_id, name) values ($1, 'First') returning id",
    [project.rows[0]?.id],
  );
  const id = variant.rows[0]?.id ?? '';
  // From then on a row says which version its plan is of.
  const says = migrations > 6;
  await pool.query(
    `insert into plan_revisions (variant_id, revision, kind, plan, changed, who${says ? ', plan_version' : ''})
     values ($1, 1, 'create', $2, '{}', 'Ansa'${says ? ', $3' : ''})`,
    [id, JSON.stringify(plan), ...(says ? [version] : [])],
  );
  await pool.query('update variants set head = 1 where id = $1', [id]);
  return id;
}

/** Opens a database that an earlier build left, reads the plan, saves a change, takes it back. */
async function opened(migrations: number, plan: Fields, version = 1) {
  let id = '';
  const h = await startHarness(undefined, {}, async (pool) => {
    id = await leave(pool, migrations, plan, version);
  });
  try {
    const first = (await h.call('GET', `/api/variants/${id}`)).json as VariantView;
    const changed = { ...first.plan, brief: { ...first.plan.brief, notes: 'Opened again' } };
    const save = { baseRevision: 1, plan: changed, who: 'Bram' };
    const saved = await h.call('PUT', `/api/variants/${id}/plan`, save);
    const undone = await h.call('POST', `/api/variants/${id}/undo`, { baseRevision: 2, who: 'Bram' });
    const stale = await h.call('PUT', `/api/variants/${id}/plan`, save);
    const { rows } = await h.pool.query<{ plan_version: number }>(
      'select plan_version from plan_revisions where variant_id = $1 order by revision',
      [id],
    );
    return { first, saved, undone, stale, versions: rows.map((r) => r.plan_version) };
  } finally {
    await h.close();
  }
}

describe('a database that an earlier build left', () => {
  it.each([...EARLIER, NINE])(
    'of version %i opens, is saved, undone and merged',
    async (version, migrations, plan) => {
      const { first, saved, undone, stale, versions } = await opened(migrations, plan, version);
      expect(first.plan.readings['donor.half.left']).toEqual(half);
      expect(Object.keys(first.plan).sort()).toEqual(Object.keys(EMPTY_PLAN).sort());
      expect(first.plan.choices).toMatchObject({
        school: 'shortShaft',
        retention: 'cClip',
        // What held the shafts goes on holding them where nothing else was chosen.
        retentionTo: version < 5 ? 'cClip' : 'boltIn',
        reaction: version < 6 ? 'tyres' : 'springs',
        aim: version < 7 ? 'undecided' : 'parallel',
        suspension: version < 7 ? 'unsaid' : 'leaf',
        pieces: version < 7 ? 'one' : 'two',
        coupling: version < 7 ? 'clutch' : 'converter',
        driven: 'rear',
        gearSet: version < 7 ? '' : 'own',
        springsNow: 'over',
        perchesWelded: version < 8 ? 'last' : 'first',
        squatAim: 'neutral',
        shaftTurns: 'unsaid',
        ladderFront: 'unsaid',
      });
      expect(first.plan.arms).toEqual({});
      expect(first.plan.brief.launch).toBe(version < 3 ? 'normal' : 'hard');
      expect(first.dropped).toBeUndefined();
      expect([saved.status, undone.status]).toEqual([200, 200]);
      expect((undone.json as VariantView).plan).toEqual(first.plan);
      // The base of a stale save comes up to date as well.
      expect(stale.json).toMatchObject({ error: 'stale', base: first.plan });
      expect(versions).toEqual([version < 7 ? 1 : version, PLAN_VERSION, PLAN_VERSION]);
    },
  );

  it('says what it leaves out of it, and refuses no save for that', async () => {
    const [, , plan = {}] = EARLIER[5] ?? [];
    const odd = {
      ...plan,
      choices: { ...(plan['choices'] as Fields), school: 'best' },
      readings: { 'donor.half.left': half, 'donor.nose': half },
      facts: { 'donor.mood': { value: 'good', evidence: 'seen' } },
    };
    const { first, saved } = await opened(6, odd);
    expect(first.dropped).toEqual(['readings donor.nose', 'facts donor.mood', 'choices school=best']);
    expect(first.plan.choices.school).toBe('evenUp');
    expect(saved.status).toBe(200);
    expect((saved.json as VariantView).dropped).toBeUndefined();
  });
});
