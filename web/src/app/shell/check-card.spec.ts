import { TestBed } from '@angular/core/testing';
import { UnitsService } from '../state/units.service';
import { Bench, donorPlan, read } from '../testing/bench';
import { ChecksDrawer } from './checks-drawer';

/** The left donor readings do not add up, 127.98 + 588.3 + 71 against 792.3, by less than a seller’s word may be off. */
const off = donorPlan({
  'donor.brakeSpace.left': read('seller', 71),
  'brief.targetWidth': read('chosen', 1499.6),
});
const accepted = () => Object.entries(bench.store.plan().accepted);
let bench: Bench<ChecksDrawer>;
const closure = () => bench.all('article.caution').find((a) => /limit 2\.0 mm/.test(a.textContent ?? ''));

beforeEach(async () => {
  bench = await Bench.of(ChecksDrawer, off);
});

describe('checks drawer', () => {
  it('puts stops first, with figure, limit, reason and what to do', () => {
    const titles = bench.all('article h3').map((h) => (h.textContent ?? '').replace(/\s+/g, ' ').trim());
    expect(titles[0]).toContain('(stop)');
    const caution = closure()?.textContent?.replace(/\s+/g, ' ');
    // 792.3 − 787.28 by hand, against 2.
    expect(caution).toMatch(/5\.0 mm/);
    expect(caution).toMatch(/limit 2\.0 mm/);
  });

  it('accepts a caution only with a reason, and can take it back', async () => {
    await bench.click('Accept…');
    await bench.click('Accept with this reason');
    expect(bench.text).toContain('Write the reason');
    expect(accepted()).toEqual([]);
    await bench.fill('textarea', 'Fillet weld at the casting');
    await bench.fill('input[name=who]', 'Ansa');
    await bench.click('Accept with this reason');
    expect(accepted()).toHaveLength(1);
    expect(accepted()[0]?.[1]).toMatchObject({ reason: 'Fillet weld at the casting', who: 'Ansa' });
    expect(bench.text).toContain('Accepted: Fillet weld at the casting');
    await bench.click('Take back');
    expect(accepted()).toEqual([]);
  });

  it('tells what cannot be told yet apart from what passed, with what is missing', async () => {
    const unknown = bench.all('article.unknown');
    expect(unknown.length).toBeGreaterThan(0);
    for (const card of unknown) expect(card.textContent).toContain('(not known yet)');
    expect(bench.text).toContain('Not known yet');
    expect(bench.text).toContain('Missing:');
    expect(unknown[0]?.textContent).not.toContain('Accept…');
    await bench.click('passed');
    expect(bench.all('article.ok').every((card) => card.textContent?.includes('(ok)'))).toBe(true);
  });

  it('says where the readings cannot tell on which side of its limit a figure is', async () => {
    await bench.change(donorPlan({ 'donor.brakeSpace.left': read('seller', 74.2) }));
    await bench.click('passed');
    // 1.82 off with ± 5.9 is no proof of anything.
    expect(bench.text).toContain('The readings cannot tell which side of the limit this is: ± 5.9');
  });

  it('never accepts a stop', () => {
    const stop = bench.all('article.stop')[0];
    expect(stop?.textContent).not.toContain('Accept…');
  });

  it('changes a limit within its range, with a reason, in any unit', async () => {
    const button = [...(closure()?.querySelectorAll('button') ?? [])].find((b) =>
      b.textContent?.includes('Change limit'),
    );
    button?.click();
    await bench.fixture.whenStable();
    await bench.fill('textarea', 'Rough casting face');
    await bench.fill('input[name=limit]', '90 mm');
    await bench.click('Change the limit');
    expect(bench.text).toContain('between 0.0 mm and 50.0 mm');
    await bench.fill('input[name=limit]', '1/4"');
    await bench.click('Change the limit');
    expect(bench.store.plan().limits['donor.closure']).toEqual({ value: 6.35, reason: 'Rough casting face' });
  });

  it('takes a limit of mass in the unit of the page: pounds beside inches', async () => {
    const heavy = donorPlan({
      'brief.mass': read('chosen', 1020),
      'brief.front': read('chosen', 560),
      'brief.rear': read('chosen', 430),
    });
    TestBed.resetTestingModule();
    const drawer = await Bench.of(ChecksDrawer, heavy);
    TestBed.inject(UnitsService).choose('in');
    await drawer.fixture.whenStable();
    const weights = drawer.all('article').find((a) => /limit 33 lb/.test(a.textContent ?? ''));
    [...(weights?.querySelectorAll('button') ?? [])]
      .find((b) => b.textContent?.includes('Change limit'))
      ?.click();
    await drawer.fixture.whenStable();
    await drawer.fill('textarea', 'Weighed with tools in the boot');
    await drawer.fill('input[name=limit]', '90 N');
    await drawer.click('Change the limit');
    expect(drawer.text).toContain('no unit of a mass');
    await drawer.fill('input[name=limit]', '88');
    await drawer.click('Change the limit');
    // 88 × 0.45359237.
    expect(drawer.store.plan().limits['brief.weights']?.value).toBeCloseTo(39.91613, 4);
  });

  it('shows what passed when asked', async () => {
    const before = bench.all('article').length;
    await bench.click('passed');
    expect(bench.all('article').length).toBeGreaterThan(before);
  });
});
