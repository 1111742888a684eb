import { TestBed } from '@angular/core/testing';
import { FocusKeeper } from '../state/focus-keeper.service';
import { SelectionService } from '../state/selection.service';
import { Bench, donorPlan } from '../testing/bench';
import { CheckCard } from './check-card';
import { KeysPanel } from './keys';
import { TopBar } from './top-bar';

const later = () => new Promise((done) => setTimeout(done, 0));

describe('the keyboard', () => {
  it('has a list of its keys, and what opened it has focus again once it is closed', async () => {
    const bench = await Bench.of(KeysPanel, donorPlan());
    expect(bench.text).toMatch(/Ctrl Z ?undo, and go to what it changed/);
    const opener = document.body.appendChild(document.createElement('button'));
    opener.focus();
    const selection = TestBed.inject(SelectionService);
    selection.toggleKeys();
    expect(selection.keysOpen()).toBe(true);
    opener.blur();
    selection.toggleChecks();
    expect([selection.keysOpen(), selection.checksOpen()]).toEqual([false, true]);
    selection.closeDrawers();
    expect(document.activeElement).toBe(opener);
    opener.remove();
  });

  it('keeps its place where what had focus goes away: the nearest surroundings take it', async () => {
    await Bench.of(KeysPanel, donorPlan());
    const end = TestBed.inject(FocusKeeper).watch();
    const list = document.body.appendChild(document.createElement('section'));
    list.innerHTML = '<div><button>x</button></div>';
    const button = list.querySelector('button');
    button?.focus();
    await later();
    button?.parentElement?.remove();
    await later();
    expect(document.activeElement).toBe(list);
    end();
    list.remove();
  });

  it('stays in a check’s dialog, and comes back to its button', async () => {
    const check = {
      id: 'a.b',
      stage: 'cut',
      level: 'caution',
      title: 'Ends wider than the width wanted',
      reason: '',
      todo: 'Make up {1.5 mm 2} a side.',
      figure: { value: 3, unit: 'mm' },
    } as const;
    const bench = await Bench.of(CheckCard, donorPlan(), { check });
    document.body.append(bench.element);
    expect(bench.text).toContain('Make up 1.50 mm a side.');
    await bench.click('Accept…');
    expect(document.activeElement?.tagName).toBe('TEXTAREA');
    await bench.click('Leave it');
    expect(document.activeElement?.textContent).toContain('Accept');
    bench.element.remove();
  });

  it('says what an undo changes, as far as that is known', async () => {
    const bench = await Bench.of(TopBar, donorPlan());
    const undo = () => bench.all('button').find((b) => b.getAttribute('aria-label')?.startsWith('Undo'));
    expect(undo()?.getAttribute('aria-label')).toBe('Undo');
    bench.store.renamed({
      undoes: ['/readings/donor.tube.left', '/facts/donor.cable', '/choices/school'],
    } as never);
    await bench.fixture.whenStable();
    expect(undo()?.getAttribute('aria-label')).toBe('Undo casting to housing end, left and 2 more');
  });
});
