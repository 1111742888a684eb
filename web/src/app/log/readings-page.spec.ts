import { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { Bench, donorPlan, read, VARIANT, variantView } from '../testing/bench';
import { ReadingsPage } from './readings-page';

const rows = (bench: Bench<ReadingsPage>) =>
  bench.all('tr.mat-mdc-row').map((r) => (r.textContent ?? '').replace(/\s+/g, ' ').trim());
const settle = async (bench: Bench<ReadingsPage>) => {
  await new Promise((next) => setTimeout(next));
  await bench.fixture.whenStable();
};
const give = async (bench: Bench<ReadingsPage>, text: string) => {
  const [input] = bench.all<HTMLInputElement>('input[type=file]');
  if (!input) throw new Error('no file field');
  Object.defineProperty(input, 'files', { value: [new File([text], 'readings.csv')], configurable: true });
  input.dispatchEvent(new Event('change'));
  await settle(bench);
};

describe('readings log', () => {
  it('lists every reading in walking order, with value, uncertainty and agreement', async () => {
    const bench = await Bench.of(
      ReadingsPage,
      donorPlan({ 'donor.brakeSpace.left': read('caliper', 76.02, 75.4) }),
    );
    const all = rows(bench);
    expect(all).toHaveLength(10);
    expect(all[0]).toContain('WMS width wanted');
    expect(all.find((r) => r.includes('Brake space, left'))).toMatch(
      /75\.71 mm.*2 disagree, take another.*caliper/,
    );
    // A tape read once: twice 0.8/√3.
    expect(all.find((r) => r.includes('Pinion axis to WMS, left'))).toMatch(/792\.30 mm ± 0\.92 mm/);
  });

  it('finds by words of any column', async () => {
    const bench = await Bench.of(ReadingsPage, donorPlan());
    await bench.fill('input[type=search]', 'tape right');
    expect(rows(bench).every((r) => r.includes('right') && r.includes('tape'))).toBe(true);
    expect(rows(bench)).toHaveLength(2);
  });

  it('shows problems of a table by row and column, and what it took over', async () => {
    const bench = await Bench.of(ReadingsPage, donorPlan());
    const http = TestBed.inject(HttpTestingController);
    await give(bench, 'id,value');
    const address = (r: { method: string; url: string }) =>
      r.method === 'POST' && r.url.endsWith('/readings.csv');
    const problems = [
      { field: 'row 2, value', wrong: '“wide” is not a plain number', right: 'digits with a point' },
    ];
    http
      .expectOne(address)
      .flush({ error: 'invalid', message: '', problems }, { status: 400, statusText: 'Bad' });
    await settle(bench);
    expect(bench.text).toContain('nothing was changed');
    expect(bench.text).toMatch(/row 2, value ?: “wide” is not a plain number/);

    await give(bench, 'id,value,unit');
    const changed = donorPlan({ 'brief.targetWidth': read('chosen', 1410) });
    http.expectOne(address).flush(variantView(changed, 4));
    await settle(bench);
    http.expectOne(`/api/variants/${VARIANT}`).flush(variantView(changed, 4));
    await settle(bench);
    expect(bench.store.plan()).toEqual(changed);
    expect(bench.text).toContain('is taken over');
  });

  it('shows who changed a reading', async () => {
    const bench = await Bench.of(ReadingsPage, donorPlan());
    await bench.click('History of Pinion axis to WMS, left');
    const past = (revision: number, changed: string) => ({
      revision,
      kind: 'edit',
      who: 'Ansa',
      at: '2026-11-02T10:00:00Z',
      changed: [changed],
    });
    TestBed.inject(HttpTestingController)
      .expectOne((r) => r.url === `/api/variants/${VARIANT}/history`)
      .flush([past(3, '/readings/donor.half.left/repeats/0'), past(2, '/choices/school')]);
    await settle(bench);
    expect(bench.text).toContain('Revision 3, edit by Ansa');
    expect(bench.text).not.toContain('Revision 2,');
  });
});
