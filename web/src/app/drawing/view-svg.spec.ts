import { TestBed } from '@angular/core/testing';
import { evaluate } from '@intervex/core';
import { rearView } from '@intervex/core/views/cut';
import { SelectionService } from '../state/selection.service';
import { Bench, donorPlan, read } from '../testing/bench';
import { ViewSvg, type MarkMove } from './view-svg';

const plan = donorPlan({ 'cut.mark.left': read('chosen', 203) });
const view = evaluate(plan).of(rearView);
let bench: Bench<ViewSvg>;
let moves: MarkMove[];

beforeEach(async () => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe = () => undefined;
      disconnect = () => undefined;
    },
  );
  bench = await Bench.of(ViewSvg, plan, { view });
  moves = [];
  bench.fixture.componentInstance.moved.subscribe((m) => moves.push(m));
});
afterEach(() => vi.unstubAllGlobals());

const slider = (name: string) => {
  const found = bench.all('[role=slider]').find((s) => s.getAttribute('aria-label') === name);
  if (!found) throw new Error(name);
  return found;
};
const press = async (element: Element, key: string, shiftKey = false) => {
  element.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey, bubbles: true }));
  await bench.fixture.whenStable();
};

describe('drawing', () => {
  it('says every dimension in words too', () => {
    const table = bench.all('table tr').map((r) => (r.textContent ?? '').replace(/\s+/g, ' ').trim());
    expect(table).toContain('WMS width1402.0 mm');
    expect(table).toContain('Cut, left91.3 mm');
    expect(table).toHaveLength(view.dimensions.length);
  });

  it('moves a mark by keys: outboard is left on the left side', async () => {
    await press(slider('First mark, left'), 'ArrowLeft');
    await press(slider('First mark, left'), 'ArrowRight', true);
    await press(slider('First mark, left'), 'ArrowUp');
    // Nothing is drawn anew between them: each goes on from where the last one sent it.
    expect(moves.map((m) => m.value)).toEqual([204, 194, 195]);
    expect(moves[0]?.quantityId).toBe('cut.mark.left');
  });

  it('moves a mark by as much as the pointer moves, wherever it was taken hold of', async () => {
    const mark = slider('First mark, left');
    mark.setPointerCapture = () => undefined;
    const point = async (type: string, clientX: number) => {
      mark.dispatchEvent(new PointerEvent(type, { clientX, clientY: 55, bubbles: true, cancelable: true }));
      await bench.fixture.whenStable();
    };
    await point('pointerdown', 317);
    await point('pointermove', 317);
    expect(moves).toEqual([]);
    await point('pointermove', 297);
    await point('pointermove', 257);
    // On the left side outboard is left, and three times as far is three times as much.
    const [near = 0, far = 0] = moves.map((m) => m.value - 203);
    expect(near).toBeGreaterThan(0);
    expect(far / near).toBeCloseTo(3, 0);
    await point('pointerup', 257);
  });

  it('stops a mark at its limits', async () => {
    const mark = slider('First mark, left');
    await press(mark, 'Home');
    await press(mark, 'End');
    // 40 from the casting; 588.3 − 40 − 92.5 at the other end.
    expect(moves.map((m) => m.value)).toEqual([40, expect.closeTo(455.8, 6)]);
  });

  it('opens the working of a derived dimension', async () => {
    await bench.click('Cut, left 91.3 mm');
    expect(TestBed.inject(SelectionService).explained()).toBe('evenUp.cut.left');
  });

  it('lights up the place of the field that has focus', async () => {
    TestBed.inject(SelectionService).focused.set('donor.tube.right');
    await bench.fixture.whenStable();
    expect(bench.all('polygon.lit').length).toBeGreaterThan(0);
  });

  it('has nothing to drag on paper, and no words when quiet', async () => {
    bench.fixture.componentRef.setInput('still', true);
    await bench.fixture.whenStable();
    expect(bench.all('[role=slider]')).toEqual([]);
    bench.fixture.componentRef.setInput('quiet', true);
    await bench.fixture.whenStable();
    expect(bench.all('text')).toEqual([]);
  });
});
