import { describe, expect, it, vi } from 'vitest';
import type * as Stages from '../src/stages';
import type * as Printed from '../src/stages/printed';
import { derive } from '../src/measure';
import {
  field,
  factsOf,
  judge,
  lengthLimit,
  nodesOf,
  number,
  object,
  oneOf,
  quantitiesOf,
  row,
  SIDED,
  stage,
  words,
  type PlaceId,
  type PlaceOf,
  type SheetDef,
} from '../src/stage';

// A stage that the house does not have: everything of it stands here.
const UNDER = { id: 'toy', belongs: 'axle', headings: { wobble: 'Wobble', looks: 'Looks' } } as const;
const quantity = quantitiesOf(UNDER)('wobble', { datum: 'none', instrument: 'indicator' });
const fact = factsOf(UNDER)('looks');
const toy = words({
  id: 'toy',
  title: 'Toy',
  headings: UNDER.headings,
  quantities: [
    quantity('toy.run', 'Wobble read', 'Indicator on the toy, one turn.', [0, 9]),
    quantity('toy.play', 'Play', 'Push and pull.', [0, 2], { fallback: { value: 0.25, why: 'a usual toy' } }),
  ],
  facts: [fact('toy.colour', 'Colour', 'As it looks.', { red: 'red', green: 'green' })],
  limits: [lengthLimit('toy.most', 'Most that it may wobble', 1.5, 8)],
  section: {
    choices: { toyWay: field(oneOf(['spin', 'swing']), 'spin', { since: 6, belongs: 'axle' }) },
    parts: {
      toyBox: field(object<{ readonly size: number }>({ size: number(1, 5) }), { size: 2 }, { since: 6 }),
    },
  },
});

declare module '../src/stage/place' {
  interface PlacesOfStages {
    readonly toy: PlaceOf<typeof toy>;
  }
}

const node = nodesOf(toy);
const wobble = node('wobble', (r) => {
  const [run, play] = [r.figure('toy.run'), r.figure('toy.play')];
  return (
    run &&
    play &&
    derive({
      id: 'toy.wobble',
      label: 'Wobble without play',
      unit: 'mm',
      formula: '{r} − {p}',
      source: 'Read, less the play',
      inputs: { r: run, p: play },
    })
  );
});
const holds = node('holds', (r) => [
  judge({
    id: 'toy.wobble',
    stage: 'toy',
    figure: r.of(wobble),
    way: 'atMost',
    limit: r.limit('toy.most'),
    holds: 'It runs true',
    fails: 'It wobbles',
    unknown: 'Whether it wobbles: not known',
    todo: 'Bend it straight.',
    reason: 'Toys that wobble fall.',
    at: 'toy.run',
    lacks: ['toy.run'],
  }),
]);
const toySheet: SheetDef = {
  id: 'toy',
  title: 'Toy sheet',
  address: 'toy-sheet',
  head: () => [['What', 'a toy']],
  sections: (read, pen) => {
    const { of } = read as { of: (n: typeof wobble) => ReturnType<(typeof wobble)['run']> };
    return [{ title: 'Toy', columns: SIDED, rows: [row('Wobble', 'read', () => pen.print(of(wobble)))] }];
  },
  checks: ['toy'],
  cautions: [],
};
const toyDecision = {
  id: 'toy',
  label: 'Whether it is fun',
  needs: node('needs', (): readonly PlaceId[] => ['toy.run']),
};

vi.mock('../src/stages', async (original) => {
  const { STAGES } = await original<typeof Stages>();
  const toyStage = stage(toy, {
    checks: [holds],
    decisions: [toyDecision],
    strip: node('strip', (r) => [
      { id: 'toy', label: 'Toy', order: 5, figure: undefined, text: r.choice('toyWay') },
    ]),
    state: { decisions: [toyDecision] },
  });
  return { STAGES: [...STAGES, toyStage] };
});

vi.mock('../src/stages/printed', async (original) => {
  const { PRINTED } = await original<typeof Printed>();
  return { PRINTED: [...PRINTED, toySheet] };
});

const plan = await import('../src/plan');
const { evaluate } = await import('../src/evaluate');
const { SHEETS, sheetOf } = await import('../src/sheets');
const { planSchema } = await import('../../contract/src/plan-schema');

const wobbly = {
  ...plan.EMPTY_PLAN,
  readings: { 'toy.run': { repeats: [{ value: 2.25 }], instrument: 'indicator' as const } },
};

describe('a stage that is put into the list', () => {
  it('stands in the catalogue, in the rail’s order, and in an empty plan', () => {
    expect(plan.findQuantity('toy.run')).toMatchObject({ stage: 'toy', heading: 'Wobble', min: 0, max: 9 });
    expect(plan.factText('toy.colour', 'red')).toBe('red');
    expect(plan.limitsOf({})('toy.most' as never)).toMatchObject({ value: 1.5 });
    expect(plan.stageTitle('toy')).toBe('Toy');
    expect(plan.EMPTY_PLAN).toMatchObject({ toyBox: { size: 2 }, choices: { toyWay: 'spin' } });
  });

  it('has its place in the schema of plan and file', () => {
    const wrong = (data: unknown) =>
      planSchema
        .validate(data, { abortEarly: false, convert: false })
        .error?.details.map((d) => d.path.join('.'));
    expect(wrong(wobbly)).toBeUndefined();
    expect(wrong({ ...wobbly, toyBox: { size: 7 } })).toEqual(['toyBox.size']);
    expect(wrong({ ...wobbly, choices: { ...wobbly.choices, toyWay: 'jump' } })).toEqual(['choices.toyWay']);
    expect(
      wrong({ ...wobbly, readings: { 'toy.run': { repeats: [{ value: 11 }], instrument: 'indicator' } } }),
    ).toEqual(['readings.toy.run.repeats.0.value']);
    expect(wrong({ ...wobbly, facts: { 'toy.colour': { value: 'blue', evidence: 'seen' } } })).toEqual([
      'facts.toy.colour.value',
    ]);
  });

  it('is computed, checked, decided, shown on strip and rail, and printed', () => {
    const results = evaluate(wobbly);
    // 2.25 − 0.25 against 1.5.
    expect(results.of(wobble)?.value).toBeCloseTo(2, 9);
    const check = results.checks.find((c) => c.id === 'toy.wobble');
    expect(check).toMatchObject({ level: 'caution', title: 'It wobbles', assumed: [{ id: 'toy.play' }] });
    expect(results.decisions.at(-1)).toMatchObject({ id: 'toy', stage: 'toy', lacks: [] });
    expect(results.strip[0]).toMatchObject({ id: 'toy', text: 'spin' });
    expect((results.stages as Record<string, string>)['toy']).toBe('caution');
    const sheet = sheetOf(SHEETS.at(-1) as SheetDef, results, 'mm');
    expect(sheet.sections[0]?.rows[0]?.cells[0]?.text).toBe('2.0 mm*');
    expect(sheet.checks.map((c) => c.title)).toEqual(['It wobbles']);
  });

  it('is untouched until something of it is read, and says what it lacks then', () => {
    const empty = evaluate(plan.EMPTY_PLAN);
    expect((empty.stages as Record<string, string>)['toy']).toBe('untouched');
    expect(empty.checks.some((c) => c.stage === 'toy')).toBe(false);
    expect(empty.decisions.at(-1)?.lacks).toEqual(['toy.run']);
  });

  it('goes with its donor, part by part', () => {
    const offer = {
      number: 'D-1',
      name: 'Other axle',
      kind: 'salvage',
      seller: 'Yard',
      price: 9,
      stock: 1,
    } as const;
    const changed = { ...wobbly, toyBox: { size: 4 }, choices: { ...wobbly.choices, toyWay: 'swing' } };
    const next = plan.planForDonor(changed as never, offer.name, { ...offer, leadDays: 2, size: {} });
    expect(next.readings).not.toHaveProperty('toy.run');
    expect(next).toMatchObject({ toyBox: { size: 4 }, choices: { toyWay: 'spin' } });
  });
});
