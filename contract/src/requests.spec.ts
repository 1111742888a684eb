import { describe, expect, it } from 'vitest';
import {
  counterSchema,
  deviceSchema,
  partsQuerySchema,
  readingsQuerySchema,
  surveySheetQuerySchema,
} from './requests';

const wrong = (
  schema: { validate(v: unknown, o: object): { error?: { details: { path: unknown[] }[] } } },
  value: unknown,
) =>
  schema.validate(value, { convert: true, abortEarly: false }).error?.details.map((d) => d.path.join('.')) ??
  [];

describe('a question to the parts counter', () => {
  it('has both sizes or none, and a kind that is there', () => {
    expect(partsQuerySchema.validate({ kind: 'seal', inside: '40', outside: '68.05' }).value).toEqual({
      kind: 'seal',
      inside: 40,
      outside: 68.05,
      open: false,
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
