import { Directive, effect, ElementRef, inject, Injector, input } from '@angular/core';
import type { PlaceId } from '@intervex/core';
import { SelectionService } from '../state/selection.service';
import { comeTo } from './come-to';

/**
 * A place of the plan that is no reading and no fact: what asks for it comes here.
 *
 * @example <mat-chip-listbox ixPlace="brief.tools">
 */
@Directive({ selector: '[ixPlace]' })
export class PlaceOf {
  readonly place = input.required<PlaceId>({ alias: 'ixPlace' });

  constructor() {
    const selection = inject(SelectionService);
    const { nativeElement } = inject<ElementRef<HTMLElement>>(ElementRef);
    const injector = inject(Injector);
    effect(() => {
      if (selection.take(this.place())) comeTo(nativeElement, injector);
    });
  }
}
