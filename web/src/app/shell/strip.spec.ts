import { EMPTY_PLAN } from '@intervex/core';
import { Bench, donorPlan, read } from '../testing/bench';
import { SelectionService } from '../state/selection.service';
import { TestBed } from '@angular/core/testing';
import { UnitsService } from '../state/units.service';
import { Strip } from './strip';

const place = (bench: Bench<Strip>, label: string) =>
  bench
    .all('dl > div')
    .find((d) => d.querySelector('dt')?.textContent === label)
    ?.textContent?.replace(/\s+/g, ' ')
    .trim();

describe('running strip', () => {
  it('shows what moved and by how much after an edit', async () => {
    const bench = await Bench.of(Strip, donorPlan());
    expect(place(bench, 'Cut L')).toContain('91.3 mm');
    bench.store.setReading('donor.half.left', read('tape', 793.6));
    await bench.fixture.whenStable();
    expect(place(bench, 'Cut L')).toContain('92.6 mm');
    expect(place(bench, 'Cut L')).toContain('+1.3');
    expect(place(bench, 'Cut R')).not.toMatch(/[+−]\d/);
    expect(bench.all('.moved').length).toBeGreaterThan(0);
  });

  it('counts checks in words and opens them', async () => {
    const bench = await Bench.of(Strip, donorPlan({ 'brief.targetWidth': read('chosen', 1499.6) }));
    await bench.click('1 stop');
    expect(TestBed.inject(SelectionService).checksOpen()).toBe(true);
  });

  it('follows the unit and opens the working of a figure', async () => {
    const bench = await Bench.of(Strip, donorPlan());
    TestBed.inject(UnitsService).choose('in');
    await bench.fixture.whenStable();
    // 91.3 / 25.4.
    expect(place(bench, 'Cut L')).toContain('3.594 in');
    await bench.click('Cut, left');
    expect(TestBed.inject(SelectionService).explained()).toBe('evenUp.cut.left');
  });

  it('has the same places when nothing is known', async () => {
    const bench = await Bench.of(Strip, donorPlan());
    const full = bench.all('dt').length;
    await bench.change({ ...donorPlan(), readings: {} });
    expect(bench.all('dt')).toHaveLength(full);
    expect(place(bench, 'Cut L')).toContain('–');
  });

  it('says before the first reading that nothing was checked, not that nothing is open', async () => {
    const bench = await Bench.of(Strip, EMPTY_PLAN);
    expect(bench.text).toContain('Nothing checked yet');
    expect(bench.all('.checks.unknown')).toHaveLength(1);
  });

  it('says of a plan that could not be opened that there is nothing to check, not that all is clear', async () => {
    const bench = await Bench.of(Strip, donorPlan());
    bench.store.loadError.set('There is no such variant.');
    await bench.fixture.whenStable();
    expect(bench.text).toContain('No plan to check');
    expect(bench.text).not.toContain('No open checks');
  });
});
