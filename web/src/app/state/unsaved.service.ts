import { Injectable } from '@angular/core';
import type { VariantView } from '@intervex/contract/wire';
import type { Plan } from '@intervex/core';

/** Work that the server has not taken yet. */
export interface Unsaved {
  readonly variant: string;
  /** The plan it was made from, so that what others did meanwhile can be told apart. */
  readonly base: Plan;
  readonly plan: Plan;
  /** ISO 8601. */
  readonly at: string;
}

const PREFIX = 'unsaved ';
const LOCK = 'intervex page ';

/**
 * Keeps in this browser what is not saved yet, so that a page that is closed, crashes or is thrown out of memory loses
 * nothing. What was kept by a page that is no more is offered back.
 */
@Injectable({ providedIn: 'root' })
export class UnsavedService {
  private readonly page = crypto.randomUUID();
  private locked = false;
  /** What is written now or next, by its order. */
  private last: Promise<unknown> = Promise.resolve();

  /** Keeps the work, or forgets it where all of it is saved. */
  keep(base: VariantView, plan: Plan | undefined): void {
    this.hold();
    const key = `${PREFIX}${base.id} ${this.page}`;
    const work: Unsaved | undefined = plan && {
      variant: base.id,
      base: base.plan,
      plan,
      at: new Date().toISOString(),
    };
    this.last = this.last.then(() => (work ? write(key, work) : forget(key))).catch(() => undefined);
  }

  /** The newest work on a variant that a page left behind; nothing where there is none. */
  async find(variant: string): Promise<{ readonly key: string; readonly work: Unsaved } | undefined> {
    try {
      const { entries } = await import('idb-keyval');
      const alive = await pagesAlive();
      const left = (await entries<string, Unsaved>())
        .filter(([key]) => key.startsWith(`${PREFIX}${variant} `) && !alive.has(key.slice(-this.page.length)))
        .sort(([, a], [, b]) => b.at.localeCompare(a.at));
      return left[0] && { key: left[0][0], work: left[0][1] };
    } catch {
      // A browser that keeps nothing has nothing to offer.
      return undefined;
    }
  }

  /** It was taken back or thrown away. */
  async settle(key: string): Promise<void> {
    await forget(key).catch(() => undefined);
  }

  /** Holds a lock as long as this page lives, by which others know that it does. */
  private hold(): void {
    if (this.locked) return;
    this.locked = true;
    const { locks } = navigator as Partial<Navigator>;
    void locks?.request(LOCK + this.page, () => new Promise(() => undefined));
  }
}

async function write(key: string, work: Unsaved): Promise<void> {
  await (await import('idb-keyval')).set(key, work);
}

async function forget(key: string): Promise<void> {
  await (await import('idb-keyval')).del(key);
}

/** Names of pages that are open in this browser. */
async function pagesAlive(): Promise<ReadonlySet<string>> {
  const { locks } = navigator as Partial<Navigator>;
  const { held = [] } = (await locks?.query()) ?? {};
  return new Set(held.flatMap(({ name }) => (name?.startsWith(LOCK) ? [name.slice(LOCK.length)] : [])));
}
