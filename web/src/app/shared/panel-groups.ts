import { computed, Injectable, signal } from '@angular/core';

/** A group of a panel, to be gone to. */
interface GroupEntry {
  readonly name: () => string;
  readonly element: HTMLElement;
  readonly open: () => void;
}

/** The groups of a panel, in the order in which they stand. Provided by the panel. */
@Injectable()
export class PanelGroups {
  private readonly entries = signal<readonly GroupEntry[]>([]);
  private readonly moved = signal(0);
  readonly list = computed(() => {
    this.moved();
    return [...this.entries()]
      .sort((a, b) => (follows(a.element, b.element) ? -1 : 1))
      .map((entry) => ({ name: entry.name(), entry }));
  });

  /** Told that groups stand in another order. */
  reorder(): void {
    this.moved.update((n) => n + 1);
  }

  /** Takes a group in; gives what takes it out again. */
  join(entry: GroupEntry): () => void {
    this.entries.update((all) => [...all, entry]);
    return () => {
      this.entries.update((all) => all.filter((one) => one !== entry));
    };
  }

  go({ element, open }: GroupEntry): void {
    open();
    element.scrollIntoView({ block: 'start' });
    element.querySelector<HTMLElement>('h2 button')?.focus({ preventScroll: true });
  }
}

const follows = (a: HTMLElement, b: HTMLElement): boolean =>
  (a.compareDocumentPosition(b) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0;
