import { evaluate, surveyView } from '@intervex/core';
import { Bench, donorPlan, read } from '../testing/bench';
import { Walk } from './walk';

const start = (plan = donorPlan()) =>
  Bench.of(Walk, plan, { stage: 'survey', title: 'Survey', view: surveyView(evaluate(plan)) });
const tap = async (bench: Bench<Walk>, keys: readonly string[]) => {
  for (const key of keys) {
    const button = bench.all('button.key').find((b) => b.textContent?.trim() === key);
    button?.click();
    await bench.fixture.whenStable();
  }
};
const heading = (bench: Bench<Walk>) => bench.all('h1')[0]?.textContent;

beforeEach(() => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe = () => undefined;
      disconnect = () => undefined;
    },
  );
});
afterEach(() => vi.unstubAllGlobals());

describe('one reading at a time', () => {
  it('begins at the first that is missing', async () => {
    const bench = await start(donorPlan({ 'survey.left': read('tape', 702.3) }));
    expect(heading(bench)).toBe('Pinion axis');
  });

  it('takes a fraction from the keys and says what it means', async () => {
    const bench = await start();
    await tap(bench, ['2', '7', '1/16']);
    // 27 1/16 in.
    expect(bench.text).toContain('= 687.39 mm');
    await tap(bench, ['Next']);
    expect(bench.store.plan().readings['survey.left']?.repeats).toEqual([
      { value: expect.closeTo(687.3875, 9), typed: '27 1/16' },
    ]);
    expect(heading(bench)).toBe('Pinion axis');
  });

  it('stays at a refused entry with the reason and the text', async () => {
    const bench = await start();
    await tap(bench, ['9', 'Next']);
    expect(bench.text).toContain('must lie between');
    expect(bench.all<HTMLInputElement>('input')[0]?.value).toBe('9');
    expect(heading(bench)).toBe('Centreline to left WMS');
  });

  it('adds repeats, warns where they disagree, and removes the last', async () => {
    const bench = await start(donorPlan({ 'survey.left': read('tape', 702.3) }));
    await bench.click('Skip');
    await bench.click('Skip');
    for (let i = 0; i < 4; i += 1) await bench.click('Skip');
    expect(heading(bench)).toBe('Pinion axis');
    await tap(bench, ['−', '1', '1', '.', '5', 'Again', '−', '1', '9', 'Again']);
    expect(bench.text).toContain('differ by more than the tape explains');
    await bench.click('Remove the last');
    expect(bench.store.plan().readings['survey.pinion']?.repeats).toHaveLength(1);
  });
});
