import { Bench, donorPlan, read } from '../testing/bench';
import { DimensionEditor } from './dimension-editor';

describe('a reading edited at its dimension', () => {
  const opened = async () => {
    const plan = donorPlan({ 'donor.journal': read('caliper', 35) });
    const bench = await Bench.of(DimensionEditor, plan, { id: 'donor.journal' });
    let closed = 0;
    bench.fixture.componentInstance.closed.subscribe(() => {
      closed += 1;
    });
    return { bench, closed: () => closed };
  };
  const escape = (from: Element) =>
    from.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));

  it('closes by Escape from within and from the page, each time once', async () => {
    const { bench, closed } = await opened();
    const [field] = bench.all('input');
    if (!field) throw new Error('no field');
    escape(field);
    expect(closed()).toBe(1);
    escape(document.body);
    expect(closed()).toBe(2);
  });

  it('stays while a menu over it is closed', async () => {
    const { closed } = await opened();
    const over = document.body.appendChild(document.createElement('div'));
    over.className = 'cdk-overlay-container';
    const line = over.appendChild(document.createElement('button'));
    escape(line);
    expect(closed()).toBe(0);
    over.remove();
  });
});
