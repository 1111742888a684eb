import { Component, computed, inject, signal, viewChild } from '@angular/core';
import {
  limitsOf,
  stance,
  cornerViews,
  offsetOf,
  parseLength,
  quantity,
  refuseValue,
  SIDES,
  sideName,
  SPACERS,
  tightest,
  type Reading,
  type Span,
  type Spacer,
  type StanceResult,
} from '@intervex/core';
import { ViewSvg, type MarkMove } from '../../drawing/view-svg';
import { FactGroup } from '../../readings/fact-group';
import { ReadingGroup } from '../../readings/reading-group';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { ChoiceField } from '../choice-field';
import { Needs } from '../needs';
import { Stage } from '../stage';
import { FitMapChart, type StockPoint } from './fit-map';
import { StockWheels } from './stock-wheels';
import { Segments } from '../../shared/segments';

type Tab = 'corners' | 'map';

const TABS: readonly { readonly id: Tab; readonly name: string }[] = [
  { id: 'corners', name: 'Corners' },
  { id: 'map', name: 'Fit map' },
];
const SPACER_NAMES: Readonly<Record<Spacer, string>> = {
  none: 'none',
  plain: 'plain spacer',
  adapter: 'bolted adapter',
};
const chosen = (value: number): Reading => ({ repeats: [{ value }], instrument: 'chosen' });

/** Wheel, tyre and width: both rear corners to scale, and every place that would clear. */
@Component({
  selector: 'ix-stance',
  imports: [
    ChoiceField,
    FactGroup,
    FigureValue,
    FitMapChart,
    Needs,
    ReadingGroup,
    Segments,
    Stage,
    StockWheels,
    ViewSvg,
  ],
  templateUrl: './stance.html',
  styleUrls: ['../facts.scss', './stance.scss'],
})
export class StanceStage {
  protected readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly wheels = viewChild(StockWheels);
  protected readonly tabs = TABS;
  protected readonly tab = signal<Tab>('corners');
  /** What was typed as a backspace and refused; kept until it is right. */
  protected readonly typedBackspace = signal<string | undefined>(undefined);
  protected readonly backspaceProblem = signal('');
  protected readonly sides = SIDES;
  protected readonly sideName = sideName;
  protected readonly spacers = SPACERS.map((id) => ({ id, name: SPACER_NAMES[id] }));
  protected readonly stance = computed(() => this.store.results().of(stance));
  protected readonly views = computed(() => SIDES.map((side) => this.store.results().of(cornerViews)[side]));
  protected readonly subtitle = computed(() =>
    this.tab() === 'map' ? 'where a wheel clears, both sides and all poses' : 'both rear corners, from behind',
  );
  protected readonly stock = computed<readonly StockPoint[]>(() =>
    // Those that clear are drawn over the others.
    [...(this.wheels()?.rows() ?? [])].reverse().map(({ offer, et, clears }) => ({
      id: offer.number,
      et,
      clears,
      name: offer.name,
    })),
  );
  protected readonly gaps = computed(() => {
    const { clearances } = this.stance();
    const { limits } = this.store.plan();
    return SIDES.flatMap((side) =>
      (['inboard', 'outboard'] as const).flatMap((from) => {
        const worst = tightest(clearances, side, from, limitsOf(limits));
        return worst ? [{ name: `${sideName(side)}, ${from}`, figure: worst.gap }] : [];
      }),
    );
  });
  /** What would clear, in words. */
  protected readonly solves = computed(() => {
    const { spans, widest, archWork, proven } = this.stance();
    const known = SIDES.flatMap((side) => {
      const mm = archWork[side];
      return mm === undefined ? [] : [{ side, mm }];
    });
    const arch = known.filter(({ mm }) => mm > 0).map(({ side, mm }) => `${side} ${this.units.show(mm, 'mm')}`);
    return {
      width: this.span(spans?.half, 2),
      et: this.span(spans?.et, 1),
      widest: this.widest(widest),
      arch: arch.length
        ? `metal to move inboard: ${arch.join(', ')}`
        : proven && known.length === SIDES.length
          ? 'no metal has to move'
          : 'not known yet',
    };
  });

  private span(span: Span | undefined, times: number): string {
    if (!span) return '–';
    const show = (v: number | undefined) => (v === undefined ? 'open' : this.units.show(v * times, 'mm'));
    const { least, most } = span;
    if (least !== undefined && most !== undefined && least > most) return 'none clears on both sides';
    return `${show(least)} to ${show(most)}`;
  }

  private widest({ left, right }: StanceResult['widest']): string {
    if (left === undefined || right === undefined) return 'not known yet';
    const section = Math.min(left, right);
    if (!Number.isFinite(section)) return 'nothing is in the way';
    return section > 0 ? this.units.show(section, 'mm') : 'no tyre fits';
  }

  protected setTyre(text: string): void {
    this.store.choose('tyre', text.trim().slice(0, 40));
    this.store.saveNow();
  }

  protected plain = (mm: number): string => this.units.plain(mm, 'mm');

  /** Inner edge of the rim to the face, as wheels are often sold: the offset follows from it. */
  protected setBackspace(text: string): void {
    const rim = this.store.results().known['wheel.rim']?.figure.value;
    const read = parseLength(text, this.units.unit());
    const et = read.ok && rim !== undefined ? offsetOf(rim, read.value) : undefined;
    const wrong = read.ok
      ? et === undefined
        ? undefined
        : refuseValue(quantity('wheel.et'), et, this.units.unit())
      : read.reason;
    this.typedBackspace.set(wrong ? text : undefined);
    this.backspaceProblem.set(wrong ?? '');
    if (wrong || et === undefined) return;
    this.store.setReading('wheel.et', chosen(Math.round(et * 100) / 100));
    this.store.saveNow();
  }

  protected moved({ quantityId, value }: MarkMove): void {
    this.store.setReading(quantityId, chosen(value));
  }

  /** A place of the map becomes the plan’s width and offset; a spacer’s thickness stays on the offset. */
  protected take({ half, et }: { readonly half: number; readonly et: number }): void {
    const { et: effective } = this.stance();
    const wheel = this.store.results().known['wheel.et']?.figure.value;
    const spacer = effective && wheel !== undefined ? wheel - effective.value : 0;
    if (this.stance().half?.value !== half) this.store.setReading('brief.targetWidth', chosen(2 * half));
    this.store.setReading('wheel.et', chosen(et + spacer));
    this.store.saveNow();
  }
}
