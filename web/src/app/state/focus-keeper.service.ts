import { DOCUMENT } from '@angular/common';
import { inject, Injectable } from '@angular/core';

/**
 * Keeps the keyboard’s place: where what had focus goes away, its nearest surroundings that stay take it, so that the
 * next Tab goes on from there and not from the top of the page.
 */
@Injectable({ providedIn: 'root' })
export class FocusKeeper {
  private readonly page = inject(DOCUMENT);
  /** What had focus last, and all that it stood in, innermost first. */
  private path: readonly HTMLElement[] = [];

  /** Begins to watch; gives what ends it. */
  watch(): () => void {
    const note = ({ target }: FocusEvent) => {
      if (target instanceof HTMLElement || target instanceof SVGElement) this.path = ancestors(target);
    };
    const observer = new MutationObserver(() => {
      this.mend();
    });
    this.page.addEventListener('focusin', note);
    observer.observe(this.page.body, { childList: true, subtree: true });
    return () => {
      this.page.removeEventListener('focusin', note);
      observer.disconnect();
    };
  }

  private mend(): void {
    const { activeElement, body } = this.page;
    const [last] = this.path;
    if (!last || (activeElement && activeElement !== body) || last.isConnected) return;
    const stays = this.path.find((e) => e.isConnected && e !== body);
    this.path = [];
    if (!stays) return;
    if (!stays.hasAttribute('tabindex')) stays.setAttribute('tabindex', '-1');
    stays.focus({ preventScroll: true });
  }
}

function ancestors(from: Element): readonly HTMLElement[] {
  const path: HTMLElement[] = [];
  for (let e: Element | null = from; e; e = e.parentElement) path.push(e as HTMLElement);
  return path;
}
