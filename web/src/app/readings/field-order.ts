import { Injectable } from '@angular/core';

/** A field that the key for the next one goes to. */
export interface OrderedField {
  readonly element: HTMLElement;
  focus(): void;
}

/** The fields of readings that are on the page, in the order in which they stand. */
@Injectable({ providedIn: 'root' })
export class FieldOrder {
  private readonly fields = new Set<OrderedField>();

  /** Takes a field in; gives what takes it out again. */
  join(field: OrderedField): () => void {
    this.fields.add(field);
    return () => this.fields.delete(field);
  }

  /** Gives focus to the next field, or to the one before; at either end it stays. */
  go(from: OrderedField, back: boolean): void {
    const inOrder = [...this.fields].sort((a, b) => (follows(a.element, b.element) ? -1 : 1));
    const at = inOrder.indexOf(from);
    if (at >= 0) inOrder[at + (back ? -1 : 1)]?.focus();
  }
}

const follows = (a: HTMLElement, b: HTMLElement): boolean =>
  (a.compareDocumentPosition(b) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0;
