import { TestBed } from '@angular/core/testing';
import { SelectionService } from '../state/selection.service';
import { Bench, donorPlan, read } from '../testing/bench';

const openTab = (bench: Bench<unknown>): string => bench.all('.tabs label.on')[0]?.textContent?.trim() ?? '';
const ask = async (bench: Bench<unknown>, place: string) => {
  TestBed.inject(SelectionService).goTo(place);
  await bench.fixture.whenStable();
};

describe('the screen of a stage', () => {
  it('has its title, the tab’s subtitle, its drawing and what is still needed', async () => {
    const bench = await Bench.stage('cut', donorPlan());
    expect(bench.text).toMatch(/^Cut.*Tubes and ends ?result over donor, from behind/);
    expect(bench.all('.desk .drawing > ix-view')).toHaveLength(1);
    expect(bench.all('.panel').map((p) => p.getAttribute('aria-label'))).toEqual(['Cut, readings and choices']);
    await bench.click('Left tube');
    expect(bench.text).toContain('left tube with its marks');
  });

  it('says what a drawing waits for', async () => {
    const { readings, ...plan } = donorPlan();
    const { 'donor.tube.left': _left, ...rest } = readings;
    const bench = await Bench.stage('cut', { ...plan, readings: rest });
    await bench.click('Left tube');
    expect(bench.text).toContain('Read the tube from casting to housing end first');
    await bench.click('Right tube');
    expect(bench.text).not.toContain('Read the tube from casting to housing end first');
  });

  it('follows the field that has focus, and keeps its tab for a field of another stage', async () => {
    const bench = await Bench.stage('survey', donorPlan());
    expect(openTab(bench)).toBe('Level');
    TestBed.inject(SelectionService).focused.set('angle.flat');
    await bench.fixture.whenStable();
    expect(openTab(bench)).toBe('Angles');
    TestBed.inject(SelectionService).focused.set('donor.half.left');
    await bench.fixture.whenStable();
    expect(openTab(bench)).toBe('Angles');
  });

  it('keeps a tab of its own panel, whichever of its fields has focus', async () => {
    const bench = await Bench.stage('donor', donorPlan({ 'donor.journal': read('caliper', 35.01) }));
    await ask(bench, 'joint.bearing');
    TestBed.inject(SelectionService).focused.set('donor.journal');
    await bench.fixture.whenStable();
    expect(openTab(bench)).toBe('Mating');
  });

  it.each([
    ['donor', 'joint.hose', 'Mating', 'Brake hose'],
    ['donor', 'donor', 'Judge', 'Not decided yet'],
    ['donor', 'fact.slip.look', 'Judge', 'Look inside'],
    ['hubs', 'pattern.wheel', 'Pattern', 'Read between holes'],
    ['hubs', 'fact.new.studClass', 'Studs', 'In the car'],
    ['cut', 'after.welded.left', 'Tubes and ends', 'After the work'],
  ] as const)('of %s opens the tab on which %s stands', async (stage, place, tab, shown) => {
    const bench = await Bench.stage(stage, donorPlan());
    await ask(bench, place);
    expect(openTab(bench)).toBe(tab);
    expect(bench.text).toContain(shown);
  });

  it('asked for the holes of a face puts the cursor there', async () => {
    const bench = await Bench.stage('hubs', donorPlan());
    document.body.append(bench.element);
    await ask(bench, 'pattern.wheel');
    expect(document.activeElement?.getAttribute('aria-label')).toBe('Wheel, holes');
    bench.element.remove();
  });

  it('leaves out parts of the panel that the plan has no use for', async () => {
    const bench = await Bench.stage('cut', donorPlan());
    const headings = () => bench.all('.panel h2').map((h) => h.textContent?.trim());
    expect(headings()).not.toContain('New tubes');
    await bench.change(donorPlan({}, { method: 'newTubes' }));
    expect(headings()).toContain('New tubes');
  });

  it('goes through the readings one at a time and back', async () => {
    const bench = await Bench.stage('survey', donorPlan({ 'survey.left': read('tape', 701.2) }));
    await bench.click('One at a time');
    expect(bench.all('ix-walk')).toHaveLength(1);
    expect(bench.all('.desk')).toHaveLength(0);
  });
});
