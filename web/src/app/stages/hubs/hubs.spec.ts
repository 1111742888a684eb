import { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { Plan } from '@intervex/core';
import { RowsEditor, type EditedRow } from '../../shared/rows-editor';
import { Bench, donorPlan, read } from '../../testing/bench';
import { AfterWeld } from '../cut/after-weld';
import { ChoiceField } from '../../stage/choice-field';
import { TubeFit } from '../cut/tube-fit';
import { TubeItems } from '../cut/tube-items';
import { BrakesDesk } from './brakes-desk';
import { DrawingReader } from './drawing-reader';
import { LinesDesk } from './lines-desk';
import { PatternDesk } from './pattern-desk';
import { PatternPanel } from './pattern-readings';
import { RetentionDesk } from './retention-desk';
import { StudsDesk } from './studs-desk';

const FLANGE = {
  'donor.flangeHoles': read('count', 5),
  'donor.flangePcd': read('caliper', 120),
  'donor.flangeHole': read('caliper', 14),
  'donor.flangeRim': read('caliper', 158.4),
  'donor.pilot': read('caliper', 72.4),
  'car.wheelHoles': read('count', 5),
  'car.wheelPcd': read('caliper', 108),
};
const type = async (bench: Bench<unknown>, label: string, text: string, event = 'change') => {
  const input = bench.all<HTMLInputElement>(`[aria-label="${label}"]`)[0];
  if (!input) throw new Error(`no ${label}`);
  input.value = text;
  input.dispatchEvent(new Event(event));
  await bench.fixture.whenStable();
};

describe('pattern', () => {
  it('is re-drilled with its figure and a jig to fetch, beside the other ways', async () => {
    const bench = await Bench.of(PatternDesk, donorPlan({ ...FLANGE, 'redrill.cost': read('chosen', 90) }));
    expect(bench.text).toContain(
      'new holes 36.00° from the old ones leave 21.69 mm of metal to an old stud hole; 7.00 mm are needed.',
    );
    expect(bench.all<HTMLAnchorElement>('a').map((a) => a.getAttribute('href'))).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/shapes\/jig\.pdf\?units=mm&paper=a4$/),
        expect.stringMatching(/shapes\/jig\.dxf\?units=mm$/),
      ]),
    );
    expect(bench.all('[role=radiogroup] tbody tr')[0]?.textContent).toContain('90');
    bench.all<HTMLInputElement>('input[type=radio]')[0]?.click();
    await bench.fixture.whenStable();
    expect(bench.store.plan().choices.pattern).toBe('redrill');
  });

  it('is refused with its figure, and has no jig', async () => {
    const no = donorPlan({
      ...FLANGE,
      'donor.flangeHoles': read('count', 4),
      'donor.flangePcd': read('caliper', 108),
    });
    const bench = await Bench.of(PatternDesk, no);
    expect(bench.text).toContain(
      'It cannot be re-drilled. The best clocking still runs 5.53 mm into an old stud hole.',
    );
    expect(bench.text).not.toContain('Drilling jig');
  });

  it('is read between holes, and its circle is taken over', async () => {
    const bench = await Bench.of(PatternPanel, donorPlan({}), { face: 'wheel' });
    await type(bench, 'New row, Holes on', '1', 'input');
    await type(bench, 'New row, Read', '75.5', 'input');
    await type(bench, 'New row, Hole or stud', '12', 'input');
    bench.all<HTMLSelectElement>('tr.new select')[0]!.value = 'outside';
    bench.all('tr.new select')[0]?.dispatchEvent(new Event('change'));
    await bench.click('Add to');
    expect(bench.store.plan().patterns.wheel).toEqual({
      holes: 5,
      chords: [{ steps: 1, distance: 75.5, over: 'outside', diameter: 12 }],
    });
    // (75.5 − 12)/sin 36°.
    expect(bench.text).toContain('Circle 108.03 mm');
    await bench.click('Use as its circle');
    expect(bench.store.plan().readings['car.wheelPcd']?.repeats[0]?.value).toBe(108.03);
  });

  it('is read from a drawing, or the refusal is said', async () => {
    const bench = await Bench.of(DrawingReader, donorPlan({}));
    const give = async (answer: (r: ReturnType<HttpTestingController['expectOne']>) => void) => {
      const input = bench.all<HTMLInputElement>('#drawing')[0];
      const file = new File(['0\nSECTION'], 'flange.dxf');
      Object.defineProperty(input, 'files', { value: [file], configurable: true });
      Object.defineProperty(input, 'value', { value: '', writable: true, configurable: true });
      input?.dispatchEvent(new Event('change'));
      await bench.fixture.whenStable();
      answer(TestBed.inject(HttpTestingController).expectOne((r) => r.url === '/api/drawings'));
      await bench.settle();
    };
    await give((r) => {
      r.flush(
        {
          error: 'invalid',
          message: 'The drawing has no circles; it holds 1 spline.',
          problems: [{ field: 'file', wrong: 'x', right: 'holes as circles' }],
        },
        { status: 400, statusText: 'Bad Request' },
      );
    });
    expect(bench.text).toContain('it holds 1 spline. Right would be: holes as circles.');
    await give((r) => {
      r.flush({
        patterns: [{ count: 5, pcd: 108.04, hole: 13.2, centre: [0, 0] }],
        rim: 142.6,
        pilot: 66.1,
        others: [{ radius: 44.3, angle: 0.4, diameter: 8.2 }],
        passedOver: ['2 blocks'],
      });
    });
    expect(bench.text).toContain('Passed over: 2 blocks.');
    await bench.click('Take as flange');
    const { readings, keepOuts } = bench.store.plan();
    expect(readings['donor.flangeRim']?.repeats[0]?.value).toBe(142.6);
    expect(keepOuts['drawing-1']).toMatchObject({ radius: 44.3, diameter: 8.2 });
  });

  it('does not send a drawing that is far too large', async () => {
    const bench = await Bench.of(DrawingReader, donorPlan({}));
    const input = bench.all<HTMLInputElement>('#drawing')[0];
    const file = new File(['x'], 'car.dxf');
    Object.defineProperty(file, 'size', { value: 50 * 2 ** 20 });
    Object.defineProperty(input, 'files', { value: [file], configurable: true });
    Object.defineProperty(input, 'value', { value: '', writable: true, configurable: true });
    input?.dispatchEvent(new Event('change'));
    await bench.fixture.whenStable();
    expect(bench.text).toContain('car.dxf is 50 MB: at most 5 MB.');
  });
});

describe('a list edited in place', () => {
  const COLUMNS = [
    { key: 'name', label: 'What', kind: 'text' },
    { key: 'from', label: 'From', kind: 'mm', min: 0, max: 1500 },
    { key: 'turn', label: 'Angle', kind: 'angle', optional: true },
  ];
  const ROW: EditedRow = { id: 'a', values: { name: 'perch', from: 362, turn: Math.PI / 2 } };

  it('keeps what cannot be read, with the reason, and gives what can in mm', async () => {
    const bench = await Bench.of(RowsEditor, donorPlan({}), { name: 'things', columns: COLUMNS, rows: [ROW] });
    const given: EditedRow[] = [];
    bench.fixture.componentInstance.changed.subscribe((row) => given.push(row));
    expect(bench.all<HTMLInputElement>('[aria-label="Row 1, Angle"]')[0]?.value).toBe('90');
    await type(bench, 'Row 1, From', 'a yard');
    expect(bench.text).toContain('From:');
    expect(bench.all<HTMLInputElement>('[aria-label="Row 1, From"]')[0]?.value).toBe('a yard');
    await type(bench, 'Row 1, From', '1600');
    expect(bench.text).toContain('From must lie between 0.0 mm and 1500.0 mm; this is 1600.0 mm.');
    await type(bench, 'Row 1, From', '14 1/4"');
    expect(given).toEqual([{ id: 'a', values: { ...ROW.values, from: 361.95 } }]);
  });

  it('adds only a whole row', async () => {
    const bench = await Bench.of(RowsEditor, donorPlan({}), { name: 'things', columns: COLUMNS, rows: [] });
    const given: EditedRow[] = [];
    bench.fixture.componentInstance.changed.subscribe((row) => given.push(row));
    await type(bench, 'New row, From', '91', 'input');
    await bench.click('Add to things');
    expect(bench.text).toContain('What: write a word or two.');
    await type(bench, 'New row, What', 'breather', 'input');
    await bench.click('Add to things');
    expect(given[0]?.values).toEqual({ name: 'breather', from: 91, turn: undefined });
    expect(bench.all<HTMLInputElement>('[aria-label="New row, From"]')[0]?.value).toBe('');
  });
});

describe('studs, retention, brakes and lines', () => {
  it('show what holds, and the checks of it', async () => {
    const plan: Plan = {
      ...donorPlan({
        'stud.length': read('caliper', 30.2),
        'stud.hat': read('caliper', 6.1),
        'stud.pad': read('caliper', 14.4),
        'stud.nut': read('caliper', 20),
      }),
      facts: { 'new.studThread': { value: 'M12x1.5', evidence: 'measured' } },
    };
    const bench = await Bench.of(StudsDesk, plan);
    expect(bench.text).toMatch(/Over its diameter ?at least 1 0\.81/);
    expect(bench.text).toContain('Too little thread in the nut.');
  });

  it('ask the counter for the bearing and the seal, each for its own sizes', async () => {
    const seats = donorPlan({
      'donor.journal': read('caliper', 35.01),
      'donor.bearingBore': read('caliper', 72.02),
      'donor.sealJournal': read('caliper', 34.9),
    });
    const bench = await Bench.of(RetentionDesk, seats);
    expect(bench.text).toMatch(/Wheel bearing: unknown ?ask the parts counter/);
    const seal = bench.all('section').find((s) => s.getAttribute('aria-label') === 'Shaft seal');
    expect(seal?.textContent).toContain('Needs both sizes first.');
    bench.button('Ask for a bearing').click();
    await bench.fixture.whenStable();
    const { request } = TestBed.inject(HttpTestingController).expectOne((r) => r.url === '/api/parts');
    expect(request.params.get('kind')).toBe('bearing');
    expect(request.params.get('inside')).toBe('35.01');
  });

  it('choose what holds the shafts in', async () => {
    const plan = donorPlan({
      'convert.space': read('caliper', 63.5),
      'donor.brakeSpace.left': read('caliper', 76),
    });
    const bench = await Bench.of(RetentionDesk, {
      ...plan,
      choices: { ...plan.choices, retention: 'cClip', retentionTo: 'cClip' },
    });
    expect(bench.text).toContain('C-clip, as it is');
    expect(bench.text).toContain('−12.5 mm');
    bench.all<HTMLInputElement>('input[type=radio]')[1]?.click();
    await bench.fixture.whenStable();
    expect(bench.store.plan().choices.retentionTo).toBe('boltIn');
    expect(bench.text).toMatch(/Brake space 63\.5 mm/);
  });

  it('decide on brakes with a reason only', async () => {
    const bench = await Bench.of(
      BrakesDesk,
      donorPlan({ 'rotor.diameter': read('caliper', 248), 'pad.height': read('caliper', 42) }),
    );
    expect(bench.text).toMatch(/Arm of the brake 103\.0 mm/);
    await bench.click('For the rotor');
    expect(bench.all('[role=alert]')[0]?.textContent).toContain('Write the reason first');
    await bench.fill('textarea', '12 % more arm, same rim');
    await bench.click('For the rotor');
    expect(bench.store.plan().verdicts.brakes).toMatchObject({
      verdict: 'bigger',
      reason: '12 % more arm, same rim',
    });
    expect(bench.text).toContain('Decided for the rotor.');
  });

  it('bend lines from their points, and say where one cannot be bent', async () => {
    const line = {
      name: 'tee to left',
      points: [
        [0, 0, 0],
        [100, 0, 0],
        [100, 80, 0],
      ],
      radius: 15,
      flare: 6,
    } as const;
    const bench = await Bench.of(LinesDesk, { ...donorPlan({}), lines: { a: line } });
    expect(bench.text).toMatch(/1 ?91\.0 mm ?85\.0 mm ?90\.0°/);
    expect(bench.text).toContain('185.6 mm with both flares');
    await bench.click('Its points');
    await type(bench, 'Row 2, Forward', '3');
    expect(bench.text).toContain('there is no room for the bends');
    expect(bench.store.plan().lines['a']?.points[1]).toEqual([3, 0, 0]);
  });
});

describe('tubes and what a weld pulled', () => {
  it('show fits to a hundredth, and stop for an oval bore', async () => {
    const readings = Object.fromEntries(
      ['a', 'b', 'c'].flatMap((d, i) => [
        [`tube.bore.left.${d}`, read('caliper', 76.18 + 0.07 * i)],
        [`tube.od.left.${d}`, read('caliper', 76.36 + 0.01 * i)],
      ]),
    );
    const plan = donorPlan(readings);
    const bench = await Bench.of(TubeFit, { ...plan, choices: { ...plan.choices, method: 'newTubes' } });
    expect(bench.text).toMatch(/Bore out of round 0\.14 mm/);
    expect(bench.text).toContain('Left bore is oval.');
    expect(bench.text).toContain('a tube pressed too deep cannot be pulled back');
  });

  it('become what the next butt is reckoned with', async () => {
    const bench = await Bench.of(
      AfterWeld,
      donorPlan({ 'after.tacked.left': read('rule', 498), 'after.welded.left': read('rule', 496.9) }),
    );
    expect(bench.text).toContain('This welder’s butt pulls 1.10 mm');
    await bench.click('Reckon with it');
    expect(bench.store.plan().readings['cut.pull']).toMatchObject({
      instrument: 'rule',
      repeats: [{ value: 1.1 }],
    });
  });
});

describe('what is on the tubes', () => {
  it('is listed from the casting face, and put in order where its ends were swapped', async () => {
    const bench = await Bench.of(TubeItems, donorPlan({}));
    await vi.waitFor(async () => {
      await bench.settle();
      expect(bench.all('ix-rows')).toHaveLength(1);
    });
    await type(bench, 'New row, What', 'the perch', 'input');
    await type(bench, 'New row, From', '431', 'input');
    await bench.click('Add to things on the tubes');
    expect(bench.store.plan().tubeItems).toEqual({});
    expect(bench.text).toContain('Side: choose one.');
    await type(bench, 'New row, Side', 'left', 'change');
    await type(bench, 'New row, From', '431', 'input');
    await type(bench, 'New row, To', '362.5', 'input');
    await bench.click('Add to things on the tubes');
    const [item] = Object.values(bench.store.plan().tubeItems);
    expect(item).toEqual({ side: 'left', name: 'the perch', from: 362.5, to: 431 });
    await bench.click('Remove row 1');
    expect(bench.store.plan().tubeItems).toEqual({});
  });
});

describe('a choice among few', () => {
  it('gives what is picked, and nothing that is not offered', async () => {
    const options = [
      { id: 'none', name: 'none' },
      { id: 'plain', name: 'plain spacer' },
    ];
    const bench = await Bench.of(ChoiceField, donorPlan({}), { label: 'Spacer', value: 'none', options });
    const picked: string[] = [];
    bench.fixture.componentInstance.picked.subscribe((id) => picked.push(id));
    const select = bench.all<HTMLSelectElement>('select')[0];
    if (!select) throw new Error('no choice');
    select.value = 'plain';
    select.dispatchEvent(new Event('change'));
    select.value = 'boot';
    select.dispatchEvent(new Event('change'));
    expect(picked).toEqual(['plain']);
  });
});

describe('sheets for suppliers', () => {
  it('stand each as PDF, table and file, in the unit that is shown', async () => {
    const bench = await Bench.stage('sheets', donorPlan({}));
    const links = bench.all<HTMLAnchorElement>('.files.order a').map((a) => a.getAttribute('href') ?? '');
    expect(links).toHaveLength(21);
    expect(links[0]).toMatch(/shaft-order\.pdf\?units=mm&paper=a4$/);
    expect(links[5]).toMatch(/brake-order\.json\?units=mm$/);
  });
});
