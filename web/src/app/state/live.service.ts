import { effect, inject, Injectable, signal, untracked } from '@angular/core';
import type { Heard } from './one-stream';
import { OneStreamService } from './one-stream.service';
import { PersonService } from './person.service';
import { PlanStore } from './plan-store';

/** Where the stream of others' changes stands. */
type LiveState = 'off' | 'live' | 'lost' | 'away' | 'gone';

/** Pause before what was refused is asked for again, ms. */
const RETRY_MS = 3000;
/** The same of a plan that was removed, ms. */
const GONE_RETRY_MS = 15_000;

/**
 * What others do to the open plan, as it happens: new revisions are taken over at once, and who has the plan
 * open is known. A lost stream is made again by itself; the server then tells where the plan stands, so that
 * nothing is missed.
 */
@Injectable({ providedIn: 'root' })
export class LiveService {
  private readonly store = inject(PlanStore);
  private readonly person = inject(PersonService);
  private readonly stream = inject(OneStreamService);
  private stop: (() => void) | undefined;
  private again: ReturnType<typeof setTimeout> | undefined;
  private variant = '';
  /** The name the others know this page by. */
  private saidAs = '';

  readonly state = signal<LiveState>('off');
  /** Names of those who have this plan open, this page among them. */
  readonly people = signal<readonly string[]>([]);
  /** How many pages those are; there may be more than names. */
  readonly pages = signal(0);

  constructor() {
    // Another name at this page is told to the others.
    effect(() => {
      const name = this.person.name();
      untracked(() => {
        if (!this.stop || this.saidAs === name) return;
        this.stop();
        this.connect();
      });
    });
  }

  /** Follows a variant until another is followed or the page is left. */
  follow(variant: string): void {
    if (this.variant === variant && this.stop) return;
    this.leave();
    this.variant = variant;
    this.connect();
  }

  leave(): void {
    clearTimeout(this.again);
    this.stop?.();
    this.stop = undefined;
    this.variant = '';
    this.people.set([]);
    this.pages.set(0);
    this.state.set('off');
  }

  /** It is asked for again; what is no more seldom, for somebody may bring it back. */
  private refused({ error }: Heard['data']): void {
    const gone = error === 'notFound';
    this.state.set(gone ? 'gone' : 'lost');
    if (gone) void this.store.lookAgain();
    this.again = setTimeout(
      () => {
        this.stop?.();
        this.connect();
      },
      gone ? GONE_RETRY_MS : RETRY_MS,
    );
  }

  private connect(): void {
    this.saidAs = this.person.name();
    this.stop = this.stream.listen({ variant: this.variant, who: this.saidAs }, ({ event, data }) => {
      switch (event) {
        case 'opened':
        case 'back':
          this.state.set('live');
          if (this.store.removed()) void this.store.lookAgain();
          return;
        case 'listed':
          void this.store.lookAgain();
          return;
        case 'dropped':
          this.state.set('lost');
          return;
        case 'refused':
          this.refused(data);
          return;
        case 'away':
          this.state.set('away');
          return;
        case 'revision':
          void this.store.catchUp(Number(data['revision']));
          return;
        case 'people': {
          const { people, count = people.length } = data as unknown as { people: string[]; count?: number };
          this.people.set(people);
          this.pages.set(count);
          return;
        }
        case 'restored':
          // Everything was put back from a backup: nothing that is shown here need be true any more.
          location.reload();
      }
    });
  }
}
