import { Component, computed, inject, input } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { expandedUncertainty, restsOnLevel, weakestEvidence, type Figure } from '@intervex/core';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { UnitsService } from '../state/units.service';

const GRADES: Readonly<Record<string, string>> = {
  seller: 'rests on what the seller says',
  seen: 'rests on what was seen or estimated, not measured',
};

/** A figure with its unit; a click opens its working. */
@Component({
  selector: 'ix-figure',
  imports: [MatIconModule],
  template: `
    @if (figure(); as f) {
      <button
        type="button"
        class="plain figure"
        (click)="selection.explain(f.id)"
        [attr.aria-label]="
          f.label + ' ' + text() + (doubtful() ? ', car not level' : '') + gradeWords() + ', show the working'
        "
        [attr.title]="doubtful() || gradeTitle() || null"
      >
        @if (doubtful()) {
          <mat-icon svgIcon="caution" aria-hidden="true" />
        }
        @if (grade(); as g) {
          <mat-icon [svgIcon]="g" aria-hidden="true" />
        }
        {{ number() }}
        <small>{{ unit() }}</small>
        {{ tail() }}
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
    small {
      font-size: 0.78em;
      font-weight: 400;
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
  readonly digits = input<number>();

  /** Why the number is not to be trusted yet: it rests on a plumb line and the car is not level. */
  protected readonly doubtful = computed(() => {
    const f = this.figure();
    const why = this.store.results().notLevel;
    return f && why && restsOnLevel(f) ? why : '';
  });
  /** Set where the number rests on something that nobody here has measured. */
  protected readonly grade = computed(() => {
    const f = this.figure();
    const weak = f && this.store.hasWeakReadings();
    const evidence = weak ? weakestEvidence(f, this.store.figures(), this.store.plan()) : 'measured';
    return evidence === 'seller' || evidence === 'seen' ? evidence : '';
  });
  protected readonly gradeTitle = computed(() => GRADES[this.grade()] ?? '');
  protected readonly gradeWords = computed(() => (this.gradeTitle() ? `, ${this.gradeTitle()}` : ''));
  /** The text in its parts, so that the unit can stand smaller beside its number. */
  private readonly parts = computed(() => /^(.*?)( mm| in| kg| N| N·m)?( [+−±].*)?$/.exec(this.text()) ?? []);
  protected readonly number = computed(() => this.parts()[1] ?? '');
  protected readonly unit = computed(() => this.parts()[2]?.trim() ?? '');
  protected readonly tail = computed(() => this.parts()[3]?.trim() ?? '');
  protected readonly text = computed(() => {
    const f = this.figure();
    if (!f) return '';
    const main = this.units.show(f.value, f.unit, this.digits());
    const shown = this.withUnit() ? main : main.replace(/ (mm|in)$/, '');
    return this.withU() ? `${shown} ± ${this.uncertainty(f)}` : shown;
  });

  private uncertainty(f: Figure): string {
    const U = expandedUncertainty(f);
    if (f.unit === 'mm' && this.units.unit() !== 'in')
      return `${U.toFixed(1)}${this.units.unit() === 'frac' ? ' mm' : ''}`;
    return this.units.show(U, f.unit).replace(/ (in|kg|N|N·m)$/, '');
  }
}
