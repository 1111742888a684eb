import { PLAN_FORMAT, readPlanFile } from '@intervex/contract';
import { PLAN_VERSION } from '@intervex/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import tern from '../../../examples/tern.json';
import { randomPlan } from '../../../core/src/testing/random-plan';
import { startHarness, type Harness } from '../testing/harness';

/** Plans that are drawn; core draws two thousand through everything but paper. */
const PLANS = 10;
const UNITS = ['mm', 'in', 'frac', 'frac32', 'frac64'];
const read = readPlanFile(tern);
if (!read.ok) throw new Error('The example is refused.');
const usual = read.file.plan;
let h: Harness;
beforeAll(async () => {
  h = await startHarness();
});
afterAll(() => h.close());

/** Everything the server makes of a plan, each in one of the units. */
const outputs = (seed: number): readonly string[] => {
  const units = UNITS[seed % UNITS.length] ?? 'mm';
  const orders = ['shafts', 'brakes', 'hubs'].flatMap((sheet) =>
    ['pdf', 'csv', 'json'].map((kind) => `order-sheet.${kind}?sheet=${sheet}&units=${units}`),
  );
  return [
    `cut-sheet.pdf?units=${units}&paper=a4`,
    ...UNITS.map((unit) => `cut-sheet.csv?units=${unit}`),
    `survey-sheet.pdf?units=${units}&stage=survey&filled=true`,
    `survey-sheet.pdf?units=${units}&stage=donor&filled=true`,
    ...orders,
    'plan-file',
    'readings.csv',
    ...['jig', 'flange'].flatMap((name) => ['dxf', 'svg', 'pdf'].map((kind) => `shapes/${name}.${kind}`)),
  ];
};
const NO_NUMBER = /\b(NaN|Infinity|undefined|null\.)\b/;

describe('any plan that may be saved', () => {
  it.each(Array.from({ length: PLANS }, (_, i) => i + 1))(
    '%i comes out of every sheet and file',
    async (seed) => {
      const file = {
        format: PLAN_FORMAT,
        version: PLAN_VERSION,
        project: `Drawn ${seed}`,
        variant: 'One',
        plan: randomPlan(seed, usual),
      };
      const made = await h.call('POST', '/api/plan-files?who=Ansa', JSON.stringify(file));
      expect(made.status, made.text).toBe(201);
      for (const path of outputs(seed)) {
        const answer = await h.call('GET', `/api/variants/${made.json.id}/${path}`);
        // A shape that is not known yet is 404 with its reason; nothing falls over.
        expect([200, 404], `${path}: ${answer.text.slice(0, 200)}`).toContain(answer.status);
        if (!path.includes('.pdf')) expect(NO_NUMBER.exec(answer.text)?.[0], path).toBeUndefined();
      }
      const list = await h.call(
        'GET',
        `/api/projects/${(await h.call('GET', `/api/variants/${made.json.id}`)).json.projectId}/variants`,
      );
      expect(list.status).toBe(200);
    },
  );
});
