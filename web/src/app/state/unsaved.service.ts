import { Injectable } from '@angular/core';
import { PLAN_VERSION, planFromStore, type Plan } from '@intervex/core';

/** Work that the server has not taken yet. */
export interface Unsaved {
  readonly variant: string;
  /** The plan it was made from, so that what others did meanwhile can be told apart. */
  readonly base: Plan;
  readonly plan: Plan;
  /** ISO 8601. */
  readonly at: string;
}

/** As it lies in the browser, which may outlive the page that wrote it by many versions. */
interface Stored extends Unsaved {
  /** Of the plan; work of before that was noted is of version 10 or below. */
  readonly version?: number;
}
/** Newest version by which work was kept without one. */
const UNNOTED = 10;

interface Kept {
  readonly key: string;
  readonly work: Unsaved;
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
  /** Changes with each variant that is opened: what was left of one is not written over by the next. */
  private opening = crypto.randomUUID();
  private locked = false;
  /** What is written now or next, by its order. */
  private last: Promise<unknown> = Promise.resolve();
  private went = true;

  /** Another variant is opened, or the same again. */
  begin(): void {
    this.opening = crypto.randomUUID();
  }

  /** Keeps the work, or forgets it where all of it is saved. */
  keep(variant: string, work: { readonly base: Plan; readonly plan: Plan } | undefined): void {
    this.hold();
    const key = `${PREFIX}${variant} ${this.opening} ${this.page}`;
    const stored: Stored | undefined = work && {
      ...work,
      variant,
      version: PLAN_VERSION,
      at: new Date().toISOString(),
    };
    this.last = this.last
      .then(() => (stored ? write(key, stored) : forget(key)))
      .then(
        () => (this.went = true),
        () => (this.went = false),
      );
  }

  /** Waits for what is written. @returns whether the last of it is kept, or forgotten, as it was to be */
  async written(): Promise<boolean> {
    await this.last;
    return this.went;
  }

  /** The newest work on a variant that a page left behind, as plans of today; nothing where there is none. */
  async find(variant: string): Promise<Kept | undefined> {
    try {
      await this.last;
      const { entries } = await import('idb-keyval');
      const alive = await pagesAlive();
      const left = (await entries<string, Stored>())
        .filter(([key]) => key.startsWith(`${PREFIX}${variant} `) && this.isLeft(key, alive))
        .sort(([, a], [, b]) => b.at.localeCompare(a.at));
      return left[0] && { key: left[0][0], work: upToDate(left[0][1]) };
    } catch {
      // A browser that keeps nothing has nothing to offer.
      return undefined;
    }
  }

  /** Its page is no more, or went on to something else. */
  private isLeft(key: string, alive: ReadonlySet<string>): boolean {
    if (key.endsWith(`${this.opening} ${this.page}`)) return false;
    const page = key.slice(-this.page.length);
    return page === this.page || !alive.has(page);
  }

  /** It was taken back or thrown away. */
  async settle(key: string): Promise<void> {
    // What takes its place is written first.
    await this.last;
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

async function write(key: string, work: Stored): Promise<void> {
  await (await import('idb-keyval')).set(key, work);
}

function upToDate({ version = UNNOTED, ...work }: Stored): Unsaved {
  const of = (plan: Plan): Plan => planFromStore(version, plan).plan;
  return { ...work, base: of(work.base), plan: of(work.plan) };
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
