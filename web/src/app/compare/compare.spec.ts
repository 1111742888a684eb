import { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { evaluate, planForDonor, type PartOffer, type Plan } from '@intervex/core';
import { DEFAULT_WEIGHTS, routeSummary } from '@intervex/core/routes';
import { Bench, donorPlan, read, VARIANT, variantView } from '../testing/bench';
import { routeRows } from './route-row';
import { readWeights } from './route-weights.service';
import { RoutesPage } from './routes-page';

const priced = (donor: number, hours: number): Plan =>
  donorPlan({
    'cost.donor': read('chosen', donor),
    'cost.shafts': read('chosen', 430),
    'cost.machining': read('chosen', 90),
    'time.hours': read('chosen', hours),
  });
const summary = (name: string, plan: Plan) => routeSummary({ id: name, name }, evaluate(plan));

describe('lines of the comparison', () => {
  it('say which differ, and what stands against a way', () => {
    const rejected: Plan = {
      ...priced(180, 41),
      verdicts: { donor: { verdict: 'rejected', reason: 'bent', who: 'Ansa', at: '2027-03-20T18:00:00Z' } },
    };
    const rows = routeRows([summary('a', priced(860, 22)), summary('b', rejected)], (f) =>
      f ? f.value.toFixed(1) : '–',
    );
    const row = (label: string) => rows.find((r) => r.label === label);
    expect(row('WMS width')).toMatchObject({ differs: false, cells: [{ text: '1402.0' }, { text: '1402.0' }] });
    expect(row('Together')).toMatchObject({ differs: true, cells: [{ text: '1380' }, { text: '700' }] });
    expect(row('Decision')?.cells[1]).toEqual({ text: 'rejected: bent', bad: true });
    expect(row('Own hours')?.cells.map((c) => c.text)).toEqual(['22', '41']);
  });

  it('say so where hours and prices are not known', () => {
    const rows = routeRows([summary('a', donorPlan())], () => '–');
    const text = (label: string) => rows.find((r) => r.label === label)?.cells[0]?.text;
    expect(text('Own hours')).toBe('not known');
    expect(text('Together')).toBe('0 +');
  });
});

describe('weights', () => {
  it('are remembered, and never taken from what makes no sense', () => {
    expect(readWeights('{"money":5,"hours":0}')).toEqual({ ...DEFAULT_WEIGHTS, money: 5, hours: 0 });
    for (const bad of [null, 'no', '[]', '{"money":99,"hours":"2"}'])
      expect(readWeights(bad)).toEqual(DEFAULT_WEIGHTS);
  });
});

describe('a way with another donor', () => {
  const offer: PartOffer = {
    number: 'MS-63',
    name: 'Orrin Packhorse axle, “limited slip”',
    kind: 'salvage',
    seller: 'Millrace Salvage',
    price: 310,
    stock: 1,
    leadDays: 3,
    size: { teeth: 28, holes: 5, pcd: 120 },
  };
  const plan: Plan = {
    ...donorPlan({ 'survey.left': read('tape', 702.5) }),
    facts: {
      'car.studThread': { value: 'M12x1.5', evidence: 'measured' },
      'cond.gears': { value: 'good', evidence: 'seen' },
    },
    accepted: { 'x.y': { reason: 'so it is', figure: null, who: 'Ansa', at: '2027-03-20T18:00:00Z' } },
    joints: { hose: { cost: 12 } },
    photos: {
      '3f0b7a52-2c3c-4c8e-9b55-4f57f1f6a201': {
        place: 'donor',
        caption: '',
        who: 'Ansa',
        at: '2027-03-20T18:00:00Z',
      },
    },
  };

  it('keeps the car, drops the old donor, and takes the yard’s word as no more than that', () => {
    const made = planForDonor(plan, offer.name, offer);
    expect(Object.keys(made.readings).sort()).toEqual([
      'brief.targetWidth',
      'cost.donor',
      'donor.flangeHoles',
      'donor.flangePcd',
      'donor.splineTeeth',
      'survey.left',
      'time.lead',
    ]);
    expect(made.readings['donor.splineTeeth']).toMatchObject({
      instrument: 'seller',
      repeats: [{ value: 28 }],
    });
    expect(Object.keys(made.facts)).toEqual(['car.studThread']);
    expect([made.accepted, made.joints, made.photos]).toEqual([{}, {}, {}]);
    expect(made.brief.donor).toBe(offer.name);
  });
});

describe('routes page', () => {
  it('puts the ways in order with reasons, the open plan as it stands here', async () => {
    const bench = await Bench.of(RoutesPage, priced(860, 22));
    const other = {
      ...variantView(priced(180, 60)),
      id: '11111111-2222-4c9a-9d2e-3b1f0a8c5e77',
      name: 'Cheap way',
    };
    const http = TestBed.inject(HttpTestingController);
    http
      .expectOne((r) => r.url.endsWith('/variants'))
      .flush([{ ...variantView(priced(1, 1)), id: VARIANT, name: 'Dear way' }, other]);
    await bench.settle();
    const heads = bench.all('thead th[scope=col] a').map((a) => a.textContent);
    expect(heads).toHaveLength(2);
    // 860 + 430 + 90 against 180 + 430 + 90.
    expect(bench.text).toContain('Costs 680 more than the cheapest.');
    expect(bench.text).toContain('Saves 38 hours.');
    const rows = bench.all('tbody tr').length;
    bench.all<HTMLInputElement>('mat-checkbox input')[0]?.click();
    await bench.fixture.whenStable();
    expect(bench.all('tbody tr').length).toBeLessThan(rows);
    bench.fixture.destroy();
  });

  it('stays legible with many ways, and compares those that are chosen, the open one always among them', async () => {
    const bench = await Bench.of(RoutesPage, priced(860, 22));
    const all = Array.from({ length: 20 }, (_, i) => ({
      ...variantView(priced(100 + 13 * i, 60 - i)),
      id: i === 7 ? VARIANT : `11111111-2222-4c9a-9d2e-0000000000${String(i + 10)}`,
      name: `Way ${i + 1}`,
    }));
    TestBed.inject(HttpTestingController)
      .expectOne((r) => r.url.endsWith('/variants'))
      .flush(all);
    await bench.settle();
    const heads = () => bench.all('thead th[scope=col] a').map((a) => a.textContent?.trim());
    expect(heads()).toHaveLength(20);
    const [table] = bench.all<HTMLTableElement>('table.wide');
    expect(parseFloat(table?.style.minWidth ?? '')).toBeGreaterThanOrEqual(20 * 150);
    await bench.click('Only this one');
    expect(heads()).toEqual(['Way 8']);
    const boxes = bench.all<HTMLInputElement>('.ways input');
    expect(boxes[7]?.disabled).toBe(true);
    boxes[2]?.click();
    await bench.fixture.whenStable();
    expect(heads().sort()).toEqual(['Way 3', 'Way 8']);
    expect(bench.text).toContain('Compare 2 of 20 ways');
    await bench.click('All');
    expect(heads()).toHaveLength(20);
    bench.fixture.destroy();
  });
});
