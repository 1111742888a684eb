import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import {
  expandedUncertainty,
  heldBy,
  inARow,
  inSentence,
  openUnder,
  restsOnLevel,
  type Figure,
} from '@intervex/core';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { UnitsService } from '../state/units.service';
import { figureText } from './figure-text';

const GRADES: Readonly<Record<string, string>> = {
  seller: 'rests on what the seller says',
  seen: 'rests on what was seen or estimated, not measured',
};

/** A figure with its unit; a click opens its working. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-figure',
  imports: [MatIconModule],
  template: `
    @if (figure(); as f) {
      <button
        type="button"
        class="plain figure"
        (click)="selection.explain(f.id)"
        [class.held]="held()"
        [attr.aria-label]="f.label + ' ' + text() + words() + ', show the working'"
        [attr.title]="title() || null"
      >
        @if (held()) {
          <mat-icon class="stop" svgIcon="stop" aria-hidden="true" />
        } @else if (doubtful() || open()) {
          <mat-icon svgIcon="caution" aria-hidden="true" />
        }
        @if (grade(); as g) {
          <mat-icon [svgIcon]="g" aria-hidden="true" />
        }
        {{ bare() ? parts().main : number() }}
        @if (!bare()) {
          <small>{{ unit() }}</small>
          {{ tail() }}
        } @else if (unit() === '%') {
          <small>%</small>
        }
        @if (assumed()) {
          <small class="assumed" aria-hidden="true">*</small>
        }
      </button>
    } @else {
      <span class="figure second" title="Not known yet">–</span>
    }
  `,
  styles: `
    :host {
      white-space: nowrap;
    }
    mat-icon {
      width: 14px;
      height: 14px;
      color: var(--amber);
      vertical-align: -2px;
    }
    mat-icon.stop {
      color: var(--red);
    }
    .held {
      text-decoration: line-through;
    }
    small {
      font-size: 0.78em;
      font-weight: 400;
    }
    .assumed {
      margin-left: -4px;
      color: var(--ink-2);
      font-weight: 600;
    }
    button {
      min-height: 24px;
    }
    button:hover {
      color: var(--dye);
      text-decoration: underline dotted;
    }
  `,
})
export class FigureValue {
  protected readonly selection = inject(SelectionService);
  private readonly units = inject(UnitsService);
  private readonly store = inject(PlanStore);
  readonly figure = input<Figure>();
  readonly withU = input(false);
  readonly withUnit = input(true);
  /** Only the number: unit and what a fraction leaves stand elsewhere. */
  readonly bare = input(false);
  readonly digits = input<number>();

  /** Why the number is not to be trusted yet: it rests on a plumb line and the car is not level. */
  protected readonly doubtful = computed(() => {
    const f = this.figure();
    const why = this.store.results().notLevel;
    return f && why && restsOnLevel(f) ? this.units.say(why) : '';
  });
  /** What it is true of may still change. */
  protected readonly open = computed(() => {
    const f = this.figure();
    const names = f ? openUnder(f, this.store.results().openings) : [];
    return names.length ? `preliminary: ${inARow(names)} still open` : '';
  });
  /** Readings it rests on contradict each other: nothing may be cut by it. */
  protected readonly held = computed(() => heldBy(this.figure(), this.store.results().contradicted) ?? '');
  /** Set where the number rests on something that nobody here has measured. */
  protected readonly grade = computed(() => {
    const evidence = this.figure()?.evidence;
    return evidence === 'seller' || evidence === 'seen' ? evidence : '';
  });
  /** Defaults it rests on, in words. */
  protected readonly assumed = computed(() => {
    const all = Object.values(this.figure()?.assumed ?? {});
    return all.length
      ? `assumed: ${all.map((a) => `${inSentence(a.label)} ${this.units.show(a.value, a.unit)}`).join(', ')}`
      : '';
  });
  /** All that has to be known beside the number. */
  protected readonly title = computed(() =>
    [this.held(), this.doubtful(), this.open(), GRADES[this.grade()] ?? '', this.assumed()]
      .filter(Boolean)
      .join('; '),
  );
  protected readonly words = computed(() =>
    [this.held(), this.doubtful() && 'car not level', this.open(), GRADES[this.grade()] ?? '', this.assumed()]
      .filter(Boolean)
      .map((said) => `, ${said}`)
      .join(''),
  );
  /** The text in its parts, so that the unit can stand smaller beside its number. */
  protected readonly parts = computed(() => figureText(this.text()));
  protected readonly number = computed(() => [this.parts().main, this.parts().rest].filter(Boolean).join(' '));
  protected readonly unit = computed(() => this.parts().unit);
  protected readonly tail = computed(() => this.parts().tail);
  protected readonly text = computed(() => {
    const f = this.figure();
    if (!f) return '';
    const main = this.units.figure(f, this.digits());
    const unitless = !this.withUnit() && f.unit === 'mm';
    const shown = unitless ? this.units.bareFigure(f, this.digits()) : main;
    return this.withU() ? `${shown} ± ${this.uncertainty(f)}` : shown;
  });

  private uncertainty(f: Figure): string {
    const U = expandedUncertainty(f);
    return this.units.show(U, f.unit);
  }
}
