import { request } from 'node:http';
import { WALKED } from '@intervex/core';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startHarness, type Harness } from '../testing/harness';

const tern = readFileSync(join(import.meta.dirname, '../../../examples/tern.json'), 'utf8');
const UNITS = ['mm', 'in', 'frac', 'frac32', 'frac64'];
let h: Harness;
let id = '';
beforeAll(async () => {
  h = await startHarness();
  id = (await h.call('POST', '/api/plan-files', tern)).json.id;
});
afterAll(() => h.close());

const sheet = async (query: string, kind = 'pdf') => {
  const answer = await fetch(`${h.url}/api/variants/${id}/cut-sheet.${kind}${query}`);
  return { status: answer.status, bytes: Buffer.from(await answer.arrayBuffer()) };
};
/** Asks for a sheet, and hangs up. */
const hangUp = (query: string, ms: number) =>
  new Promise<void>((done) => {
    const asked = request(`${h.url}/api/variants/${id}/cut-sheet.pdf${query}`);
    asked.once('close', done);
    asked.on('error', () => undefined);
    asked.end();
    setTimeout(() => asked.destroy(), ms);
  });

describe('sheets that many ask for', () => {
  it('are made once a revision, and given again as they are', async () => {
    const first = await sheet('?units=mm');
    const again = await sheet('?units=mm');
    // A file made twice would differ at least in when it was made.
    expect(again.bytes.equals(first.bytes)).toBe(true);
    const inches = await sheet('?units=in', 'csv');
    expect((await sheet('?units=mm', 'csv')).bytes.equals(inches.bytes)).toBe(false);
  });

  it('are made anew after the plan or a name changed', async () => {
    const [before, named] = [await sheet('', 'csv'), await sheet('')];
    const { plan, revision } = (await h.call('GET', `/api/variants/${id}`)).json;
    const kerf = { ...plan.readings['cut.kerf'], repeats: [{ value: 3.3 }] };
    const readings = { ...plan.readings, 'cut.kerf': kerf };
    const saved = await h.call('PUT', `/api/variants/${id}/plan`, {
      baseRevision: revision,
      plan: { ...plan, readings },
      who: 'Ansa',
    });
    expect(saved.status).toBe(200);
    const changed = await sheet('', 'csv');
    expect(changed.bytes.equals(before.bytes)).toBe(false);
    expect(changed.bytes.toString('utf8')).toContain('3.3');
    await h.call('PATCH', `/api/variants/${id}`, { name: 'Second thoughts' });
    expect((await sheet('')).bytes.equals(named.bytes)).toBe(false);
  });

  it('come although others ask and hang up, over and over', async () => {
    let going = true;
    const hanging = (async () => {
      for (let i = 0; going; i += 1)
        await hangUp(`?paper=${i % 2 ? 'a4' : 'letter'}&units=${UNITS[i % 5] ?? ''}`, 15 + (i % 4) * 30);
    })();
    const came = [];
    for (const unit of UNITS) came.push((await sheet(`?units=${unit}`)).status);
    going = false;
    await hanging;
    expect(came).toEqual([200, 200, 200, 200, 200]);
  });

  it('are refused with when to come again where one asks for too many at once', async () => {
    const papers = ['a4', 'letter'].flatMap((paper) =>
      UNITS.flatMap((units) =>
        [true, false].map((filled) => `?paper=${paper}&units=${units}&filled=${filled}`),
      ),
    );
    const asked = WALKED.flatMap((stage) => papers.map((query) => `${query}&stage=${stage}`)).slice(0, 80);
    const all = await Promise.all(
      asked.map((query) => fetch(`${h.url}/api/variants/${id}/survey-sheet.pdf${query}`)),
    );
    const refused = all.filter(({ status }) => status !== 200);
    expect(refused.length).toBeGreaterThan(0);
    expect(refused.length).toBeLessThan(60);
    for (const { status, headers } of refused) expect([status, headers.get('retry-after')]).toEqual([503, '2']);
  });
});
