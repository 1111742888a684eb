import { signal } from '@angular/core';
import type { Results } from '@intervex/core';

/** A pause in typing after which the running strip starts to count anew, ms. */
const PAUSE_MS = 6000;

/** What the running strip said before the present run of edits. */
export class StripMemory {
  /** Values by the strip item’s id. */
  readonly before = signal<Readonly<Record<string, number>>>({});
  private last = { place: '', at: 0 };

  /** Told before each edit: a new place, or a pause, starts a new comparison. */
  note(place: string, strip: Results['strip']): void {
    const now = Date.now();
    if (place !== this.last.place || now - this.last.at > PAUSE_MS) {
      const values = strip.flatMap((s) => (s.figure ? [[s.id, s.figure.value] as const] : []));
      this.before.set(Object.fromEntries(values));
    }
    this.last = { place, at: now };
  }
}
