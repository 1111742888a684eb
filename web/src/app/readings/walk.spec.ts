import { evaluate } from '@intervex/core';
import { donorView } from '@intervex/core/views/donor';
import { TestBed } from '@angular/core/testing';
import { SelectionService } from '../state/selection.service';
import { Bench, donorPlan, read } from '../testing/bench';
import { Walk } from './walk';

const start = (plan = donorPlan()) =>
  Bench.of(Walk, plan, { stage: 'donor', title: 'Donor', view: evaluate(plan).of(donorView) });
const tap = async (bench: Bench<Walk>, keys: readonly string[]) => {
  for (const key of keys) {
    const button = bench.all('button.key').find((b) => b.textContent?.trim() === key);
    button?.click();
    await bench.fixture.whenStable();
  }
};
const heading = (bench: Bench<Walk>) => bench.all('h1')[0]?.textContent;

beforeEach(() => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe = () => undefined;
      disconnect = () => undefined;
    },
  );
});
afterEach(() => vi.unstubAllGlobals());

describe('one reading at a time', () => {
  it('begins at the first that is missing', async () => {
    expect(heading(await start())).toBe('Brake space, left');
    TestBed.resetTestingModule();
    const read76 = donorPlan({ 'donor.brakeSpace.left': read('caliper', 76.02) });
    expect(heading(await start(read76))).toBe('Spline length, left');
  });

  it('keeps to the headings given, and of those to what is read', async () => {
    const plan = donorPlan();
    const bench = await Bench.of(Walk, plan, {
      stage: 'cut',
      title: 'Cut',
      view: evaluate(plan).of(donorView),
      only: ['rightFace', 'saw'],
    });
    const headings = bench.all<HTMLOptionElement>('select option').map((o) => o.textContent.trim());
    expect(headings.sort()).toEqual(['Saw and weld', 'Squareness, right']);
    // 25 places of squareness and the three of the saw that are measured, of five.
    expect(bench.text).toContain('1 of 29');
    expect(bench.text).not.toContain('chosen');
  });

  it('takes a fraction from the keys and says what it means', async () => {
    const bench = await start();
    await tap(bench, ['3', '1/16']);
    // 3 1/16 in.
    expect(bench.text).toContain('= 77.79 mm');
    await tap(bench, ['Next']);
    expect(bench.store.plan().readings['donor.brakeSpace.left']?.repeats).toEqual([
      { value: expect.closeTo(77.7875, 9), typed: '3 1/16', who: 'bench', at: expect.any(String) },
    ]);
    expect(heading(bench)).toBe('Shaft length, left');
  });

  it('stays at a refused entry with the reason and the text', async () => {
    const bench = await start();
    await tap(bench, ['9', '9', '9', 'Next']);
    expect(bench.text).toContain('must lie between');
    expect(bench.all<HTMLInputElement>('input')[0]?.value).toBe('999');
    expect(heading(bench)).toBe('Brake space, left');
  });

  it('adds repeats, warns where they disagree, and removes the last', async () => {
    const bench = await start();
    await tap(bench, ['7', '6', '.', '0', '2', 'Again', '7', '5', '.', '4', 'Again']);
    expect(bench.text).toContain('differ by more than the caliper explains');
    await bench.click('Remove the last');
    expect(bench.store.plan().readings['donor.brakeSpace.left']?.repeats).toHaveLength(1);
    expect(bench.text).not.toContain('differ by more');
  });

  it('goes to a heading, asks its facts there, and says how a thing is read', async () => {
    const bench = await start();
    const [heading_] = bench.all<HTMLSelectElement>('select');
    if (!heading_) throw new Error('no headings');
    heading_.value = 'ratio';
    heading_.dispatchEvent(new Event('change'));
    await bench.fixture.whenStable();
    expect(heading(bench)).toBe('Ring gear teeth');
    expect(bench.text).toContain('Counted.');
    await tap(bench, ['4', '1', 'Next', 'Skip', 'Skip']);
    expect(heading(bench)).toBe('Pinion turns counted');
    expect(bench.all('ix-fact').map((f) => f.textContent?.trim().split('  ')[0])).toHaveLength(1);
    expect(bench.text).toContain('Turned with');
    expect(bench.store.plan().readings['ratio.ring']?.repeats[0]?.value).toBe(41);
  });

  it('comes to a reading that something else asks for', async () => {
    const bench = await start();
    TestBed.inject(SelectionService).goTo('donor.angle.pinion');
    await bench.fixture.whenStable();
    expect(heading(bench)).toBe('Donor pinion slope');
    expect(bench.all('ix-zeroed-on')).toHaveLength(1);
  });
});
