import { EMPTY_PLAN } from '@intervex/core';
import type Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { problemsOf } from './problems';
import { idSchema, newProjectSchema, renameSchema, saveSchema, sheetQuerySchema, stepSchema } from './requests';

const problems = (schema: Joi.ObjectSchema, body: unknown) => {
  const { error } = schema.validate(body, { abortEarly: false, convert: false });
  return error ? problemsOf(error) : [];
};

describe('requests', () => {
  it.each([
    [newProjectSchema, { name: 'Tern', variant: 'Even up', who: 'Ansa' }],
    [renameSchema, { name: 'Tamsel Linnet' }],
    [stepSchema, { baseRevision: 3, who: 'Ansa' }],
    [saveSchema, { baseRevision: 3, who: 'Ansa', plan: EMPTY_PLAN }],
    [idSchema, { id: '7d0c2f4e-1111-4c9a-9d2e-3b1f0a8c5e77' }],
    [sheetQuerySchema, { paper: 'letter', units: 'frac' }],
  ])('take what is right (%#)', (schema, body) => {
    expect(problems(schema as Joi.ObjectSchema, body)).toEqual([]);
  });

  it.each([
    [newProjectSchema, { variant: 'x', who: 'y' }, 'name', 'is required', 'give this field'],
    [newProjectSchema, { name: 'a'.repeat(81), variant: 'x', who: 'y' }, 'name', '80', 'at most 80 characters'],
    [newProjectSchema, { name: 7, variant: 'x', who: 'y' }, 'name', 'string', 'text in quotes'],
    [renameSchema, { name: '<script>' }, 'name', 'character', 'no < > ;'],
    [renameSchema, { name: 'x', colour: 'red' }, 'colour', 'not a field here', 'check its spelling'],
    [stepSchema, { baseRevision: '3', who: 'y' }, 'baseRevision', 'number', 'without quotes'],
    [stepSchema, { baseRevision: 0, who: 'y' }, 'baseRevision', 'greater than or equal to 1', ''],
    [sheetQuerySchema, { paper: 'a3', units: 'mm' }, 'paper', 'must be one of', 'one of a4, letter'],
    [idSchema, { id: '17' }, 'id', 'GUID', 'as this server gives it'],
    [saveSchema, { baseRevision: 1, who: 'y', plan: [] }, 'plan', 'object', 'in braces'],
  ])('say field, what was wrong and what would be right (%#)', (schema, body, field, wrong, right) => {
    const [first] = problems(schema as Joi.ObjectSchema, body);
    expect(first?.field).toBe(field);
    expect(first?.wrong).toContain(wrong);
    expect(first?.right).toContain(right);
  });

  it('name the place in a list, and stop at twenty', () => {
    const repeats = Array.from({ length: 30 }, () => ({ value: 'wide' }));
    const plan = { ...EMPTY_PLAN, readings: { 'donor.half.left': { repeats, instrument: 'tape' } } };
    const found = problems(saveSchema as Joi.ObjectSchema, { baseRevision: 1, who: 'y', plan });
    expect(found).toHaveLength(20);
    expect(found.map((p) => p.field)).toContain('plan.readings.donor.half.left.repeats[3].value');
  });
});
