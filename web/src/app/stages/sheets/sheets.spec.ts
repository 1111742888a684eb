import { SHEETS } from '@intervex/core/sheets';
import { Bench, donorPlan, read } from '../../testing/bench';
import { UnitsService } from '../../state/units.service';
import { TestBed } from '@angular/core/testing';

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

describe('cut sheet on screen', () => {
  it('says what the paper says, in the unit of the page', async () => {
    const bench = await Bench.stage('sheets', donorPlan({ 'cut.mark.left': read('chosen', 203) }));
    expect(bench.text).toMatch(/Outer mark.*295\.5 mm/);
    TestBed.inject(UnitsService).choose('in');
    await bench.fixture.whenStable();
    // 295.5 / 25.4.
    expect(bench.text).toMatch(/Outer mark.*11\.634 in/);
    expect(bench.text).toMatch(/local codes/i);
  });

  it('links the files of this variant in the unit and on the paper chosen', async () => {
    const bench = await Bench.stage('sheets', donorPlan());
    await bench.click('Letter');
    const href = bench.button('Cut sheet, PDF').getAttribute('href');
    expect(href).toMatch(/^\/api\/variants\/[\w-]{36}\/cut-sheet\.pdf\?units=mm&paper=letter$/);
    expect(bench.button('Plan file').getAttribute('href')).toMatch(/plan-file$/);
  });

  it('prints every sheet there is', async () => {
    const bench = await Bench.stage('sheets', donorPlan());
    const links = bench.all<HTMLAnchorElement>('ix-sheet-files a').map((a) => a.getAttribute('href') ?? '');
    for (const { address } of SHEETS) expect(links.some((l) => l.includes(`/${address}.pdf?`))).toBe(true);
  });

  it('says that it is not complete', async () => {
    const plan = donorPlan();
    const { 'brief.targetWidth': _, ...readings } = plan.readings;
    const bench = await Bench.stage('sheets', { ...plan, readings });
    expect(bench.text).toContain('Not complete.');
  });
});
