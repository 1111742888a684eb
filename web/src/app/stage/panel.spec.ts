import { TestBed } from '@angular/core/testing';
import { SelectionService } from '../state/selection.service';
import { Bench, donorPlan, read } from '../testing/bench';
import { Panel } from './panel';

const names = (bench: Bench<Panel>) => bench.all('ix-group h2 button').map((b) => b.textContent?.trim());
const parts = [{ group: 'floor' }, { group: 'level' }, { group: 'square' }];

describe('the panel', () => {
  it('lists its groups, what the drawing is about first', async () => {
    const bench = await Bench.of(Panel, donorPlan(), { stage: 'survey', parts, first: ['square'] });
    expect(names(bench)).toEqual(['Square', 'Floor', 'Level']);
    expect(bench.all('nav button').map((b) => b.textContent?.trim())).toEqual(['Square', 'Floor', 'Level']);
    bench.fixture.componentRef.setInput('first', ['level']);
    await bench.fixture.whenStable();
    expect(names(bench)[0]).toBe('Level');
    expect(bench.all('nav button')[0]?.textContent?.trim()).toBe('Level');
  });

  it('folds a group, remembers it, and opens it for a field that is asked for', async () => {
    const bench = await Bench.of(Panel, donorPlan(), { stage: 'survey', parts, first: [] });
    const content = () => bench.all('ix-group .content')[0];
    bench.all('ix-group h2 button')[0]?.click();
    await bench.fixture.whenStable();
    expect(content()?.hidden).toBe(true);
    expect(localStorage.getItem('intervex.fold.survey.floor')).toBe('1');
    TestBed.inject(SelectionService).goTo('level.floor.leftFront');
    await bench.fixture.whenStable();
    expect(content()?.hidden).toBe(false);
    expect(document.activeElement?.getAttribute('data-quantity')).toBe('level.floor.leftFront');
  });

  it('opens a group for a fact that is asked for as well', async () => {
    const slip = [{ title: 'Slip', facts: ['slip.look'] }];
    const bench = await Bench.of(Panel, donorPlan(), { stage: 'donor', parts: slip, first: [] });
    await bench.click('Slip');
    expect(bench.all('ix-group .content')[0]?.hidden).toBe(true);
    TestBed.inject(SelectionService).goTo('fact.slip.look');
    await bench.fixture.whenStable();
    expect(bench.all('ix-group .content')[0]?.hidden).toBe(false);
    expect(document.activeElement?.getAttribute('data-fact')).toBe('slip.look');
  });

  it('brings what was asked for into sight once: drawn anew, it takes nobody’s focus', async () => {
    const bench = await Bench.of(Panel, donorPlan(), { stage: 'survey', parts, first: [] });
    const selection = TestBed.inject(SelectionService);
    selection.goTo('level.floor.leftFront');
    await bench.fixture.whenStable();
    expect(selection.wanted()).toBe('');
    // Another tab, and back.
    for (const now of [[{ group: 'square' }], parts]) {
      bench.fixture.componentRef.setInput('parts', now);
      await bench.fixture.whenStable();
    }
    expect(bench.all('input').map((i) => i.getAttribute('data-quantity'))).toContain('level.floor.leftFront');
    expect(bench.element.contains(document.activeElement)).toBe(false);
  });

  it('puts left and right side by side, left first, and takes the left one’s value where asked', async () => {
    const plan = donorPlan({ 'donor.half.left': read('tape', 792.3) });
    const { 'donor.half.right': _, ...readings } = plan.readings;
    const bench = await Bench.of(
      Panel,
      { ...plan, readings },
      {
        stage: 'donor',
        parts: [{ group: 'leftSide', with: 'rightSide', title: 'Tubes and halves' }],
        first: [],
      },
    );
    const pair = bench.all('ix-reading-pair')[0];
    const order = [...(pair?.querySelectorAll('input') ?? [])].map((i) => i.getAttribute('aria-label'));
    expect(order).toEqual(['Pinion axis to WMS, left', 'Pinion axis to WMS, right']);
    await bench.click('= left');
    // Nobody has measured it: it is seen, and says so.
    expect(bench.store.plan().readings['donor.half.right']).toMatchObject({
      repeats: [{ value: 792.3 }],
      instrument: 'seen',
      note: 'same as left',
    });
  });
});
