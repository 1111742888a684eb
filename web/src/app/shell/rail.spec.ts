import { Bench, donorPlan, read } from '../testing/bench';
import { Rail } from './rail';

const stages = (bench: Bench<Rail>) =>
  bench.all('a').map((a) => (a.textContent ?? '').replace(/\s+/g, ' ').trim());

describe('rail', () => {
  it('tells each stage by shape and words', async () => {
    const bench = await Bench.of(Rail, donorPlan({ 'brief.targetWidth': read('chosen', 1499.6) }));
    const [brief, survey, donor, , cut] = stages(bench);
    expect(brief).toMatch(/^Brief1500 mm/);
    expect(survey).toMatch(/^Surveyno readings yet.*not begun/);
    expect(donor).toMatch(/^Donor8 readings/);
    expect(cut).toMatch(/^Cut1 check open.*stop/);
    expect(bench.all('mat-icon svg')).toHaveLength(13);
  });

  it('counts an accepted caution as settled', async () => {
    const plan = donorPlan({ 'donor.brakeSpace.left': read('seller', 71) });
    const bench = await Bench.of(Rail, plan);
    expect(stages(bench)[2]).toContain('2 checks open');
    const acceptance = { reason: 'Fillet weld', figure: null, who: 'Ansa', at: '2026-11-02T10:00:00Z' };
    await bench.change({ ...plan, accepted: { 'donor.closure.left': acceptance } });
    // The seller’s word stays open.
    expect(stages(bench)[2]).toContain('1 check open');
  });
});
