import { Bench, donorPlan, read } from '../testing/bench';
import { UnitsService } from '../state/units.service';
import { SelectionService } from '../state/selection.service';
import { TestBed } from '@angular/core/testing';
import { WorkingPanel } from './working-panel';

describe('working of a figure', () => {
  it('shows formula, numbers, result, source and what makes it uncertain', async () => {
    const bench = await Bench.of(WorkingPanel, donorPlan(), { figureId: 'evenUp.cut.left' });
    expect(bench.text).toContain('H − H_new');
    expect(bench.text).toContain('= (792.30 mm) − (701.00 mm)');
    expect(bench.text).toContain('= 91.30 mm');
    // A tape's 0.8/√3, twice.
    expect(bench.text).toContain('± 0.92 mm');
    expect(bench.text).toMatch(/Pinion axis to WMS, left ?100 %/);
  });

  it('runs a formula of torques in its own units, whichever are shown, and says so', async () => {
    const known = donorPlan({ 'brief.torque': read('chosen', 420), 'brief.axleRatio': read('chosen', 3.9) });
    const plan = { ...known, brief: { ...known.brief, gears: [3.32, 1.9] } };
    const bench = await Bench.of(WorkingPanel, plan, { figureId: 'brief.engineSide' });
    TestBed.inject(UnitsService).choose('in');
    await bench.fixture.whenStable();
    expect(bench.text).toMatch(/= \([\d.]+ N·m\)·3\.9·0\.\d+/);
    expect(bench.text).toMatch(/Run in N, mm and MPa, as its constants are: [\d.]+ lb·ft\./);
    TestBed.inject(UnitsService).choose('mm');
    await bench.fixture.whenStable();
    expect(bench.text).not.toContain('Run in N, mm');
  });

  it('goes to the working of an input and back', async () => {
    const bench = await Bench.of(WorkingPanel, donorPlan(), { figureId: 'evenUp.cut.left' });
    const selection = TestBed.inject(SelectionService);
    await bench.click('New half, left');
    expect(selection.explained()).toBe('evenUp.half.left');
    bench.fixture.componentRef.setInput('figureId', selection.explained());
    await bench.fixture.whenStable();
    await bench.click('Back');
    expect(selection.explained()).toBe('evenUp.cut.left');
  });

  it('says so when a figure cannot be worked out', async () => {
    const bench = await Bench.of(WorkingPanel, donorPlan(), { figureId: 'engaged.in.left' });
    expect(bench.text).toContain('cannot be worked out');
  });
});
