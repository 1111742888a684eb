import { Bench, donorPlan, read } from '../testing/bench';
import { ConflictPanel } from './conflict-panel';

describe('conflict panel', () => {
  it('names the field, shows both values in the unit of the page, and settles by a click', async () => {
    const bench = await Bench.of(ConflictPanel, donorPlan());
    const conflict = {
      section: 'readings' as const,
      key: 'donor.half.left',
      mine: read('tape', 790.1),
      theirs: read('tape', 788.8, 789.2),
    };
    bench.store.conflicts.set([conflict]);
    bench.store.saveState.set('conflict');
    await bench.fixture.whenStable();
    expect(bench.text).toContain('Pinion axis to WMS, left');
    expect(bench.text).toContain('Take theirs: 788.8 mm, 789.2 mm');
    await bench.click('Keep mine: 790.1 mm');
    expect(bench.store.plan().readings['donor.half.left']).toEqual(read('tape', 790.1));
    expect(bench.store.conflicts()).toEqual([]);
    expect(bench.text).not.toContain('Somebody changed');
  });

  it('says that a field is gone, and what trouble there is', async () => {
    const bench = await Bench.of(ConflictPanel, donorPlan());
    bench.store.conflicts.set([{ section: 'brief', key: 'vehicle', mine: undefined, theirs: 'Hollin Tern' }]);
    bench.store.trouble.set('The server does not answer.');
    await bench.fixture.whenStable();
    expect(bench.text).toContain('Keep mine: nothing');
    expect(bench.text).toContain('The server does not answer.');
  });

  it('names facts, joints, searches, verdicts and photos in words', async () => {
    const bench = await Bench.of(ConflictPanel, donorPlan());
    const at = '2027-03-20T18:00:00.000Z';
    bench.store.conflicts.set([
      {
        section: 'facts',
        key: 'slip.look',
        mine: { value: 'plain', evidence: 'seen', who: 'Ansa', at },
        theirs: { value: 'clutches', evidence: 'seller' },
      },
      { section: 'joints', key: 'hose', mine: { work: 'an adapter', cost: 12.5 }, theirs: undefined },
      {
        section: 'searches',
        key: 'bearing',
        mine: { asked: { inside: 35 }, of: 96, found: [], from: 'counter', at, who: 'Ansa' },
        theirs: {
          asked: { inside: 38 },
          of: 96,
          found: [],
          from: 'list',
          at: '2027-03-21T09:05:00Z',
          who: 'Birk',
        },
      },
      {
        section: 'verdicts',
        key: 'donor',
        mine: { verdict: 'rejected', reason: 'bent tubes', who: 'Ansa', at },
        theirs: undefined,
      },
    ]);
    await bench.fixture.whenStable();
    expect(bench.text).toContain('Seen inside');
    expect(bench.text).toContain('Keep mine: plain bevel gears only');
    expect(bench.text).toContain('Take theirs: clutch packs or cones');
    expect(bench.text).toContain('Brake hose to line');
    expect(bench.text).toContain('Keep mine: an adapter, 12.5');
    expect(bench.text).toContain('Wheel bearing from the counter');
    expect(bench.text).toContain('Take theirs: asked 2027-03-21 09:05');
    expect(bench.text).toContain('Verdict on the donor');
    expect(bench.text).toContain('Keep mine: bent tubes');
  });

  it('names an acceptance by its check, a photo by its caption or place, and says a limit’s value', async () => {
    const bench = await Bench.of(ConflictPanel, donorPlan());
    const at = '2027-03-20T18:00:00.000Z';
    const check = bench.store.results().checks.at(-1);
    if (!check) throw new Error('The plan has no check.');
    const accepted = { reason: 'seen by Birk', figure: null, who: 'Ansa', at };
    const photo = { place: 'donor.half.left', caption: '', who: 'Ansa', at };
    bench.store.conflicts.set([
      { section: 'accepted', key: check.id, mine: accepted, theirs: undefined },
      { section: 'accepted', key: 'no.such', mine: accepted, theirs: undefined },
      { section: 'photos', key: 'p1', mine: undefined, theirs: photo },
      { section: 'photos', key: 'p2', mine: { ...photo, caption: 'Bent flange' }, theirs: photo },
      {
        section: 'limits',
        key: 'stance.inboard',
        mine: { value: 22.5, reason: 'stiff bushings' },
        theirs: { value: 17, reason: 'stiff bushings' },
      },
    ]);
    await bench.fixture.whenStable();
    expect(bench.text).toContain(`Acceptance: ${check.title}`);
    expect(bench.text).toContain('Acceptance: a check that is gone');
    expect(bench.text).toContain('Keep mine: seen by Birk');
    expect(bench.text).toContain('Photo at pinion axis to WMS, left');
    expect(bench.text).toContain('Photo: Bent flange');
    expect(bench.text).toContain('Keep mine: 22.5 mm, because stiff bushings');
    expect(bench.text).toContain('Take theirs: 17.0 mm, because stiff bushings');
  });

  it('says what an earlier version kept and this one leaves out', async () => {
    const bench = await Bench.of(ConflictPanel, donorPlan());
    bench.store.dropped.set(['readings old.thing', 'choices.way']);
    await bench.fixture.whenStable();
    expect(bench.text).toContain('left out here: readings old.thing, choices.way');
    await bench.click('Good');
    expect(bench.text).not.toContain('left out');
  });
});
