import { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { OrderView, PairsAnswer } from '@intervex/contract/wire';
import { runStack, type PartOffer, type Plan } from '@intervex/core';
import { Bench, donorPlan, read, VARIANT, variantView } from '../../testing/bench';
import { HeavyService } from '../../work/heavy.service';
import { ChancesDesk } from './chances-desk';
import { OrderCard } from './order-card';
import { OrdersService } from './orders.service';
import { UnitsService } from '../../state/units.service';
import { PairsDesk } from './pairs-desk';
import { StrengthTable } from './strength-table';

const PLAN: Plan = donorPlan({
  'donor.splineTeeth': read('count', 31),
  'donor.splinePitch': read('chosen', 24),
  'donor.shaftSpline.left': read('caliper', 41.2),
  'donor.shaftSpline.right': read('caliper', 41),
  'donor.sideGear.left': read('caliper', 18.3),
  'donor.sideGear.right': read('caliper', 18.5),
  'donor.sideGearSpline': read('caliper', 33.6),
  'donor.crossShaft': read('caliper', 22.2),
  'cost.shafts': read('chosen', 520),
});

describe('strength', () => {
  it('shows both shafts side by side, and – for what is not known', async () => {
    const bench = await Bench.of(StrengthTable, PLAN);
    expect(bench.text).toMatch(/Where from ?by the chosen way to cut ?made to order ?made to order/);
    expect(bench.text).toMatch(/Twist at launch ?end to end ?– ?–/);
  });
});

const shaft = (number: string, length: number, price: number): PartOffer => ({
  number,
  name: `Shaft ${length} mm`,
  kind: 'shaft',
  seller: 'Withy Shaftworks',
  price,
  stock: 2,
  leadDays: 3,
  size: { length, teeth: 31, pitch: 24, spline: 46 },
});
const [L, R] = [shaft('WF-1', 684.5, 188), shaft('WF-2', 683.5, 194)];
const ANSWER: PairsAnswer = {
  nearest: [],
  pairs: [
    {
      left: L,
      right: R,
      width: 1401.4,
      pinion: -0.65,
      cut: { left: 90.9, right: 41.2 },
      price: 382,
      leadDays: 3,
      stocked: true,
      drill: { left: false, right: true },
    },
    {
      left: R,
      right: L,
      width: 1401.9,
      pinion: 0.4,
      cut: { left: 91.4, right: 40.7 },
      price: 640,
      leadDays: 19,
      stocked: false,
      drill: { left: false, right: false },
    },
  ],
  of: 5000,
  passed: 33,
  refused: { 'another tooth count': 4148, 'another bearing journal': 635 },
  from: 'counter',
  at: '2027-03-20T18:00:00.000Z',
};

describe('stock pairs', () => {
  const search = async () => {
    const bench = await Bench.of(PairsDesk, PLAN);
    const http = TestBed.inject(HttpTestingController);
    http.expectOne((r) => r.url.endsWith('/orders')).flush([]);
    bench.button('Search the counter').click();
    await bench.fixture.whenStable();
    const request = http.expectOne('/api/shaft-pairs');
    request.flush(ANSWER);
    await bench.settle();
    return {
      bench,
      question: request.request.body as { wanted: { teeth: number }; target: { width: number } },
    };
  };

  it('are asked for with what the plan needs, and weighed against shafts made to order', async () => {
    const { bench, question } = await search();
    expect(question.wanted.teeth).toBe(31);
    expect(question.target).toEqual({ width: 1402 });
    expect(bench.text).toContain(
      '33 of 5000 shafts pass. Refused: 4148 for another tooth count, 635 for another bearing journal.',
    );
    expect(bench.text).toContain(
      'Made to order instead: 520, by your own figure. 1 of these pairs is cheaper and as soon.',
    );
    expect(bench.all('tbody tr')[0]?.textContent).toContain('−0.6');
    expect(bench.all('tbody tr')[0]?.textContent).toMatch(/WF-1\s.*WF-2\s*re-drill/s);
  });

  it('taken, set the way to cut', async () => {
    const { bench } = await search();
    await bench.click('take');
    const { searches, choices } = bench.store.plan();
    expect(choices.school).toBe('stockShafts');
    expect([searches.shaftLeft?.chosen, searches.shaftRight?.chosen]).toEqual(['WF-1', 'WF-2']);
    expect(searches.shaftLeft?.of).toBe(5000);
    // Sizes alone: what else was asked stands in the plan.
    expect(searches.shaftLeft?.asked).toEqual({ teeth: 31, pitch: 24, spline: 33.6, journalUnder: 0.03 });
    expect(bench.text).toContain('taken');
  });

  it('say what is missing first', async () => {
    const bench = await Bench.of(PairsDesk, { ...PLAN, readings: {} });
    expect(bench.text).toContain('Needs pinion axis to WMS, left');
  });
});

describe('chances', () => {
  const withWork = (runs: HeavyService['runStack']) => {
    TestBed.configureTestingModule({
      providers: [{ provide: HeavyService, useValue: { runStack: runs, cancel: () => undefined } }],
    });
  };

  it('are counted for both sides, and name the reading to improve', async () => {
    withWork((side, limits, _draws, seed) => Promise.resolve(runStack(side, limits, 4000, seed)));
    const bench = await Bench.of(ChancesDesk, PLAN);
    await bench.click('Run 100,000 builds');
    await bench.settle();
    expect(bench.text).toMatch(/Clear of the cross shaft ?shaft fully home/);
    expect(bench.text).toContain('Improve first');
    expect(bench.all('button.link').map((b) => b.textContent?.trim())).toContain('Pinion axis to WMS, left');
    bench.store.setReading('donor.crossShaft', read('caliper', 22.4));
    await bench.fixture.whenStable();
    expect(bench.text).toContain('The plan has changed since; draw again.');
  });

  it('say that they were stopped, and why they failed', async () => {
    withWork(() => Promise.reject(new Error('out of memory')));
    const bench = await Bench.of(ChancesDesk, PLAN);
    await bench.click('Run 100,000 builds');
    await bench.settle();
    expect(bench.all('[role=alert]')[0]?.textContent).toContain('out of memory');
  });
});

const ORDER: OrderView = {
  id: '11111111-1111-4111-8111-111111111111',
  variantId: '22222222-2222-4222-8222-222222222222',
  variant: 'Even up',
  revision: 3,
  order: {
    lines: [
      { side: 'left', length: 684.5, spline: '31/24', material: 'alloy', innerEnd: 'plain' },
      { side: 'right', length: 684, spline: '31/24', material: 'alloy', innerEnd: 'plain' },
    ],
    flange: {},
    lacks: [],
  },
  quote: { number: 'WQ-7', price: 600, leadDays: 15, note: '' },
  state: 'shipped',
  events: [{ at: '2027-03-20T18:00:00.000Z', who: 'Ansa', state: 'quoted', note: 'Held.' }],
};

describe('an order', () => {
  const type = async (bench: Bench<OrderCard>, label: string, text: string) => {
    const input = bench
      .all('label')
      .find((l) => l.textContent?.includes(label))
      ?.querySelector('input');
    if (!input) throw new Error(`no ${label}`);
    input.value = text;
    input.dispatchEvent(new Event('input'));
    await bench.fixture.whenStable();
  };

  it('takes what was measured as it was typed, in any unit', async () => {
    const bench = await Bench.of(OrderCard, PLAN, { order: ORDER });
    await type(bench, 'Left length', 'long');
    await bench.click('Compare with the order');
    expect(bench.all('[role=alert]')[0]?.textContent).toContain('Left length:');
    await type(bench, 'Left length', '26.482in');
    await type(bench, 'Right length', '683.9');
    bench.button('Compare with the order').click();
    await bench.fixture.whenStable();
    const request = TestBed.inject(HttpTestingController).expectOne((r) => r.url.endsWith('/receive'));
    const body = request.request.body as { shafts: { side: string; length: number }[] };
    // 26.482·25.4.
    expect(body.shafts[0]?.length).toBeCloseTo(672.6428, 4);
    expect(body.shafts[1]).toEqual({ side: 'right', length: 683.9 });
  });

  it('is not placed once the plan asks for other shafts', async () => {
    const order = { ...ORDER, variantId: VARIANT, state: 'quoted' } as const;
    const bench = await Bench.of(OrderCard, PLAN, { order });
    expect(bench.text).toContain('Not to be placed as it stands:left length 684.50 mm, now 684.00 mm');
    const place = () => bench.button('Place the order') as HTMLButtonElement;
    expect(place().disabled).toBe(true);
    // Of another variant nothing is known here; the server holds it to its own plan.
    bench.fixture.componentRef.setInput('order', { ...order, variantId: ORDER.variantId });
    await bench.fixture.whenStable();
    expect(place().disabled).toBe(false);
  });

  it('says what a wrong length would do, and puts a taken one into the plan', async () => {
    const size = {
      side: 'left',
      what: 'length',
      ordered: 684.1,
      measured: 681.3,
      off: -2.8,
      limit: 0.5,
      ok: false,
      todo: '',
    } as const;
    const wrong: OrderView = {
      ...ORDER,
      variantId: VARIANT,
      state: 'wrong',
      received: { ok: false, sizes: [size] },
    };
    const plan = donorPlan({
      'donor.crossShaft': read('caliper', 22.2),
      'donor.endFloatMin': read('caliper', 0.12),
    });
    const bench = await Bench.of(OrderCard, plan, { order: wrong });
    // Half of 701 − 681.3 − 11.1, fully home.
    expect(bench.text).toContain('Left, kept as it is: 8.6 mm stay to the cross shaft.');
    await bench.change({ ...plan, choices: { ...plan.choices, retentionTo: 'cClip' } });
    expect(bench.text).toContain('Left, kept as it is: wheel face and rotor stand 2.8 mm further in.');
    await bench.change(plan);
    TestBed.inject(OrdersService).orders.set([wrong]);
    const input = bench.all('.reason input')[0] as HTMLInputElement;
    input.value = 'Gap stays over 3 mm';
    input.dispatchEvent(new Event('input'));
    bench.button('Keep it as it is').click();
    const events = [
      ...wrong.events,
      { at: '2027-04-01T08:00:00.000Z', who: 'Birk', state: 'accepted', note: '' },
    ];
    TestBed.inject(HttpTestingController)
      .expectOne((r) => r.url.endsWith('/settle'))
      .flush({ ...wrong, state: 'accepted', events });
    await bench.settle();
    // The server wrote it into the plan; the page takes the plan over.
    const received = { repeats: [{ value: 681.3, who: 'Birk' }], instrument: 'rule' } as const;
    for (const request of TestBed.inject(HttpTestingController).match(
      (r) => r.url === `/api/variants/${VARIANT}`,
    ))
      request.flush(
        variantView({ ...plan, readings: { ...plan.readings, 'shaft.received.left': received } }, 9),
      );
    await bench.settle();
    for (const request of TestBed.inject(HttpTestingController).match(
      (r) => r.url === `/api/variants/${VARIANT}`,
    ))
      request.flush(
        variantView({ ...plan, readings: { ...plan.readings, 'shaft.received.left': received } }, 9),
      );
    await bench.settle();
    expect(bench.store.plan().readings['shaft.received.left']).toEqual(received);
  });

  it('says where the plan no longer holds what was measured on arrival, and puts it back', async () => {
    const size = (side: 'left' | 'right', measured: number, off: number) =>
      ({ side, what: 'length', ordered: 684.1, measured, off, limit: 0.5, ok: off > -0.5, todo: '' }) as const;
    const sizes = [size('left', 681.3, -2.8), size('right', 684.3, 0.2)];
    const taken = {
      at: '2027-04-01T08:00:00.000Z',
      who: 'Birk',
      state: 'accepted',
      note: 'Gap stays',
    } as const;
    const order: OrderView = {
      ...{ ...ORDER, variantId: VARIANT, state: 'accepted', received: { ok: false, sizes } },
      events: [...ORDER.events, taken],
    };
    const right = { repeats: [{ value: 684.9 }], instrument: 'rule' } as const;
    const plan = donorPlan({ 'shaft.received.right': right });
    const bench = await Bench.of(OrderCard, plan, { order });
    expect(bench.text).toContain('Left: measured on arrival 681.30 mm, the plan holds none.');
    expect(bench.text).toContain('Right: measured on arrival 684.30 mm, the plan holds 684.90 mm.');
    // 684.9 mm = 26.965 in: a hundredth of an inch would hide what it is off by.
    TestBed.inject(UnitsService).choose('in');
    await bench.settle();
    expect(bench.text).toContain('Right: measured on arrival 26.941 in, the plan holds 26.965 in.');
    expect(bench.text).toContain('off by −0.110 in');
    TestBed.inject(UnitsService).choose('mm');
    // A shaft that came later takes its place.
    const later: OrderView = {
      ...{ ...order, id: 'later', received: { ok: true, sizes: [size('right', 684.9, 0.8)] } },
      events: [{ ...taken, at: '2027-05-01T08:00:00.000Z' }],
    };
    TestBed.inject(OrdersService).orders.set([later, order]);
    await bench.settle();
    expect(bench.text).not.toContain('Right: measured on arrival');
    await bench.click('Put it back into the plan');
    const { readings, accepted } = bench.store.plan();
    expect(readings['shaft.received.left']?.repeats).toEqual([{ value: 681.3, who: 'Birk', at: taken.at }]);
    expect(readings['shaft.received.right']).toEqual(right);
    expect(accepted['shaft.received.left']).toMatchObject({ reason: 'Gap stays', figure: -2.8, who: 'Birk' });
    expect(bench.text).not.toContain('Plan and order differ');
  });

  it('shows what is wrong, and keeps it only with a reason', async () => {
    const size = {
      side: 'left',
      what: 'length',
      ordered: 684.5,
      measured: 672.65,
      off: -11.85,
      limit: 0.5,
      ok: false,
      todo: 'Too short.',
    } as const;
    const bench = await Bench.of(OrderCard, PLAN, {
      order: { ...ORDER, state: 'wrong', received: { ok: false, sizes: [size] } },
    });
    expect(bench.text).toContain('Left length 672.65 mm, ordered 684.50 mm, off by −11.85 mm. Too short.');
    await bench.click('Keep it as it is');
    expect(bench.all('[role=alert]')[0]?.textContent).toContain('Write the reason first.');
    TestBed.inject(HttpTestingController).expectNone((r) => r.url.endsWith('/settle'));
  });
});
