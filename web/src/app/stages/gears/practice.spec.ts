import { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { PracticeSet } from '@intervex/contract/wire';
import type { Trial } from '@intervex/core';
import { Bench, donorPlan } from '../../testing/bench';
import { PracticeDesk } from './practice-desk';

const ID = '2b1f7c9e-3333-4c9a-9d2e-3b1f0a8c5e77';
const FIRST = { pinionShim: 0.91, ringSide: 2.14, otherSide: 1.86 };
const trial = (more: Partial<Trial> = {}): Trial => ({
  ...FIRST,
  backlash: [0.11, 0.12, 0.1, 0.12],
  drive: { along: -0.3, across: -0.9 },
  coast: { along: 0.2, across: -0.85 },
  ...more,
});
const GOOD = trial({
  pinionShim: 0.98,
  backlash: [0.2, 0.21, 0.19, 0.2],
  drive: { along: 0, across: 0.1 },
  coast: { along: 0.1, across: 0 },
});
const set = (trials: readonly Trial[], more: Partial<PracticeSet> = {}): PracticeSet => ({
  id: ID,
  difficulty: 'usual',
  first: FIRST,
  trials,
  ...more,
});
const answer = async (bench: Bench<unknown>, path: string, value: object) => {
  TestBed.inject(HttpTestingController)
    .expectOne((r) => r.url === path)
    .flush(value);
  await bench.settle();
};
const rowsOf = (bench: Bench<unknown>) =>
  bench.all('tbody tr').map((tr) => (tr.textContent ?? '').replace(/\s+/g, ' '));

describe('practice', () => {
  it('goes from a begun set over its trials to what was right', async () => {
    const bench = await Bench.of(PracticeDesk, donorPlan());
    expect(bench.text).toContain('Its shims are a usual kit');
    await bench.click('Begin');
    await answer(bench, '/api/practice', set([]));
    expect(bench.text).toMatch(/Usual set\. It comes with pinion shim 0\.910 mm/);
    expect(bench.all<HTMLInputElement>('.shims input').map((i) => i.value)).toEqual([
      '0.910',
      '2.140',
      '1.860',
    ]);
    await bench.click('Put them in and read');
    await answer(bench, `/api/practice/${ID}/trials`, set([trial()]));
    expect(rowsOf(bench)[0]).toMatch(/too little backlash; contact too near the face/);
    expect(bench.text).not.toContain('Try next');
    bench.all<HTMLInputElement>('input[type=checkbox]')[0]?.click();
    await bench.settle();
    expect(bench.text).toContain('Try next');
    await bench.click('Use these for the next trial');
    // The contact lies at the face: the pinion goes in.
    expect(Number(bench.all<HTMLInputElement>('.shims input')[0]?.value)).toBeGreaterThan(0.93);
    await bench.click('Put them in and read');
    await answer(bench, `/api/practice/${ID}/trials`, set([trial(), GOOD]));
    expect(bench.text).toContain('Good after 2.');
    await bench.click('Open it');
    const truth = {
      pinionShim: 0.97,
      ringSide: 2.05,
      otherSide: 1.95,
      carrierGain: 0.74,
      pinionGain: 0.31,
      runout: 0.012,
    };
    await answer(bench, `/api/practice/${ID}/open`, set([trial(), GOOD], { truth }));
    await answer(bench, `/api/practice/${ID}/what-if`, GOOD);
    // 0.1 · 0.74 and 2 · 0.012.
    expect(bench.text).toMatch(/takes 0\.074 mm of backlash away.*runs out by 0\.024 mm/s);
    expect(rowsOf(bench).at(-2)).toMatch(/Trial 1 ?−0\.060 mm ?\+0\.090 mm ?–/);
    expect(bench.text).toMatch(
      /You: good after 2 trials\..*The advice alone, from the same shims: good after 1 trial\./s,
    );
    await bench.click('Another set');
    expect(bench.text).toContain('Begin');
  });

  it('says why the bench is not heard, and keeps what was typed', async () => {
    const bench = await Bench.of(PracticeDesk, donorPlan());
    await bench.click('Begin');
    await answer(bench, '/api/practice', set([]));
    const [pinion] = bench.all<HTMLInputElement>('.shims input');
    if (!pinion) throw new Error('There is no field.');
    pinion.value = '0.95';
    pinion.dispatchEvent(new Event('input'));
    await bench.settle();
    await bench.click('Put them in and read');
    TestBed.inject(HttpTestingController)
      .expectOne((r) => r.url === `/api/practice/${ID}/trials`)
      .flush(
        { error: 'unavailable', message: 'The gear set bench cannot be reached.', problems: [] },
        { status: 503, statusText: 'Service Unavailable' },
      );
    await bench.settle();
    expect(bench.all('[role=alert]')[0]?.textContent).toContain('cannot be reached');
    expect(bench.all<HTMLInputElement>('.shims input')[0]?.value).toBe('0.95');
    pinion.value = 'thick';
    pinion.dispatchEvent(new Event('input'));
    await bench.settle();
    await bench.click('Put them in and read');
    expect(bench.all('[role=alert]')[0]?.textContent).toMatch(/^ ?Pinion shim: /);
  });
});
