import { ChangeDetectionStrategy, Component, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { NavigationError, NavigationStart, Router, RouterOutlet } from '@angular/router';
import { FocusKeeper } from './state/focus-keeper.service';
import { PressKeeper } from './state/press-keeper.service';
import { UpgradeService } from './state/upgrade.service';

/** The page: what is open, and that something else could not be opened. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-root',
  imports: [RouterOutlet],
  template: `
    <router-outlet />
    @if (unreached(); as url) {
      <p role="alert">
        @if (newer()) {
          {{
            stuck() ? NOT_KEPT : 'Intervex was updated, and this page is the old one. What you typed is kept.'
          }}
          <button type="button" class="plain" (click)="goOver(url)">Load the new page</button>
        } @else {
          That page cannot be loaded now: does the server answer? Where you are stays as it is.
          <button type="button" class="plain" (click)="open(url)">Try again</button>
        }
        <button type="button" class="plain" (click)="unreached.set('')">Close</button>
      </p>
    }
  `,
  styles: `
    p {
      position: fixed;
      z-index: 40;
      right: 0;
      /* Over the strip. */
      bottom: 84px;
      left: 0;
      display: flex;
      flex-wrap: wrap;
      gap: 0 14px;
      align-items: center;
      width: fit-content;
      max-width: calc(100vw - 20px);
      margin: 0 auto;
      padding: 8px 14px;
      border: 1px solid var(--amber);
      background: var(--amber-tint);
    }
    button {
      min-height: 28px;
      color: var(--dye);
      font-weight: 600;
      text-decoration: underline;
    }
  `,
})
export class App {
  private readonly router = inject(Router);
  private readonly upgrade = inject(UpgradeService);
  /** Address that could not be opened; empty while there is none, once closed, and as soon as anything is opened again. */
  protected readonly unreached = signal('');

  /** The server holds a newer page, without the scripts of this one. */
  protected readonly newer = signal(false);
  /** What was typed could neither be saved nor kept. */
  protected readonly stuck = signal(false);
  protected readonly NOT_KEPT =
    'What you typed could not be saved or kept yet, so this page stays. Try again once the server answers.';

  constructor() {
    const gone = inject(DestroyRef);
    gone.onDestroy(inject(FocusKeeper).watch());
    gone.onDestroy(inject(PressKeeper).watch());
    this.router.events.pipe(takeUntilDestroyed()).subscribe((event) => {
      if (event instanceof NavigationStart) this.unreached.set('');
      if (!(event instanceof NavigationError)) return;
      this.unreached.set(event.url);
      void this.upgrade.isThere().then((newer) => {
        this.newer.set(newer);
      });
      console.warn(event.error);
    });
  }

  protected goOver(url: string): void {
    void this.upgrade.goOver(url).then((went) => {
      this.stuck.set(!went);
    });
  }

  protected open(url: string): void {
    void this.router.navigateByUrl(url);
  }
}
