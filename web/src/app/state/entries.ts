import { type Signal, signal, type WritableSignal } from '@angular/core';

/** A signal for each entry of a record: what shows one entry is left alone while another changes. */
export class Entries<T> {
  private readonly each = new Map<string, WritableSignal<T | undefined>>();
  private all: Readonly<Record<string, T>> = {};

  /** The entry of an id; undefined while there is none. */
  at(id: string): Signal<T | undefined> {
    const known = this.each.get(id);
    if (known) return known;
    const made = signal(this.all[id]);
    this.each.set(id, made);
    return made;
  }

  /** Takes another record over. */
  take(all: Readonly<Record<string, T>>): void {
    this.all = all;
    for (const [id, entry] of this.each) entry.set(all[id]);
  }
}
