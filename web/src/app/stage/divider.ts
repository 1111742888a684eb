import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  inject,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import { remember, remembered } from '../state/memory';

/** Least share of the desk that either part keeps, and what a key moves, %. */
const LEAST = 15;
const STEP = 5;

/** What a drawing’s share of the desk was set to, %; nothing where it was never set. */
export function shareOf(place: string): number | undefined {
  const kept = Number(remembered(`share.${place}`));
  return kept >= LEAST && kept <= 100 - LEAST ? kept : undefined;
}

/** Between drawing and results: dragged or moved by keys it sets their share of the desk, which is remembered. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-divider',
  template: '<i aria-hidden="true"></i>',
  styles: `
    :host {
      display: flex;
      flex: none;
      align-items: center;
      justify-content: center;
      height: 10px;
      cursor: row-resize;
      touch-action: none;
    }
    i {
      width: 44px;
      height: 4px;
      border-radius: 2px;
      background: var(--edge);
    }
    :host:hover i,
    :host:focus-visible i {
      background: var(--dye);
    }
    :host:focus-visible {
      outline: 2px solid var(--dye);
      outline-offset: -1px;
    }
  `,
  host: {
    role: 'separator',
    tabindex: '0',
    'aria-orientation': 'horizontal',
    'aria-label': 'Drawing’s share of the desk',
    '[attr.aria-valuenow]': 'now()',
    'aria-valuemin': '15',
    'aria-valuemax': '85',
    '(pointerdown)': 'start($event)',
    '(pointermove)': 'drag($event)',
    '(pointerup)': 'dragging = false',
    '(pointercancel)': 'dragging = false',
    '(dblclick)': 'reset()',
    '(keydown)': 'key($event)',
  },
})
export class Divider {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  /** What the share is remembered for. */
  readonly place = input.required<string>();
  readonly share = input<number | undefined>();
  readonly moved = output<number | undefined>();
  protected dragging = false;
  protected readonly now = linkedSignal(() => Math.round(this.share() ?? 50));

  protected start(event: PointerEvent): void {
    event.preventDefault();
    this.host.nativeElement.setPointerCapture(event.pointerId);
    this.host.nativeElement.focus();
    this.dragging = true;
  }

  protected drag(event: PointerEvent): void {
    if (!this.dragging) return;
    const { top, height } = this.room();
    this.set((100 * (event.clientY - top)) / height);
  }

  protected key(event: KeyboardEvent): void {
    const to: Readonly<Record<string, number>> = {
      ArrowUp: this.measured() - STEP,
      ArrowDown: this.measured() + STEP,
      Home: LEAST,
      End: 100 - LEAST,
    };
    const share = Object.hasOwn(to, event.key) ? to[event.key] : undefined;
    if (share === undefined) return;
    event.preventDefault();
    this.set(share);
  }

  /** As high as the results leave it. */
  protected reset(): void {
    remember(`share.${this.place()}`, '');
    this.moved.emit(undefined);
  }

  private set(percent: number): void {
    const share = Math.round(Math.min(100 - LEAST, Math.max(LEAST, percent)));
    remember(`share.${this.place()}`, String(share));
    this.now.set(share);
    this.moved.emit(share);
  }

  /** Where the drawing’s lower edge stands now, %. */
  private measured(): number {
    const { top, height } = this.room();
    return (100 * (this.host.nativeElement.getBoundingClientRect().top - top)) / Math.max(1, height);
  }

  private room(): DOMRect {
    return (this.host.nativeElement.parentElement ?? this.host.nativeElement).getBoundingClientRect();
  }
}
