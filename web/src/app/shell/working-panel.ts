import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import {
  expandedUncertainty,
  type Figure,
  type FigureUnit,
  heldBy,
  inSentence,
  isAmountUnit,
  restsOnLevel,
  showTerm,
  showValue,
  type WorkingInput,
} from '@intervex/core';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { UnitsService } from '../state/units.service';
import { withNumbers, withSymbols } from './formula-text';

const GRADES: Readonly<Record<string, string>> = {
  seller: 'Rests on what the seller says.',
  seen: 'Rests on what was seen or estimated, not measured.',
};

/** Digits of a value in the units of its formula, where they are others than usual. */
const DIGITS_RUN: Readonly<Partial<Record<FigureUnit, number>>> = { mm: 2, kg: 1, N: 1, Nm: 1, MPa: 1 };

/** How a figure came about: formula with symbols, then with numbers, inputs, source, uncertainty. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-working',
  imports: [MatButtonModule, MatIconModule],
  templateUrl: './working-panel.html',
  styleUrl: './working-panel.scss',
})
export class WorkingPanel {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly selection = inject(SelectionService);
  readonly figureId = input.required<string>();
  /** Figures gone through on the way here, to go back to. */
  private readonly trail = signal<readonly string[]>([]);

  protected readonly figure = computed<Figure | undefined>(() => this.store.figures().get(this.figureId()));
  protected readonly doubtful = computed(() => {
    const f = this.figure();
    return f && restsOnLevel(f) ? this.units.say(this.store.results().notLevel ?? '') : '';
  });
  /** Readings it rests on contradict each other. */
  protected readonly held = computed(() => heldBy(this.figure(), this.store.results().contradicted) ?? '');
  protected readonly evidence = computed(() => GRADES[this.figure()?.evidence ?? ''] ?? '');
  /** Defaults it rests on, each with its value and why. */
  protected readonly assumed = computed(() =>
    Object.values(this.figure()?.assumed ?? {}).map((a) => ({
      id: a.id,
      text: `${inSentence(a.label)} ${this.units.show(a.value, a.unit)}`,
      why: a.why,
    })),
  );
  protected readonly hasTrail = computed(() => this.trail().length > 0);
  protected readonly value = computed(() => this.show(this.figure()));
  protected readonly U = computed(() => {
    const f = this.figure();
    if (!f) return '';
    const U = expandedUncertainty(f);
    if (U === 0) return '';
    const digits = f.unit === 'mm' && this.units.unit() === 'mm' ? 2 : f.unit === 'rad' ? 3 : undefined;
    return this.units.show(U, f.unit, digits);
  });
  protected readonly symbols = computed(() => withSymbols(this.figure()?.working.formula ?? ''));
  protected readonly numbers = computed(() => {
    const f = this.figure();
    return f ? withNumbers(f.working, (input) => this.term(input)) : '';
  });
  /** The result as the formula gives it. */
  protected readonly found = computed(() => {
    const f = this.figure();
    return f && this.asRun() ? showValue(f.value, f.unit, 'mm', DIGITS_RUN[f.unit]) : this.value();
  });
  /**
   * A formula of masses, forces, torques or pressures holds only in the units it is run in, whichever are shown: its
   * constants are those of N, mm and MPa.
   */
  protected readonly asRun = computed(() => {
    const f = this.figure();
    const units = f ? [f.unit, ...Object.values(f.working.inputs).map((i) => i.unit)] : [];
    return this.units.unit() !== 'mm' && units.some(isAmountUnit);
  });
  protected readonly inputs = computed(() =>
    Object.entries(this.figure()?.working.inputs ?? {}).map(([symbol, i]) => ({
      symbol,
      label: i.label,
      id: i.id,
      text: this.units.figure(i.figure, i.unit === 'mm' && this.units.unit() === 'mm' ? 2 : undefined),
      known: this.store.figures().has(i.id),
    })),
  );
  /** What makes it uncertain, largest first. */
  protected readonly shares = computed(() => {
    const f = this.figure();
    if (!f) return [];
    const parts = Object.entries(f.contributions).filter(([, u]) => u !== 0);
    const total = parts.reduce((sum, [, u]) => sum + u * u, 0);
    return parts
      .map(([id, u]) => ({
        id,
        label:
          this.store.figures().get(id)?.label ??
          (id.endsWith('.either') ? 'Which of them it is' : 'Scribing the marks'),
        percent: Math.round((100 * u * u) / total),
      }))
      .filter((p) => p.percent > 0)
      .sort((a, b) => b.percent - a.percent)
      .slice(0, 6);
  });

  private term({ figure }: WorkingInput): string {
    const { value, unit } = figure;
    if (this.asRun()) return showTerm(value, unit, 'mm', DIGITS_RUN[unit]);
    return this.units.term(figure, unit === 'mm' && this.units.unit() === 'mm' ? 2 : undefined);
  }

  protected follow(id: string): void {
    this.trail.update((t) => [...t, this.figureId()]);
    this.selection.explained.set(id);
  }

  protected back(): void {
    const last = this.trail().at(-1);
    this.trail.update((t) => t.slice(0, -1));
    if (last) this.selection.explained.set(last);
  }

  private show(f: Figure | undefined): string {
    if (!f) return '';
    return this.units.figure(
      f,
      f.unit === 'mm' && this.units.unit() === 'mm' ? 2 : f.unit === 'rad' ? 4 : undefined,
    );
  }
}
