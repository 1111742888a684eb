import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { provideHttpClient } from '@angular/common/http';
import { registerIcons } from './icons';
import { Menu } from './menu';
import type { MenuItem } from './menu-item';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Menu],
  template: `
    <button type="button" [ixMenu]="items()" [ixMenuTrouble]="trouble()" (ixMenuOpened)="opened.set(true)">
      More
    </button>
  `,
})
class Page {
  readonly items = signal<readonly MenuItem[]>([]);
  readonly trouble = signal('');
  readonly opened = signal(false);
}

let fixture: ComponentFixture<Page>;
const button = () => (fixture.nativeElement as HTMLElement).querySelector('button') as HTMLButtonElement;
const lines = () => [...document.querySelectorAll<HTMLElement>('[mat-menu-item]')];
const settle = async () => {
  for (let i = 0; i < 4; i += 1) {
    await new Promise((next) => setTimeout(next, 20));
    await fixture.whenStable();
  }
};
const open = async (items: readonly MenuItem[]) => {
  fixture.componentInstance.items.set(items);
  await fixture.whenStable();
  button().click();
  await vi.waitFor(() => {
    expect(lines().length).toBeGreaterThan(0);
  });
};

beforeEach(() => {
  TestBed.configureTestingModule({
    providers: [provideHttpClient(), provideRouter([{ path: '**', children: [] }])],
  });
  TestBed.runInInjectionContext(registerIcons);
  fixture = TestBed.createComponent(Page);
  document.body.append(fixture.nativeElement as HTMLElement);
});
afterEach(() => {
  fixture.destroy();
});

describe('a menu', () => {
  it('is fetched when it is asked for, says what it holds, and gives focus back', async () => {
    const did: string[] = [];
    await open([
      { text: 'Copy', second: 'of this', does: () => did.push('copy') },
      { text: 'Not now', disabled: true },
    ]);
    expect(button().getAttribute('aria-expanded')).toBe('true');
    expect(fixture.componentInstance.opened()).toBe(true);
    expect(lines().map((l) => l.textContent?.replace(/\s+/g, ' ').trim())).toEqual(['Copy of this', 'Not now']);
    expect(lines()[1]?.getAttribute('aria-disabled')).toBe('true');
    lines()[0]?.click();
    await settle();
    expect(did).toEqual(['copy']);
    expect(lines()).toHaveLength(0);
    expect(button().getAttribute('aria-expanded')).toBe('false');
    expect(document.activeElement).toBe(button());
  });

  it('shows what is on, and stays open for another choice', async () => {
    const choice = (on: boolean): MenuItem => ({
      text: 'Worst tilt',
      choice: { kind: 'checkbox', on },
      stays: true,
      does: () => {
        fixture.componentInstance.items.set([choice(!on)]);
        fixture.componentInstance.trouble.set('One number has to stay.');
      },
    });
    await open([choice(true)]);
    expect(lines()[0]?.getAttribute('role')).toBe('menuitemcheckbox');
    expect(lines()[0]?.getAttribute('aria-checked')).toBe('true');
    lines()[0]?.click();
    await settle();
    expect(lines()[0]?.getAttribute('aria-checked')).toBe('false');
    expect(document.querySelector('[role=alert]')?.textContent).toContain('One number has to stay.');
  });

  it('leads to other pages and to files', async () => {
    await open([
      { text: 'Readings log', link: { to: ['/plan', 'v1', 'readings'], query: { todo: 'rename' } } },
      { text: 'Save', file: { address: '/api/file', save: true } },
      { text: 'Blank', file: { address: '/api/sheet.pdf', save: false } },
    ]);
    const [, save, blank] = lines();
    expect([save?.hasAttribute('download'), save?.getAttribute('target')]).toEqual([true, null]);
    expect([blank?.hasAttribute('download'), blank?.getAttribute('target')]).toEqual([false, '_blank']);
    lines()[0]?.click();
    await settle();
    expect(TestBed.inject(Router).url).toBe('/plan/v1/readings?todo=rename');
  });

  it('goes with the page it stands on', async () => {
    await open([{ text: 'Copy' }]);
    fixture.destroy();
    expect(lines()).toHaveLength(0);
  });
});
