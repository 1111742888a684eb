import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output } from '@angular/core';
import type { Contact } from '@intervex/core';

const WIDE = 240;
const TALL = 120;
/** The flank within the picture, px: it narrows toward the toe. */
const FLANK = { heel: 14, toe: 226, face: 16, root: 104, slant: 14 };
const STEP = 0.05;

/** A tooth’s flank with its contact, which is dragged to where it was seen. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-flank',
  template: `
    <figure>
      <figcaption>{{ name() }}</figcaption>
      <svg
        [attr.viewBox]="'0 0 ' + wide + ' ' + tall"
        role="img"
        [attr.aria-label]="name() + ' flank, contact ' + words()"
        [class.still]="still()"
        (pointerdown)="start($event)"
        (pointermove)="drag($event)"
      >
        <clipPath [attr.id]="'flank-' + name()"><polygon points="14,16 226,30 226,90 14,104" /></clipPath>
        <polygon class="flank" points="14,16 226,30 226,90 14,104" />
        <line class="middle" x1="120" y1="23" x2="120" y2="97" />
        <line class="middle" x1="14" y1="60" x2="226" y2="60" />
        <ellipse
          [attr.clip-path]="'url(#flank-' + name() + ')'"
          [attr.cx]="x()"
          [attr.cy]="y()"
          rx="46"
          ry="17"
        />
        <text x="20" y="113">heel</text>
        <text x="220" y="113" text-anchor="end">toe</text>
        <text x="120" y="13" text-anchor="middle">face</text>
        <text x="120" y="113" text-anchor="middle">root</text>
      </svg>
      @if (!still()) {
        <label>
          <span>heel – toe</span>
          <input
            type="range"
            min="-1"
            max="1"
            [step]="step"
            [value]="contact().along"
            [attr.aria-label]="name() + ', heel to toe'"
            (input)="put(+$any($event.target).value, contact().across)"
          />
        </label>
        <label>
          <span>face – root</span>
          <input
            type="range"
            min="-1"
            max="1"
            [step]="step"
            [value]="contact().across"
            [attr.aria-label]="name() + ', face to root'"
            (input)="put(contact().along, +$any($event.target).value)"
          />
        </label>
      }
    </figure>
  `,
  styles: `
    figure {
      width: 240px;
      margin: 0;
    }
    figcaption {
      color: var(--ink-2);
      font-size: 12.5px;
    }
    svg {
      display: block;
      width: 240px;
      height: 120px;
      cursor: crosshair;
      touch-action: none;
    }
    svg.still {
      cursor: default;
      touch-action: auto;
    }
    .flank {
      fill: var(--metal);
      stroke: var(--ink);
    }
    .middle {
      stroke: var(--ink-2);
      stroke-dasharray: 4 4;
      stroke-width: 0.7;
    }
    ellipse {
      fill: var(--dye-tint);
      stroke: var(--dye);
      stroke-width: 2;
    }
    text {
      fill: var(--ink-2);
      font-size: 11px;
    }
    label {
      display: grid;
      grid-template-columns: 74px 1fr;
      gap: 6px;
      align-items: center;
      font-size: 12px;
    }
    input {
      min-width: 0;
      height: 24px;
      accent-color: var(--dye);
    }
  `,
})
export class Flank {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly wide = WIDE;
  protected readonly tall = TALL;
  protected readonly step = STEP;
  readonly name = input.required<string>();
  readonly contact = input.required<Contact>();
  /** It is only looked at. */
  readonly still = input(false);
  readonly moved = output<Contact>();
  protected readonly x = computed(() => place(this.contact().along, FLANK.heel, FLANK.toe));
  protected readonly y = computed(() => place(this.contact().across, FLANK.face, FLANK.root));
  protected readonly words = computed(() => {
    const { along, across } = this.contact();
    return `${side(across, 'root', 'face')}, ${side(along, 'toe', 'heel')}`;
  });

  protected start(event: PointerEvent): void {
    if (this.still()) return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.to(event);
  }

  protected drag(event: PointerEvent): void {
    if (event.buttons && !this.still()) this.to(event);
  }

  protected put(along: number, across: number): void {
    this.moved.emit({ along, across });
  }

  private to(event: PointerEvent): void {
    const box = this.host.nativeElement.querySelector('svg')?.getBoundingClientRect();
    if (!box || box.width === 0) return;
    this.put(
      share(((event.clientX - box.left) / box.width) * WIDE, FLANK.heel, FLANK.toe),
      share(((event.clientY - box.top) / box.height) * TALL, FLANK.face, FLANK.root),
    );
  }
}

/** Where a share from −1 to 1 lies between two ends, px; and back, in steps. */
const place = (at: number, from: number, to: number): number => (from + to) / 2 + (at * (to - from)) / 2;
const share = (px: number, from: number, to: number): number => {
  const at = (2 * px - from - to) / (to - from);
  return Math.round(Math.min(1, Math.max(-1, at)) / STEP) * STEP;
};
const side = (at: number, plus: string, minus: string): string =>
  Math.abs(at) < 0.15
    ? 'in the middle'
    : `${Math.abs(at) < 0.5 ? 'toward' : 'at'} the ${at > 0 ? plus : minus}`;
