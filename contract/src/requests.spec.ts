import { describe, expect, it } from 'vitest';
import { deviceSchema } from './ports/bench';
import { receivedSchema, settleSchema } from './ports/maker';
import { counterSchema, pairQuestionSchema, partsQuerySchema } from './ports/parts';
import {
  orderSheetQuerySchema,
  readingsQuerySchema,
  shapeFileSchema,
  surveySheetQuerySchema,
} from './requests';

const wrong = (
  schema: { validate(v: unknown, o: object): { error?: { details: { path: unknown[] }[] } } },
  value: unknown,
) =>
  schema.validate(value, { convert: true, abortEarly: false }).error?.details.map((d) => d.path.join('.')) ??
  [];

describe('what a supplier is asked and told', () => {
  it('names sheet and shape that there are', () => {
    expect(orderSheetQuerySchema.validate({}).value).toEqual({ sheet: 'shafts', paper: 'a4', units: 'mm' });
    expect(wrong(orderSheetQuerySchema, { sheet: 'cakes' })).toEqual(['sheet']);
    expect(wrong(shapeFileSchema, { file: 'jig.dxf' })).toEqual([]);
    for (const file of ['jig.step', '../jig.dxf', 'jig', 'flange.DXF'])
      expect(wrong(shapeFileSchema, { file })).toEqual(['file']);
  });

  it('asks for pairs with sizes that can be', () => {
    const sided = { left: 792, right: 741.5 };
    const question = {
      wanted: { teeth: 31, pitch: 24, journal: 35.01 },
      axle: { half: sided, shaft: { left: 775.4, right: 724.7 }, leastHalf: { left: 294, right: 287 } },
      target: { width: 1402 },
    };
    expect(wrong(pairQuestionSchema, question)).toEqual([]);
    expect(wrong(pairQuestionSchema, { ...question, target: { width: 1e9 } })).toEqual(['target.width']);
    expect(wrong(pairQuestionSchema, { ...question, axle: { ...question.axle, half: { left: 792 } } })).toEqual(
      ['axle.half.right'],
    );
    expect(wrong(pairQuestionSchema, { ...question, wanted: { teeth: 30.5 } })).toEqual(['wanted.teeth']);
  });

  it('takes each shaft once, and a decision with its reason', () => {
    const shaft = { side: 'left', length: 684.5 };
    expect(wrong(receivedSchema, { who: 'Ansa', shafts: [shaft] })).toEqual([]);
    expect(wrong(receivedSchema, { who: 'Ansa', shafts: [shaft, { ...shaft, length: 672 }] })).toEqual([
      'shafts.1',
    ]);
    expect(wrong(receivedSchema, { who: 'Ansa', shafts: [{ ...shaft, journal: 0 }] })).toEqual([
      'shafts.0.journal',
    ]);
    expect(wrong(settleSchema, { who: 'Ansa', decision: 'burn', reason: 'no' })).toEqual([
      'decision',
      'reason',
    ]);
  });
});

describe('a question to the parts counter', () => {
  it('may name dimensions that have to agree', () => {
    const near = (text: string) => partsQuerySchema.validate({ kind: 'wheel', near: text }).value?.near;
    expect(near('rim:13,holes:5,pcd:108.04')).toEqual({ rim: 13, holes: 5, pcd: 108.04 });
    expect(near('et:-12.5')).toEqual({ et: -12.5 });
    for (const text of ['rim', 'rim:wide', 'rim:13;pcd:2', '__proto__:1', `${'a'.repeat(201)}:1`])
      expect(wrong(partsQuerySchema, { kind: 'wheel', near: text })).toContain('near');
  });

  it('has both sizes or none, and a kind that is there', () => {
    expect(partsQuerySchema.validate({ kind: 'seal', inside: '40', outside: '68.05' }).value).toEqual({
      kind: 'seal',
      inside: 40,
      outside: 68.05,
      open: false,
      near: {},
      like: {},
    });
    expect(wrong(partsQuerySchema, { kind: 'boot' })).toEqual(['kind']);
    expect(wrong(partsQuerySchema, { kind: 'seal', inside: 40 })).toHaveLength(1);
    for (const inside of ['NaN', '1e9', '-3', '0', 'wide'])
      expect(wrong(partsQuerySchema, { kind: 'seal', inside, outside: 68 })).toEqual(['inside']);
  });
});

describe('an answer of the parts counter', () => {
  const offer = {
    number: 'WB-107A',
    name: 'Bearing 35 × 72 × 17',
    kind: 'bearing',
    seller: 'Withy Shaftworks',
    price: 28,
    stock: 7,
    leadDays: 9,
    size: { bore: 35, outside: 72, width: 17 },
  };
  const answer = (change: object) => ({ kind: 'bearing', total: 1, offers: [{ ...offer, ...change }] });

  it('is taken whole', () => {
    expect(wrong(counterSchema, answer({}))).toEqual([]);
  });

  it.each([
    [{ price: -1 }, 'offers.0.price'],
    [{ stock: 1.5 }, 'offers.0.stock'],
    [{ size: { bore: Number.NaN } }, 'offers.0.size.bore'],
    [{ number: '' }, 'offers.0.number'],
    [{ kind: 'boot' }, 'offers.0.kind'],
  ])('is refused with %j', (change, field) => {
    expect(counterSchema.validate(answer(change), { convert: false }).error?.details[0]?.path.join('.')).toBe(
      field,
    );
  });
});

describe('other questions', () => {
  it('have usual values, and ends', () => {
    expect(readingsQuerySchema.validate({}).value).toEqual({ find: '', from: 0, limit: 200 });
    expect(wrong(readingsQuerySchema, { limit: '501' })).toEqual(['limit']);
    expect(wrong(readingsQuerySchema, { from: '-1' })).toEqual(['from']);
    expect(surveySheetQuerySchema.validate({}).value).toEqual({
      paper: 'a4',
      units: 'mm',
      stage: 'survey',
      filled: false,
    });
    expect(wrong(surveySheetQuerySchema, { stage: 'cut', filled: 'perhaps' })).toEqual(['stage', 'filled']);
    expect(wrong(deviceSchema, { id: '../set' })).toEqual(['id']);
  });
});
