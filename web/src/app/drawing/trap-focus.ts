import { afterNextRender, DestroyRef, Directive, ElementRef, inject } from '@angular/core';
import { createFocusTrap } from 'focus-trap';

/** Keeps focus within an element while it is there, and gives it back to where it came from. */
@Directive({ selector: '[ixTrapFocus]' })
export class TrapFocus {
  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const trap = createFocusTrap(host, {
      // Escape and clicks beside it are the element’s own to answer.
      escapeDeactivates: false,
      allowOutsideClick: true,
      fallbackFocus: host,
      tabbableOptions: { displayCheck: 'none' },
    });
    afterNextRender(() => {
      trap.activate();
    });
    inject(DestroyRef).onDestroy(() => {
      trap.deactivate();
    });
  }
}
