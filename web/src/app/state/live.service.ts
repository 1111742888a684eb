import { effect, inject, Injectable, signal, untracked } from '@angular/core';
import { PersonService } from './person.service';
import { PlanStore } from './plan-store';

/** Where the stream of others' changes stands. */
type LiveState = 'off' | 'live' | 'lost' | 'away';

/** Pause before a stream that was refused is tried again, ms. */
const RETRY_MS = 1500;

/**
 * What others do to the open plan, as it happens: new revisions are taken over at once, and who has the plan
 * open is known. A lost stream is made again by itself; the server then tells where the plan stands, so that
 * nothing is missed.
 */
@Injectable({ providedIn: 'root' })
export class LiveService {
  private readonly store = inject(PlanStore);
  private readonly person = inject(PersonService);
  private source: EventSource | undefined;
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
        if (!this.source || this.saidAs === name) return;
        this.source.close();
        this.connect();
      });
    });
  }

  /** Follows a variant until another is followed or the page is left. */
  follow(variant: string): void {
    if (this.variant === variant && this.source) return;
    this.leave();
    this.variant = variant;
    this.connect();
  }

  leave(): void {
    this.source?.close();
    this.source = undefined;
    this.variant = '';
    this.people.set([]);
    this.pages.set(0);
    this.state.set('off');
  }

  private connect(): void {
    // A page of its own each time: that the stream before it ended may be noticed after this one begins.
    this.saidAs = this.person.name();
    const query = new URLSearchParams({ who: this.saidAs, page: crypto.randomUUID() });
    const source = new EventSource(`/api/variants/${this.variant}/live?${query.toString()}`);
    this.source = source;
    source.onopen = () => {
      this.state.set('live');
    };
    source.onerror = () => {
      if (this.source !== source) return;
      this.state.set('lost');
      // The browser comes back by itself, except where the answer was a refusal.
      if (source.readyState === EventSource.CLOSED)
        setTimeout(() => {
          if (this.source === source) this.connect();
        }, RETRY_MS);
    };
    source.addEventListener('revision', ({ data }: MessageEvent<string>) => {
      void this.store.catchUp((JSON.parse(data) as { revision: number }).revision);
    });
    source.addEventListener('people', ({ data }: MessageEvent<string>) => {
      const { people, count = people.length } = JSON.parse(data) as { people: string[]; count?: number };
      this.people.set(people);
      this.pages.set(count);
    });
    // Everything was put back from a backup: nothing that is shown here need be true any more.
    source.addEventListener('restored', () => {
      location.reload();
    });
    source.addEventListener('away', () => {
      this.state.set('away');
    });
    source.addEventListener('back', () => {
      this.state.set('live');
    });
  }
}
