import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import {
  stance,
  cellAt,
  factText,
  findQuantity,
  fitLimit,
  fitMargin,
  quantityInSentence,
  roomKindOf,
  showValue,
  type CentreRange,
  type FitGrid,
  type FitMap,
  type Sided,
} from '@intervex/core';
import { contours } from 'd3-contour';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { Cancelled, HeavyService } from '../../work/heavy.service';
import { gridRound, HEIGHT, INNER, leaves, PAD, pixelOf, spotAt, ticksOf, WIDTH, type Spot } from './fit-axes';

/** A wheel as a point of the map: its offset on the axle as it is. */
export interface StockPoint {
  readonly id: string;
  readonly et: number;
  readonly clears: boolean;
  readonly name: string;
}

/** Lines of equal margin, mm; from 0 on the wheel clears. */
const LEVELS = [0, 2, 4, 6, 8, 12, 16] as const;
/** Margins where nothing is in the way are drawn as this, mm. */
const OPEN = 999;
/**
 * Where a wheel clears: axle half-width across, wheel offset up, the region that clears with its margins as lines,
 * stock wheels as points. Hovering says what limits; a click takes the place.
 */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-fit-map',
  template: `
    <svg
      #svg
      [attr.viewBox]="'0 0 ' + width + ' ' + height"
      role="application"
      tabindex="0"
      [attr.aria-label]="'Fit map. ' + says() + ' Arrow keys move, Enter takes the place.'"
      (pointermove)="hover($event)"
      (pointerleave)="spot.set(undefined)"
      (click)="take()"
      (keydown)="key($event)"
    >
      <rect
        [attr.x]="pad.left"
        [attr.y]="pad.top"
        [attr.width]="inner.w"
        [attr.height]="inner.h"
        class="none"
      />
      @for (c of lines(); track c.level) {
        <path [attr.d]="c.path" [class]="c.level === 0 ? 'clears' : 'line'" [style.fill-opacity]="c.opacity" />
      }
      @for (t of ticks(); track t.key) {
        <path [attr.d]="t.path" class="grid" />
        <text [attr.x]="t.x" [attr.y]="t.y" [attr.text-anchor]="t.anchor">{{ t.text }}</text>
      }
      <text [attr.x]="pad.left + inner.w / 2" [attr.y]="height - 6" text-anchor="middle" class="axis">
        half of the WMS width
      </text>
      <text
        class="axis"
        text-anchor="middle"
        [attr.transform]="'translate(12 ' + (pad.top + inner.h / 2) + ') rotate(-90)'"
      >
        wheel offset (ET), mm
      </text>
      @for (p of stocked(); track p.id) {
        <path [attr.d]="p.path" [class]="p.clears ? 'stock clear' : 'stock'">
          <title>{{ p.name }}</title>
        </path>
      }
      <g class="now" [attr.transform]="'translate(' + nowAt().x + ' ' + nowAt().y + ')'">
        <path d="M-9 0H9M0 -9V9" />
        <circle r="5" />
      </g>
      @if (spotAt(); as s) {
        <circle class="spot" [attr.cx]="s.x" [attr.cy]="s.y" r="5" />
      }
    </svg>
    <p class="key second">
      {{
        proven()
          ? 'Blue clears on both sides'
          : 'Blue clears what was read on the car; not all of it was, so nothing is proven'
      }}; its lines stand {{ levels() }} to spare. Diamonds are stock wheels.
    </p>
    <p class="says" role="status">
      {{ working() ? 'Working out the map …' : says() }}
      @if (working()) {
        <button type="button" class="plain link" (click)="heavy.cancel()">Stop</button>
      }
    </p>
    @if (trouble(); as why) {
      <p class="says second" role="alert">{{ why }}</p>
    }
  `,
  styleUrl: './fit-map.scss',
})
export class FitMapChart {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly heavy = inject(HeavyService);
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');

  protected readonly proven = computed(() => this.store.results().of(stance).proven);
  readonly ranges = input.required<Sided<CentreRange>>();
  readonly half = input.required<number>();
  readonly et = input.required<number>();
  readonly offCentre = input(0);
  readonly stock = input<readonly StockPoint[]>([]);
  readonly taken = output<Spot>();

  protected readonly levels = computed(() => LEVELS.map((mm) => this.units.tape(mm)).join(', '));
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly pad = PAD;
  protected readonly inner = INNER;
  protected readonly spot = signal<Spot | undefined>(undefined);
  private readonly map = signal<{ readonly map: FitMap; readonly grid: FitGrid } | undefined>(undefined);
  protected readonly working = signal(false);
  protected readonly trouble = signal('');

  /** The map stays where it is while the wheel moves within it, so that what is under the mouse does not run away. */
  private readonly middle = signal<Spot | undefined>(undefined);
  private readonly grid = computed(() => gridRound(this.middle() ?? { half: this.half(), et: this.et() }));

  constructor() {
    effect(() => {
      const [wheel, middle] = [{ half: this.half(), et: this.et() }, this.middle()];
      if (!middle || leaves(wheel, middle)) this.middle.set(wheel);
    });
    effect(() => {
      void this.workOut(this.ranges(), this.grid(), this.offCentre());
    });
  }

  private asked = 0;
  private async workOut(ranges: Sided<CentreRange>, grid: FitGrid, offCentre: number): Promise<void> {
    const mine = (this.asked += 1);
    this.working.set(true);
    this.trouble.set('');
    try {
      const map = await this.heavy.fitMap(ranges, grid, offCentre);
      if (mine === this.asked) this.map.set({ map, grid });
    } catch (error) {
      if (mine === this.asked)
        this.trouble.set(
          error instanceof Cancelled
            ? 'The map was stopped; it is drawn again with the next change.'
            : String(error),
        );
    } finally {
      if (mine === this.asked) this.working.set(false);
    }
  }

  protected readonly lines = computed(() => {
    const known = this.map();
    if (!known) return [];
    const { map, grid } = known;
    const values = Array.from(map.margins, (m) => Math.min(m, OPEN));
    return contours()
      .size([map.columns, map.rows])
      .thresholds([...LEVELS])(values)
      .map((shape, i) => ({
        level: shape.value,
        opacity: i === 0 ? 0.16 : 0.1,
        path: shape.coordinates
          .flat()
          .map((ring) => `M${ring.map(([c, r]) => this.cell(grid, c ?? 0, r ?? 0)).join('L')}Z`)
          .join(''),
      }));
  });

  /** A place between cells in pixels. */
  private cell(grid: FitGrid, column: number, row: number): string {
    const { x, y } = pixelOf(this.grid(), {
      half: cellAt(grid.half, column - 0.5),
      et: cellAt(grid.et, row - 0.5),
    });
    return `${x.toFixed(1)} ${y.toFixed(1)}`;
  }

  protected readonly nowAt = computed(() => pixelOf(this.grid(), { half: this.half(), et: this.et() }));
  protected readonly spotAt = computed(() => {
    const spot = this.spot();
    return spot && pixelOf(this.grid(), spot);
  });
  protected readonly stocked = computed(() => {
    const { et } = this.grid();
    return this.stock()
      .filter((p) => p.et > et.from && p.et < et.to)
      .map((p) => {
        const { x, y } = pixelOf(this.grid(), { half: this.half(), et: p.et });
        return { ...p, path: `M${x} ${y - 6}l6 6l-6 6l-6 -6z` };
      });
  });
  protected readonly ticks = computed(() => {
    const digits = this.units.unit() === 'mm' ? 0 : 2;
    return ticksOf(this.grid(), (mm) => this.units.bare(mm, digits));
  });

  /** What the place under the mouse, or the wheel’s own, is like. */
  protected readonly says = computed(() => {
    const { half, et } = this.spot() ?? { half: this.half(), et: this.et() };
    const margin = fitMargin(this.ranges(), half - et, this.offCentre());
    const limit = fitLimit(this.ranges(), half - et, this.offCentre());
    const where = `Half ${this.units.show(half, 'mm')}, ET ${showValue(et, 'mm')}: `;
    if (!limit || !Number.isFinite(margin)) return `${where}nothing is in the way.`;
    const size = this.units.show(Math.abs(margin), 'mm');
    return `${where}${margin >= 0 ? `${size} to spare` : `${size} short`}; limited by ${this.thing(limit.by)}.`;
  });

  private thing(id: string): string {
    const q = findQuantity(id);
    if (!q) return id;
    const facts = this.store.plan().facts;
    const about = roomKindOf(id);
    const fact = about && facts[about];
    const kind = about && fact ? `${factText(about, fact.value)}, ` : '';
    return `${kind}${quantityInSentence(q)}`;
  }

  protected hover(event: PointerEvent): void {
    const box = this.svg().nativeElement.getBoundingClientRect();
    if (box.width === 0) return;
    const x = ((event.clientX - box.left) / box.width) * WIDTH;
    const y = ((event.clientY - box.top) / box.height) * HEIGHT;
    this.spot.set(spotAt(this.grid(), x, y));
  }

  protected key(event: KeyboardEvent): void {
    const step = event.shiftKey ? 5 : 0.5;
    const moves: Readonly<Record<string, Spot>> = {
      ArrowRight: { half: step, et: 0 },
      ArrowLeft: { half: -step, et: 0 },
      ArrowUp: { half: 0, et: step },
      ArrowDown: { half: 0, et: -step },
    };
    const move = moves[event.key];
    if (move) {
      const at = this.spot() ?? { half: this.half(), et: this.et() };
      this.spot.set({ half: at.half + move.half, et: at.et + move.et });
      event.preventDefault();
    } else if (event.key === 'Enter') this.take();
    else if (event.key === 'Escape') this.spot.set(undefined);
  }

  protected take(): void {
    const spot = this.spot();
    if (spot) this.taken.emit(spot);
  }
}
