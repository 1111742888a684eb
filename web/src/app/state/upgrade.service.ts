import { DOCUMENT, inject, Injectable } from '@angular/core';
import { PlanStore } from './plan-store';

/** Names of the scripts that a page begins with. */
const scriptsOf = (page: Document): readonly string[] =>
  [...page.querySelectorAll<HTMLScriptElement>('script[src]')]
    .map((script) => (script.getAttribute('src') ?? '').replace(/^.*\//, ''))
    .sort();

/** Finds out that the server holds a newer page than this one, whose scripts are gone, and goes over to it. */
@Injectable({ providedIn: 'root' })
export class UpgradeService {
  private readonly page = inject(DOCUMENT);
  private readonly store = inject(PlanStore);

  /** True where the server’s page begins with other scripts; false too where it does not answer. */
  async isThere(): Promise<boolean> {
    try {
      const answer = await fetch(this.page.baseURI, { cache: 'no-store' });
      if (!answer.ok) return false;
      const theirs = scriptsOf(new DOMParser().parseFromString(await answer.text(), 'text/html'));
      return theirs.length > 0 && theirs.join() !== scriptsOf(this.page).join();
    } catch {
      return false;
    }
  }

  /**
   * Opens an address in the newer page. What is typed is saved first, or kept in this browser.
   *
   * @returns false where neither could be, and this page stays
   */
  async goOver(url: string): Promise<boolean> {
    await this.store.flush();
    const kept = await this.store.keepNow();
    if (kept) this.page.location.assign(url);
    return kept;
  }
}
