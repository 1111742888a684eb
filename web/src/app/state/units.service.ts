import { computed, Injectable, signal } from '@angular/core';
import {
  amountShown,
  bareLength,
  decimalOf,
  formatLength,
  inUnits,
  isAmountUnit,
  LENGTH_UNITS,
  MM_PER_INCH,
  lengthSuffix,
  RAD_PER_DEGREE,
  showAgainst,
  showFigure,
  showTerm,
  showValue,
  styleOf,
  tapeStep,
  unitWord,
  type Figure,
  type FigureUnit,
  type LengthUnit,
  type Quantity,
} from '@intervex/core';
import { remember, remembered } from './memory';

/** Steps of an inch where all is decimal. */
const DECIMAL_STEPS = 20;
/** What has to be known of a figure to tell it. */
type Shown = Pick<Figure, 'value' | 'unit' | 'byTape' | 'inMm'>;

/** The unit in which lengths are shown and bare numbers are read, and with it those of mass, force, torque and stress. */
@Injectable({ providedIn: 'root' })
export class UnitsService {
  readonly unit = signal<LengthUnit>(LENGTH_UNITS.find((u) => u === remembered('unit')) ?? 'mm');
  /** What inch work was done in last. */
  private readonly inch = signal<LengthUnit>(
    LENGTH_UNITS.find((u) => u !== 'mm' && u === remembered('inch')) ?? 'frac',
  );
  readonly system = computed(() => (this.unit() === 'mm' ? 'metric' : 'inch'));
  readonly suffix = computed(() => lengthSuffix(this.unit()));

  choose(unit: LengthUnit): void {
    this.unit.set(unit);
    remember('unit', unit);
    if (unit === 'mm') return;
    this.inch.set(unit);
    remember('inch', unit);
  }

  chooseSystem(system: 'metric' | 'inch'): void {
    this.choose(system === 'metric' ? 'mm' : this.inch());
  }

  /** The next unit in turn: mm, decimal inch, tape fractions from coarse to fine. */
  next(): void {
    this.choose(LENGTH_UNITS[(LENGTH_UNITS.indexOf(this.unit()) + 1) % LENGTH_UNITS.length] ?? 'mm');
  }

  /** A figure with its unit, in inch work as its instrument shows it. */
  figure(figure: Shown, digits?: number): string {
    return showFigure(figure, this.unit(), digits);
  }

  /** A value with its unit, told in decimals. */
  show(value: number, unit: FigureUnit, digits?: number): string {
    return showValue(value, unit, decimalOf(this.unit()), digits);
  }

  /** A length with its unit that lies along a tape, such as a mark’s place. */
  tape(mm: number): string {
    return showValue(mm, 'mm', this.unit());
  }

  /** A length without its unit, for a drawing or scale that names the unit once for all that stands in it. */
  bare(mm: number, digits?: number): string {
    return bareLength(mm, decimalOf(this.unit()), digits);
  }

  /** As `bare`, of a length that lies along a tape. */
  bareTape(mm: number): string {
    return bareLength(mm, this.unit());
  }

  /** As `bare`, of a figure: as its instrument shows it. */
  bareFigure(figure: Shown, digits?: number): string {
    return bareLength(figure.value, styleOf(figure, this.unit()), digits);
  }

  /** A value as one term of a formula: with its unit, in brackets where it is more than a plain number. */
  term(figure: Shown, digits?: number): string {
    return showTerm(figure.value, figure.unit, styleOf(figure, this.unit()), digits);
  }

  /** A figure of a check or its limit: decimals, fine where the limit is. */
  against(value: number, limit: number | undefined, unit: FigureUnit): string {
    return showAgainst(value, limit, unit, this.unit());
  }

  /** What stands behind a field of a quantity. */
  suffixOf({ unit, inMm }: Pick<Quantity, 'unit' | 'inMm'>): string {
    return unitWord(unit, inMm ? 'mm' : this.unit());
  }

  /** What a mark or wheel is moved by at least, mm: a millimetre, a step of the tape, or a twentieth of an inch. */
  step(): number {
    const unit = this.unit();
    return unit === 'mm' ? 1 : MM_PER_INCH / (tapeStep(unit) ?? DECIMAL_STEPS);
  }

  /** Words of the core with the sizes in them. */
  say(text: string): string {
    return inUnits(text, this.unit());
  }

  /** A value for an input field: without the unit that stands beside it, in fractions only where it lies along a tape. */
  plain(value: number, unit: FigureUnit, byTape = false, inMm = false): string {
    const style = styleOf({ byTape, inMm }, this.unit());
    if (unit === 'mm') return formatLength(value, { unit: style, digits: fieldDigits(value, style) });
    if (isAmountUnit(unit))
      return String(Number(amountShown(value, unit, style).toFixed(style === 'mm' ? 3 : 2)));
    if (unit === 'rad') return String(Number((value / RAD_PER_DEGREE).toFixed(3)));
    if (unit === 'ratio') return String(Number((value * 100).toFixed(1)));
    return String(Number(value.toFixed(3)));
  }
}

/** Two decimals in mm where the reading has them, else one; three for inches. */
function fieldDigits(mm: number, style: LengthUnit): number {
  if (style !== 'mm') return 3;
  return Math.abs(mm * 10 - Math.round(mm * 10)) > 0.01 ? 2 : 1;
}
