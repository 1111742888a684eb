import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { square, CLOCKS, PHASE_NAMES, sideName, type Side } from '@intervex/core';
import { PlanStore } from '../../state/plan-store';
import { SelectionService } from '../../state/selection.service';
import { UnitsService } from '../../state/units.service';

const CENTRE = 150;
const RING = 84;
/** Largest arrow, px, and the tilt that gives it, rad. */
const MOST_PX = 78;
const FULL_TILT = 0.0061;

/**
 * One end face as seen from outside the car: the readings round it and an arrow to the place that stands
 * farthest out. On the left side the front of the car is at the left, on the right side at the right.
 */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-end-face',
  template: `
    <h2>
      {{ title() }}
      <small class="second">{{ phase() }}</small>
    </h2>
    <svg viewBox="0 0 300 300" role="img" [attr.aria-label]="text()">
      <circle cx="150" cy="150" r="60" class="tube" />
      <circle cx="150" cy="150" [attr.r]="ring" class="face" />
      <path d="M150 60V240M60 150H240" class="axes" />
      @for (s of stations(); track s.id) {
        <g [class.lit]="s.lit">
          <circle [attr.cx]="s.x" [attr.cy]="s.y" r="3.5" class="spot" />
          <text [attr.x]="s.tx" [attr.y]="s.ty" text-anchor="middle">{{ s.text }}</text>
          <text [attr.x]="s.tx" [attr.y]="s.ty + 13" text-anchor="middle" class="word">{{ s.word }}</text>
        </g>
      }
      @if (arrow(); as a) {
        <line x1="150" y1="150" [attr.x2]="a.x" [attr.y2]="a.y" class="arrow" />
        <circle [attr.cx]="a.x" [attr.cy]="a.y" r="5" class="tip" />
      }
    </svg>
    <p class="second">{{ text() }}</p>
  `,
  styles: `
    :host {
      padding: 10px 14px;
      border: 1px solid var(--rule);
      background: var(--sheet);
    }
    h2 {
      font-size: 15px;
    }
    svg {
      display: block;
      width: 100%;
      max-height: 312px;
    }
    circle,
    path,
    line {
      fill: none;
      stroke: var(--ink);
    }
    .tube {
      fill: var(--metal);
    }
    .axes {
      stroke: var(--ink-2);
      stroke-dasharray: 10 3 2 3;
    }
    .spot {
      fill: var(--dye);
      stroke: none;
    }
    .arrow {
      stroke: var(--amber);
      stroke-width: 3;
    }
    .tip {
      fill: var(--amber);
      stroke: none;
    }
    text {
      fill: var(--ink);
      font-family: var(--figures);
      font-variant-numeric: tabular-nums;
      font-size: 12px;
    }
    .word {
      fill: var(--ink-2);
      font-family: var(--words);
    }
    .lit text {
      fill: var(--dye);
      font-weight: 700;
    }
    p {
      margin: 4px 0 0;
      font-size: 13px;
    }
  `,
})
export class EndFace {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly selection = inject(SelectionService);
  readonly side = input.required<Side>();
  protected readonly ring = RING;

  private readonly face = computed(() => {
    const { latest, sets } = this.store.results().of(square);
    return latest[this.side()] ?? sets[this.side()].before;
  });
  protected readonly title = computed(() => `${sideName(this.side())} end face`);
  protected readonly phase = computed(() => {
    const face = this.face();
    return face ? `${PHASE_NAMES[face.phase].toLowerCase()}, in ${this.units.suffix()}` : 'not read yet';
  });
  protected readonly stations = computed(() => {
    const face = this.face();
    if (!face) return [];
    const known = this.store.results().known;
    return CLOCKS.flatMap((clock) => {
      const id = `square.${this.side()}.${face.phase}.${clock.id}`;
      const figure = known.get(id)?.figure;
      if (!figure) return [];
      const [dx, dy] = this.toward(clock.clockRad);
      const text = this.units.bareFigure(figure, this.units.unit() === 'mm' ? 2 : undefined);
      return [
        {
          id,
          word: clock.label.toLowerCase(),
          text,
          lit: this.selection.focused() === id,
          x: CENTRE + RING * dx,
          y: CENTRE + RING * dy,
          tx: CENTRE + 116 * dx,
          ty: CENTRE - 2 + 116 * dy,
        },
      ];
    });
  });
  protected readonly arrow = computed(() => {
    const face = this.face();
    if (!face) return undefined;
    const [dx, dy] = this.toward(face.farthestRad);
    const length = Math.min(1, face.tilt.value / FULL_TILT) * MOST_PX;
    return { x: CENTRE + length * dx, y: CENTRE + length * dy };
  });
  protected readonly text = computed(() => {
    const face = this.face();
    if (!face) return 'Enter three or more squareness readings and the radius.';
    return `Tilt ${this.units.show(face.tilt.value, 'rad')}, camber ${this.units.show(face.camber.value, 'rad')}, toe ${this.units.show(face.toe.value, 'rad')}. The arrow points to the place farthest out.`;
  });

  /** Direction of a clock angle in the picture. */
  private toward(clockRad: number): readonly [number, number] {
    const front = this.side() === 'left' ? -1 : 1;
    return [front * Math.sin(clockRad), -Math.cos(clockRad)];
  }
}
