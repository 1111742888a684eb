import { DOCUMENT } from '@angular/common';
import { inject, Injectable } from '@angular/core';

/** What can be pressed. */
const PRESSED = 'button, a[href], label, summary, input[type="radio"], input[type="checkbox"], [role="button"]';
/** A hand that moves no farther than this while it presses held still, px. */
const STILL_PX = 4;

interface Press {
  readonly control: HTMLElement;
  readonly at: MouseEvent;
  /** Where it stood when it was pressed. */
  readonly from: DOMRect;
}

/**
 * Keeps a press: what was pressed may move away under a hand that holds still, because something came in above or beside
 * it. The browser then gives the click to what both places have around them, and nothing happens. Here it goes to what was
 * pressed. A hand that slides off has thought better of it, and nothing is done.
 */
@Injectable({ providedIn: 'root' })
export class PressKeeper {
  private readonly page = inject(DOCUMENT);
  private press: Press | undefined;

  /** Begins to watch; gives what ends it. */
  watch(): () => void {
    const down = (event: PointerEvent) => {
      const control = event.target instanceof Element ? event.target.closest<HTMLElement>(PRESSED) : null;
      this.press =
        control && event.button === 0
          ? { control, at: event, from: control.getBoundingClientRect() }
          : undefined;
    };
    const cancel = () => {
      this.press = undefined;
    };
    const click = (event: MouseEvent) => {
      const { press } = this;
      this.press = undefined;
      if (!press || !slippedAway(press, event)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      press.control.click();
    };
    this.page.addEventListener('pointerdown', down, true);
    this.page.addEventListener('pointercancel', cancel, true);
    this.page.addEventListener('click', click, true);
    return () => {
      this.page.removeEventListener('pointerdown', down, true);
      this.page.removeEventListener('pointercancel', cancel, true);
      this.page.removeEventListener('click', click, true);
    };
  }
}

/** It moved, not the hand, and the click went elsewhere. */
function slippedAway({ control, at, from }: Press, click: MouseEvent): boolean {
  if (!control.isConnected || control.contains(click.target as Node)) return false;
  const now = control.getBoundingClientRect();
  const moved = now.x !== from.x || now.y !== from.y;
  return moved && Math.hypot(click.clientX - at.clientX, click.clientY - at.clientY) <= STILL_PX;
}
