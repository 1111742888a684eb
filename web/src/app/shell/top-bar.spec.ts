import { TestBed } from '@angular/core/testing';
import { Bench, donorPlan } from '../testing/bench';
import { ThemeService } from '../state/theme.service';
import { UnitsService } from '../state/units.service';
import { TopBar } from './top-bar';

const save = (bench: Bench<TopBar>) => bench.all('.save')[0]?.textContent?.trim();

describe('top bar', () => {
  it('names project and variant, and tells where saving stands', async () => {
    const bench = await Bench.of(TopBar, donorPlan());
    expect(bench.text).toContain('Tern');
    expect(save(bench)).toMatch(/^Saved \d\d:\d\d$/);
    bench.store.saveState.set('waiting');
    await bench.fixture.whenStable();
    expect(save(bench)).toBe('Not saved yet: waiting for the server');
  });

  it('switches unit and theme', async () => {
    const bench = await Bench.of(TopBar, donorPlan());
    const units = TestBed.inject(UnitsService);
    units.choose('frac32');
    await bench.fixture.whenStable();
    await bench.click('metric');
    expect(units.unit()).toBe('mm');
    // Back to the step that inch work was done in last.
    await bench.click('inch');
    expect(units.unit()).toBe('frac32');
    const dark = TestBed.inject(ThemeService).dark();
    await bench.click('Light or dark');
    expect(TestBed.inject(ThemeService).dark()).toBe(!dark);
    expect(document.documentElement.classList.contains('dark')).toBe(!dark);
  });

  it('offers undo only where there is something to take back', async () => {
    const bench = await Bench.of(TopBar, donorPlan());
    const button = (name: string) => bench.all<HTMLButtonElement>(`button[aria-label^=${name}]`)[0];
    expect(button('Undo')?.disabled).toBe(false);
    expect(button('Redo')?.disabled).toBe(true);
  });
});
