import { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { Bench, donorPlan, read, VARIANT, variantView } from '../testing/bench';
import { LiveService } from '../state/live.service';
import { PersonService } from '../state/person.service';
import { HistoryPage } from './history-page';
import { planDifferences } from './plan-differences';

const row = (revision: number, ...changed: string[]) => ({
  revision,
  kind: 'edit' as const,
  who: 'Ansa',
  at: '2026-11-02T10:00:00Z',
  changed,
});
const settle = async (bench: Bench<HistoryPage>) => {
  await new Promise((next) => setTimeout(next));
  await bench.fixture.whenStable();
};

// Whoever comes next finds nobody at the bench.
afterEach(() => {
  localStorage.clear();
});

describe('history of a plan', () => {
  it('is paged, and any revision is compared with now and put back', async () => {
    const bench = await Bench.of(HistoryPage, donorPlan());
    const http = TestBed.inject(HttpTestingController);
    const list = () => http.expectOne((r) => r.url === `/api/variants/${VARIANT}/history`);
    const first = list();
    expect(first.request.params.get('before')).toBeNull();
    first.flush([row(3, '/readings/donor.half.left/repeats/0/value'), row(2, '/choices/school')]);
    await settle(bench);
    expect(bench.text).toMatch(/changed.*left/i);
    await bench.click('Older revisions');
    const second = list();
    expect(second.request.params.get('before')).toBe('2');
    second.flush([row(1)]);
    await settle(bench);
    await bench.click('Compare revision 2');
    const plan = donorPlan({ 'donor.half.left': read('tape', 788.1) });
    http.expectOne(`/api/variants/${VARIANT}/revisions/2`).flush({ revision: 2, plan });
    await settle(bench);
    expect(bench.text).toContain('788.1');
    expect(bench.text).toContain('792.3');
    await bench.click('Put revision 2 back');
    const put = http.expectOne(`/api/variants/${VARIANT}/restore`);
    expect(put.request.body).toMatchObject({ baseRevision: 3, revision: 2 });
    put.flush(variantView(plan, 4));
    await settle(bench);
    list().flush([row(4), row(3), row(2)]);
    await settle(bench);
    expect(bench.text).toContain('Revision 2 is put back as revision 4');
    expect(bench.store.plan().readings['donor.half.left']).toEqual(plan.readings['donor.half.left']);
  });

  it('asks once more before a revision is put back under others, and says why one was not', async () => {
    const bench = await Bench.of(HistoryPage, donorPlan());
    const http = TestBed.inject(HttpTestingController);
    TestBed.inject(LiveService).people.set(['Birk', 'Ansa']);
    TestBed.inject(PersonService).rename('Ansa');
    http.expectOne((r) => r.url.endsWith('/history')).flush([row(3), row(2)]);
    await settle(bench);
    await bench.click('Compare revision 2');
    const plan = donorPlan({ 'donor.half.left': read('tape', 788.1) });
    http.expectOne(`/api/variants/${VARIANT}/revisions/2`).flush({ revision: 2, plan });
    await settle(bench);
    await bench.click('Put revision 2 back');
    expect(bench.text).toContain('Birk has this plan open too');
    await bench.click('Leave it');
    expect(bench.text).not.toContain('Birk has');
    http.expectNone(`/api/variants/${VARIANT}/restore`);
    await bench.click('Put revision 2 back');
    bench.store.saveState.set('conflict');
    await bench.click('Yes, put it back');
    await settle(bench);
    http.expectNone(`/api/variants/${VARIANT}/restore`);
    expect(bench.text).toContain('Revision 2 is not put back: first answer what is asked above.');
  });

  it('tells differences part by part, what came and what went', () => {
    const then = donorPlan({ 'donor.shaft.left': { ...read('rule', 775.4, 775.9), note: 'by lamp' } });
    const { 'donor.tube.left': _, ...readings } = donorPlan().readings;
    const now = { ...donorPlan(), readings, brief: { ...donorPlan().brief, vehicle: 'Tern' } };
    const told = planDifferences(then, now, 'mm');
    expect(told.map((d) => d.place)).toEqual([
      'brief.vehicle',
      'readings.donor.tube.left',
      'readings.donor.shaft.left',
    ]);
    expect(told[0]).toMatchObject({ then: '—', now: 'Tern' });
    expect(told[1]?.now).toBe('—');
    expect(told[2]?.then).toMatch(/775\.4.*775\.9.*rule, “by lamp”/);
    expect(planDifferences(now, now, 'mm')).toEqual([]);
  });
});
