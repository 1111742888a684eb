import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter, Router, withRouterConfig } from '@angular/router';
import { App } from './app';
import { UpgradeService } from './state/upgrade.service';

@Component({ changeDetection: ChangeDetectionStrategy.OnPush, template: '<h1>Gears</h1>' })
class Gears {}

const upgrade = { isThere: () => Promise.resolve(false), goOver: vi.fn(() => Promise.resolve(false)) };

describe('the page', () => {
  it('offers the newer page where the server was updated', async () => {
    const load = () => Promise.reject(new TypeError('gone'));
    TestBed.configureTestingModule({
      providers: [
        provideRouter(
          [{ path: 'gears', loadComponent: load }],
          withRouterConfig({ resolveNavigationPromiseOnError: true }),
        ),
        { provide: UpgradeService, useValue: { ...upgrade, isThere: () => Promise.resolve(true) } },
      ],
    });
    vi.spyOn(console, 'warn').mockReturnValue();
    const fixture = TestBed.createComponent(App);
    const page = fixture.nativeElement as HTMLElement;
    await TestBed.inject(Router).navigateByUrl('/gears');
    await fixture.whenStable();
    expect(page.textContent).toContain(
      'Intervex was updated, and this page is the old one. What you typed is kept.',
    );
    page.querySelector('button')?.click();
    expect(upgrade.goOver).toHaveBeenCalledWith('/gears');
    await fixture.whenStable();
    expect(page.textContent).toContain('could not be saved or kept yet, so this page stays');
    fixture.destroy();
  });

  it('says that another could not be loaded, stays, and tries again', async () => {
    let reached = false;
    const load = () => (reached ? Promise.resolve(Gears) : Promise.reject(new TypeError('out of reach')));
    TestBed.configureTestingModule({
      providers: [
        provideRouter(
          [{ path: 'gears', loadComponent: load }],
          withRouterConfig({ resolveNavigationPromiseOnError: true }),
        ),
        { provide: UpgradeService, useValue: upgrade },
      ],
    });
    const noted = vi.spyOn(console, 'warn').mockReturnValue();
    const fixture = TestBed.createComponent(App);
    const page = fixture.nativeElement as HTMLElement;
    await fixture.whenStable();
    expect(page.querySelector('[role=alert]')).toBeNull();

    expect(await TestBed.inject(Router).navigateByUrl('/gears')).toBe(false);
    await fixture.whenStable();
    expect(page.textContent).toContain('That page cannot be loaded now');
    expect(page.querySelector('h1')).toBeNull();
    expect(noted).toHaveBeenCalledWith(new TypeError('out of reach'));

    const press = (name: string) =>
      [...page.querySelectorAll('button')].find((b) => b.textContent === name)?.click();
    press('Close');
    await fixture.whenStable();
    expect(page.querySelector('[role=alert]')).toBeNull();
    await TestBed.inject(Router).navigateByUrl('/gears');
    await fixture.whenStable();

    reached = true;
    press('Try again');
    await vi.waitFor(async () => {
      await fixture.whenStable();
      expect(page.querySelector('h1')?.textContent).toBe('Gears');
    });
    expect(page.querySelector('[role=alert]')).toBeNull();
    fixture.destroy();
  });
});
