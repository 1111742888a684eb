import { Injectable, signal } from '@angular/core';

/** What has the builder's attention: a field with focus, a figure being explained, an open drawer. */
@Injectable({ providedIn: 'root' })
export class SelectionService {
  /** Quantity whose field has focus; its place in the drawing lights up. */
  readonly focused = signal('');
  /** Figure whose working is open. */
  readonly explained = signal('');
  readonly checksOpen = signal(false);
  /** Quantity whose field is asked to take focus. */
  readonly wanted = signal('');

  explain(figureId: string): void {
    this.checksOpen.set(false);
    this.explained.set(figureId);
  }

  closeDrawers(): void {
    this.explained.set('');
    this.checksOpen.set(false);
  }

  toggleChecks(): void {
    this.explained.set('');
    this.checksOpen.update((open) => !open);
  }

  /** Asks the field of a quantity to take focus. */
  goTo(quantityId: string): void {
    this.wanted.set('');
    this.wanted.set(quantityId);
  }
}
