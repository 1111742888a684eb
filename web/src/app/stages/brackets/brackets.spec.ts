import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Bracket, Link, Plan } from '@intervex/core';
import { InstrumentsService } from '../../state/instruments.service';
import { SelectionService } from '../../state/selection.service';
import { Bench, donorPlan, read } from '../../testing/bench';
import { mirrored, valuesOf, withField } from './bracket-fields';
import { BracketList } from './bracket-list';
import { CardDesk } from './card-desk';
import { KitRows } from './kit-rows';
import { LinksDesk } from './links-desk';
import { moveBracket } from './move';
import { OrderDesk } from './order-desk';
import { SpringsDesk } from './springs-desk';
import { TemplatesDesk } from './templates-desk';

const deg = (d: number) => (d * Math.PI) / 180;
const PERCH: Bracket = {
  name: 'Perch L',
  kind: 'perch',
  side: 'left',
  wide: 62,
  round: 78,
  high: 25,
  hold: 'welded',
  edge: 'middle',
  place: { datum: 'casting', at: 341, clock: deg(7) },
};
const SHOCK: Bracket = {
  ...PERCH,
  name: 'Shock R',
  kind: 'shock',
  side: 'right',
  place: { datum: 'casting', at: 254, clock: deg(-144) },
};
const LINK: Link = {
  name: 'Lower link L',
  kind: 'lower',
  side: 'left',
  eyes: 560,
  outside: 38.1,
  wall: 4.8,
  thread: 19.05,
  end: 92,
  out: 55,
  least: 44,
  reach: 'yes',
};

const planOf = (more: Partial<Plan> = {}): Plan => ({
  ...donorPlan({ 'donor.tubeOd': read('caliper', 76.2), 'stance.offCentre': read('chosen', 0) }),
  brackets: { p: PERCH, s: SHOCK },
  ...more,
});

async function change<T>(bench: Bench<T>, label: string, text: string): Promise<void> {
  const field = bench.all<HTMLInputElement>(`[aria-label="${label}"]`)[0];
  if (!field) throw new Error(`There is no field “${label}”.`);
  field.value = text;
  field.dispatchEvent(new Event('change'));
  await bench.fixture.whenStable();
}

describe('the list of brackets', () => {
  it('tells each by its distance and gauge, from the left tube on', async () => {
    const bench = await Bench.of(BracketList, planOf());
    const rows = bench.all('tbody tr').map((tr) => (tr.textContent ?? '').replace(/\s+/g, ' '));
    expect(rows[0]).toMatch(/Perch L spring perch, left; chosen.*341\.0 mm.*7\.0°.*−7\.0°/);
    // −144° looks back and down: the nearest quarter is the bottom, 36° short of it.
    expect(rows[1]).toMatch(/Shock R.*254\.0 mm.*−144\.0°.*−36\.0°/);
  });

  it('adds one only once all that it must have was said', async () => {
    const bench = await Bench.of(BracketList, planOf({ brackets: {} }));
    expect(bench.text).toContain('Nothing stands on the axle yet.');
    await bench.click('Add a bracket');
    // Nothing is chosen before somebody chose it.
    expect(bench.text).toContain(
      'Missing: name, kind, on the tube, held, along the axle, round the tube, measured at its',
    );
    for (const [label, id] of [
      ['Kind', 'perch'],
      ['On the tube', 'left'],
      ['Held', 'welded'],
      ['Measured at its', 'inner'],
    ] as const)
      await change(bench, label, id);
    await change(bench, 'Name', 'Hose tab');
    await change(bench, 'Along the axle', '22');
    await change(bench, 'Round the tube', 'wide');
    expect(bench.text).toMatch(/Round the tube: /);
    await change(bench, 'Round the tube', '18');
    await bench.click('Add it');
    expect(Object.values(bench.store.plan().brackets)).toEqual([
      { name: 'Hose tab', kind: 'perch', side: 'left', wide: 22, round: 18, hold: 'welded', edge: 'inner' },
    ]);
  });

  it('keeps what was read apart from what is wanted, and refuses a bolt larger than its bracket', async () => {
    const bench = await Bench.of(BracketList, planOf());
    await change(bench, 'From the old', 'end');
    await change(bench, 'Old distance', '210');
    expect(bench.store.plan().brackets['p']).toMatchObject({
      old: { datum: 'end', at: 210, tool: 'tape', zero: 'flat' },
      place: { at: 341 },
    });
    await change(bench, 'Bolt', '60');
    expect(bench.store.plan().brackets['p']?.bolt).toBe(60);
    await change(bench, 'Along the axle', '50');
    expect(bench.text).toContain('Bolt must be smaller than its bracket is wide: less than 50.0 mm.');
    expect(bench.store.plan().brackets['p']?.wide).toBe(62);
    await change(bench, 'Wanted clock: top 0, front +', '3600');
    expect(bench.text).toContain('must lie between');
  });

  it('is mirrored by choice, without what was read on its side', () => {
    const read = { ...PERCH, old: { datum: 'casting', at: 3, tool: 'tape', zero: 'flat' } as const };
    expect(mirrored(read)).toMatchObject({ name: 'Perch R', side: 'right', place: PERCH.place });
    expect(mirrored(read).old).toBeUndefined();
    expect(mirrored({ ...PERCH, name: 'Tab' }).name).toBe('Tab, mirrored');
  });

  it('takes a part out with its distance', () => {
    // Its clock stays wanted where its distance goes, and goes last.
    const turned = withField(PERCH, { key: 'place.at', value: undefined }, {});
    expect(turned.place).toEqual({ datum: 'casting', clock: deg(7) });
    expect(withField(turned, { key: 'place.clock', value: undefined }, {}).place).toBeUndefined();
    expect(
      withField({ ...PERCH, place: { datum: 'casting', at: 341 } }, { key: 'place.at', value: undefined }, {})
        .place,
    ).toBeUndefined();
    const { place: _, ...bare } = PERCH;
    expect(withField(bare, { key: 'place.clock', value: 1 }, {}).place).toEqual({ datum: 'casting', clock: 1 });
    expect(withField(PERCH, { key: 'place.clock', value: undefined }, {}).place).toEqual({
      datum: 'casting',
      at: 341,
    });
    expect(withField(PERCH, { key: 'made.at', value: 340 }, { 'made.by': 'welded' }).made).toEqual({
      by: 'welded',
      at: 340,
    });
    expect(withField(PERCH, { key: 'high', value: undefined }, {})).not.toHaveProperty('high');
    expect(valuesOf(PERCH)).toMatchObject({ 'place.at': 341, 'old.datum': 'casting', 'made.by': 'tacked' });
  });

  it('follows what is picked in a drawing, and goes where it is dragged', async () => {
    const bench = await Bench.of(BracketList, planOf());
    TestBed.inject(SelectionService).picked.set('bracket.s');
    await bench.fixture.whenStable();
    expect(bench.all<HTMLInputElement>('[aria-label="Name"]')[0]?.value).toBe('Shock R');
    moveBracket(bench.store, {
      quantityId: 'bracket.s.at',
      value: 261,
      other: { quantityId: 'bracket.s.clock', value: deg(-140) },
    });
    expect(bench.store.plan().brackets['s']?.place).toEqual({ datum: 'casting', at: 261, clock: deg(-140) });
    moveBracket(bench.store, { quantityId: 'bracket.s.at', value: 262 });
    expect(bench.store.plan().brackets['s']?.place?.clock).toBe(deg(-140));
  });
});

describe('springs and U-bolts', () => {
  it('come to their lengths, and the flip to what it does', async () => {
    const plan = planOf();
    const bench = await Bench.of(SpringsDesk, {
      ...plan,
      choices: { ...plan.choices, springsNow: 'over', springsWanted: 'under' },
      readings: {
        ...plan.readings,
        'survey.tubeOd': read('caliper', 82.55),
        'perch.old': read('caliper', 31),
        'perch.new': read('caliper', 0),
        'perch.pack': read('caliper', 52),
        'clamp.bolt': read('caliper', 12.7),
        'clamp.plate': read('caliper', 10),
        'clamp.nut': read('caliper', 14),
        'clamp.proud': read('chosen', 6),
      },
    });
    expect(bench.text).toMatch(/Leg from the tube’s centre 120\.1/);
    expect(bench.text).toMatch(/Straight bar 379\.8/);
    expect(bench.text).toMatch(/Car comes down by the flip.*162\.4/);
  });
});

describe('links', () => {
  it('stand with their tube and thread, and refuse what does not go together', async () => {
    const bench = await Bench.of(LinksDesk, planOf({ links: { l: LINK } }));
    expect(bench.text).toMatch(/Lower link L 450\.0/);
    await change(bench, 'Eye to tube', '95');
    expect(bench.text).toContain('Eye to tube must not be more than the rod end is long: at most 92.0 mm.');
    expect(bench.store.plan().links['l']?.out).toBe(55);
    await change(bench, 'Eye to eye', '562.5');
    expect(bench.store.plan().links['l']?.eyes).toBe(562.5);
    await bench.click('Remove Lower link L');
    expect(bench.store.plan().links).toEqual({});
  });

  it('say what a bolt and its hole ask for', async () => {
    const joint = { name: 'Shackle', bolt: 12.7, hole: 16.1, may: 'sleeve' } as const;
    const bench = await Bench.of(LinksDesk, planOf({ boltJoints: { j: joint } }));
    expect(bench.text).toMatch(/Shackle: a sleeve, 16\.1 mm outside, 13(\.0)? mm inside\./);
  });
});

describe('the weld order', () => {
  it('is ticked off, and waits at each hold point', async () => {
    const made = { by: 'tacked', at: 341 } as const;
    const bench = await Bench.of(OrderDesk, planOf({ brackets: { p: PERCH, s: { ...SHOCK, made } } }));
    const boxes = () => bench.all<HTMLInputElement>('input[type=checkbox]');
    const texts = () => bench.all('li').map((li) => li.textContent ?? '');
    const at = (words: string) => texts().findIndex((t) => t.includes(words));
    expect(boxes()[at('Weld Perch L')]?.disabled).toBe(true);
    const hold = at('Read every bracket’s distance');
    expect(boxes()[hold]?.disabled).toBe(true);
    expect(texts()[hold]).toContain('Not read yet: Perch L.');
    bench.store.put('brackets', 'p', { ...PERCH, made });
    await bench.fixture.whenStable();
    expect(boxes()[hold]?.disabled).toBe(false);
    boxes()[hold]?.dispatchEvent(new Event('change'));
    await bench.fixture.whenStable();
    expect(Object.keys(bench.store.plan().weldSteps)).toEqual(['tacked']);
    expect(boxes()[at('Put the axle under the car')]?.disabled).toBe(false);
    expect(boxes()[at('Cycle it')]?.disabled).toBe(true);
    boxes()[hold]?.dispatchEvent(new Event('change'));
    await bench.fixture.whenStable();
    expect(bench.store.plan().weldSteps).toEqual({});
  });
});

describe('the card', () => {
  it('shows one bracket at a time, live with a gauge', async () => {
    const bench = await Bench.of(CardDesk, planOf());
    expect(bench.text).toMatch(/1 of 2.*Perch L.*341\.0.*−7\.0°/);
    const service = TestBed.inject(InstrumentsService);
    const gauge = (value: number) => {
      (service as unknown as { connected: unknown }).connected = signal({ kind: 'angleGauge' });
      (service as unknown as { reading: unknown }).reading = signal({ value });
    };
    gauge(-4.5);
    await bench.click('Next');
    await bench.click('Before');
    expect(bench.text).toContain('−4.5°: front 2.5° too high');
    gauge(-6.9);
    await bench.click('Next');
    await bench.click('Before');
    expect(bench.text).toContain('−6.9°: right');
  });

  it('says tack only while a bracket rests on what is open', async () => {
    const plan = planOf();
    const bench = await Bench.of(CardDesk, {
      ...plan,
      brackets: { p: { ...PERCH, place: { datum: 'seat', at: 0, clock: 0 } } },
      readings: { ...plan.readings, 'spring.spacing': read('tape', 1012) },
      open: { springs: { state: 'open', reason: 'not here yet', who: 'Bram' } },
    });
    expect(bench.text).toMatch(/Tack only: the springs still open\./);
  });
});

describe('kits and templates', () => {
  it('keeps a kit with one datum or with two', async () => {
    const bench = await Bench.of(
      KitRows,
      planOf({ bracketKits: { k: { name: 'Truss kit', side: 'left', datum: 'casting', at: 18 } } }),
    );
    await change(bench, 'Row 1, Also from', 'end');
    expect(bench.store.plan().bracketKits['k']).toEqual({
      name: 'Truss kit',
      side: 'left',
      datum: 'casting',
      at: 18,
    });
  });

  it('offers what can be made, and names what lacks', async () => {
    const bench = await Bench.of(TemplatesDesk, planOf());
    expect(bench.text).toMatch(/Wrap of the left tube.*Marks every 10 mm and 15°/);
    expect(bench.text).toMatch(
      /Notch, brace leaning inboard on the left tube or outboard on the right Missing: .*[Bb]race tube outside/,
    );
    expect(bench.button('DXF').getAttribute('href')).toContain('/shapes/wrap-left.dxf?units=mm');
  });
});
