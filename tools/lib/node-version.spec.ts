import { expect, it } from 'vitest';
import { tooOld } from './node-version.mjs';

it.each([
  ['18.20.4', 'Intervex needs Node.js 20.19 or newer; this is 18.20.4. Install that, and start again.'],
  ['20.9.1', 'Intervex needs Node.js 20.19 or newer; this is 20.9.1. Install that, and start again.'],
  ['20.19.0', undefined],
  ['20.20.2', undefined],
  ['21.0.0', undefined],
  ['24.1.0', undefined],
])('Node.js %s', (running, said) => {
  expect(tooOld(running, '>=20.19')).toBe(said);
});
