import { Injectable, signal, type WritableSignal } from '@angular/core';

/** What has the builder's attention: a field with focus, a figure being explained, an open drawer. */
@Injectable({ providedIn: 'root' })
export class SelectionService {
  /** Quantity whose field has focus; its place in the drawing lights up. */
  readonly focused = signal('');
  /** Thing that was picked in a drawing or a list: it lights up wherever it is drawn. */
  readonly picked = signal('');
  /** Figure whose working is open. */
  readonly explained = signal('');
  readonly checksOpen = signal(false);
  /** Place whose field is asked to take focus, until one does. */
  readonly wanted = signal('');

  readonly keysOpen = signal(false);
  /** What had focus when a drawer was opened: it gets it back. */
  private opener: HTMLElement | SVGElement | undefined;

  explain(figureId: string): void {
    this.note();
    this.checksOpen.set(false);
    this.keysOpen.set(false);
    this.explained.set(figureId);
  }

  closeDrawers(): void {
    if (!this.anyOpen()) return;
    this.explained.set('');
    this.checksOpen.set(false);
    this.keysOpen.set(false);
    if (this.opener?.isConnected) this.opener.focus();
    this.opener = undefined;
  }

  toggleChecks(): void {
    this.toggle(this.checksOpen);
  }

  toggleKeys(): void {
    this.toggle(this.keysOpen);
  }

  private toggle(drawer: WritableSignal<boolean>): void {
    if (drawer()) {
      this.closeDrawers();
      return;
    }
    this.note();
    for (const other of [this.checksOpen, this.keysOpen]) other.set(other === drawer);
    this.explained.set('');
  }

  private anyOpen(): boolean {
    return this.checksOpen() || this.keysOpen() || this.explained() !== '';
  }

  private note(): void {
    const { activeElement } = document;
    const can = activeElement instanceof HTMLElement || activeElement instanceof SVGElement;
    if (!this.anyOpen() && can) this.opener = activeElement;
  }

  /**
   * Whether this place is the one that was asked for. It is asked for once: whoever takes it has to go there, and nobody
   * goes there again who is only drawn anew.
   */
  take(place: string): boolean {
    if (this.wanted() !== place) return false;
    this.wanted.set('');
    return true;
  }

  /** Asks the field of a quantity to take focus. */
  goTo(quantityId: string): void {
    this.wanted.set('');
    this.wanted.set(quantityId);
  }
}
