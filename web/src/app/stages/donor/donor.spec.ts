import { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { MatSelect } from '@angular/material/select';
import { By } from '@angular/platform-browser';
import type { PartsAnswer } from '@intervex/contract/wire';
import type { PartOffer, Plan } from '@intervex/core';
import { Bench, donorPlan, read } from '../../testing/bench';
import { DonorVerdictCard } from './donor-verdict';
import { JointPanel } from './joint-panel';
import { JudgeDesk } from './judge-desk';
import { MatingTable } from './mating-table';
import { RetentionField } from './retention-field';
import { joints } from '@intervex/core';

const SOLD: Plan = {
  ...donorPlan({ 'slip.torque': read('scale', 4) }),
  facts: {
    'slip.claim': { value: 'limitedSlip', evidence: 'seller' },
    'slip.look': { value: 'plain', evidence: 'seen' },
  },
};
const SEATS = donorPlan({
  'donor.journal': read('caliper', 35.01),
  'donor.bearingBore': read('caliper', 72.02),
  'donor.bearingWidth': read('caliper', 19.1),
});
const offer = (number: string, bore: number, outside: number): PartOffer => ({
  number,
  name: `bearing ${bore} × ${outside}`,
  kind: 'bearing',
  seller: 'Osier Brake Supply',
  price: 21.4,
  stock: 2,
  leadDays: 3,
  size: { bore, outside, width: 17 },
});
const answer = (offers: readonly PartOffer[], more: Partial<PartsAnswer> = {}): PartsAnswer => ({
  kind: 'bearing',
  of: 96,
  offers,
  from: 'counter',
  at: '2027-03-20T18:00:00.000Z',
  ...more,
});
const ask = async (bench: Bench<JointPanel>, reply: PartsAnswer) => {
  bench.button('Ask').click();
  await bench.fixture.whenStable();
  const request = TestBed.inject(HttpTestingController).expectOne((r) => r.url === '/api/parts');
  request.flush(reply);
  await bench.settle();
  return request.request.params;
};
const put = async (bench: Bench<JointPanel>, label: string, text: string) => {
  const found = bench.all('label').find((l) => l.textContent?.includes(label));
  const field = found?.querySelector<HTMLInputElement | HTMLSelectElement>('input, select');
  if (!field) throw new Error(`no ${label}`);
  field.value = text;
  field.dispatchEvent(new Event('change'));
  await bench.fixture.whenStable();
};

describe('judging a donor', () => {
  it('tells what was proven step by step', async () => {
    const bench = await Bench.of(JudgeDesk, SOLD);
    expect(bench.text).toContain('Stop: Sold as limited slip, but it is open.');
    expect(bench.text).toMatch(/Said to be ?limited slip ?seller says/);
    expect(bench.text).toContain('Turn one wheel, watch the other not done yet');
    expect(bench.text).toContain('4.0 N·m; an open one stays under 15 N·m');
    expect(bench.text).toContain('Proven open.');
    expect(bench.text).toContain('No price yet for the donor');
  });

  it('is not accepted over a stop, nor without a reason; rejected with one', async () => {
    const bench = await Bench.of(DonorVerdictCard, SOLD);
    await bench.fill('input[type=text]', 'cheap');
    await bench.click('Accept this donor');
    expect(bench.text).toContain('A stop is open');
    await bench.fill('input[type=text]', ' ');
    await bench.click('Reject it');
    expect(bench.text).toContain('Write the reason');
    expect(bench.store.plan().verdicts).toEqual({});
    await bench.fill('input[type=text]', 'not what it was sold as');
    await bench.click('Reject it');
    expect(bench.store.plan().verdicts.donor).toMatchObject({
      verdict: 'rejected',
      reason: 'not what it was sold as',
      who: 'bench',
    });
    expect(bench.text).toContain('Rejected');
    await bench.click('Decide again');
    expect(bench.store.plan().verdicts).toEqual({});
    expect(bench.all<HTMLInputElement>('input[type=text]')[0]?.value).toBe('not what it was sold as');
  });
});

describe('mating', () => {
  it('shows both faces, the verdict and its reason', async () => {
    const bench = await Bench.of(MatingTable, SEATS);
    const row = bench.all('tbody tr').find((r) => r.textContent?.includes('Wheel bearing'));
    expect(row?.textContent?.replace(/\s+/g, ' ')).toMatch(
      /shaft ?35\.01 mm ?housing ?72\.02 mm, 19\.1 mm deep ?unknown ?ask the parts counter/,
    );
  });

  it('asks the counter for the sizes read, and keeps its answer with the plan', async () => {
    const bench = await Bench.at('joint.bearing', JointPanel, SEATS);
    const params = await ask(bench, answer([offer('B-9', 40, 80), offer('B-2', 35, 72)]));
    expect(Object.fromEntries(params.keys().map((k) => [k, params.get(k)]))).toEqual({
      kind: 'bearing',
      inside: '35.01',
      outside: '72.02',
      width: '19.1',
      open: 'true',
    });
    expect(bench.store.plan().searches.bearing).toMatchObject({
      asked: { inside: 35.01, outside: 72.02, width: 19.1 },
      of: 96,
      from: 'counter',
    });
    expect(
      bench.store
        .results()
        .of(joints)
        .find((j) => j.id === 'bearing')?.verdict,
    ).toBe('fits');
    // What does not join is not offered beside what does.
    expect(bench.all('.offers li')).toHaveLength(1);
    await bench.click('Choose B-2');
    expect(bench.store.plan().searches.bearing?.chosen).toBe('B-2');
  });

  it('says when the counter was not heard and an older list was used', async () => {
    const bench = await Bench.at('joint.bearing', JointPanel, SEATS);
    await ask(bench, answer([offer('B-9', 40, 80)], { from: 'list', trouble: 'the counter answers 503' }));
    expect(bench.text).toContain('the counter answers 503: this is its last known list.');
    expect(bench.text).toContain('does not fit');
    expect(bench.text).toContain('last known list of 2027-03-20');
  });

  it('stops asking when told to, and keeps what stood', async () => {
    const bench = await Bench.at('joint.bearing', JointPanel, SEATS);
    bench.button('Ask').click();
    await bench.fixture.whenStable();
    const request = TestBed.inject(HttpTestingController).expectOne((r) => r.url === '/api/parts');
    expect(bench.text).toContain('Asking…');
    await bench.click('Stop');
    await bench.settle();
    expect(request.cancelled).toBe(true);
    expect(bench.text).toContain('Ask for a bearing');
    expect(bench.store.plan().searches).toEqual({});
  });

  it('takes work, cost, hours and owner, and no cost that is none', async () => {
    const bench = await Bench.at('joint.hose', JointPanel, SEATS);
    await put(bench, 'Work it takes', 'an adapter');
    await put(bench, 'Cost', '12,50');
    await put(bench, 'Hours', 'two');
    expect(bench.text).toContain('“two” is no number of hours');
    await put(bench, 'Who finds out', 'Birk');
    expect(bench.store.plan().joints.hose).toEqual({ work: 'an adapter', cost: 12.5, owner: 'Birk' });
    await put(bench, 'Cost', '');
    expect(bench.store.plan().joints.hose).toEqual({ work: 'an adapter', owner: 'Birk' });
  });

  it('takes an own verdict only with its reason', async () => {
    const bench = await Bench.at('joint.hose', JointPanel, SEATS);
    await put(bench, 'Own verdict', 'fits');
    expect(bench.text).toContain('Write the reason for your own verdict first');
    expect(bench.store.plan().joints).toEqual({});
    await put(bench, 'Its reason', 'tried with the old hose');
    expect(bench.store.plan().joints.hose).toEqual({ verdict: 'fits', reason: 'tried with the old hose' });
    await put(bench, 'Own verdict', '');
    expect(bench.store.plan().joints).toEqual({});
  });
});

describe('how the donor holds its shafts', () => {
  it('is followed by the other ends as long as they were the same', async () => {
    const bench = await Bench.of(RetentionField, donorPlan());
    const pick = (way: string) => {
      const select = bench.fixture.debugElement.query(By.directive(MatSelect));
      (select.componentInstance as MatSelect).valueChange.emit(way);
    };
    pick('cClip');
    expect(bench.store.plan().choices).toMatchObject({ retention: 'cClip', retentionTo: 'cClip' });
    bench.store.choose('retentionTo', 'fullFloat');
    pick('boltIn');
    expect(bench.store.plan().choices).toMatchObject({ retention: 'boltIn', retentionTo: 'fullFloat' });
  });
});
