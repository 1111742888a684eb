import { computed, Injectable, signal } from '@angular/core';
import {
  amountShown,
  bareLength,
  formatLength,
  isAmountUnit,
  lengthSuffix,
  RAD_PER_DEGREE,
  showAgainst,
  showTerm,
  showValue,
  type FigureUnit,
  type LengthUnit,
} from '@intervex/core';
import { remember, remembered } from './memory';

const ORDER: readonly LengthUnit[] = ['mm', 'in', 'frac'];

/** The unit in which lengths are shown and bare numbers are read. */
@Injectable({ providedIn: 'root' })
export class UnitsService {
  readonly unit = signal<LengthUnit>(ORDER.find((u) => u === remembered('unit')) ?? 'mm');
  readonly suffix = computed(() => lengthSuffix(this.unit()));

  choose(unit: LengthUnit): void {
    this.unit.set(unit);
    remember('unit', unit);
  }

  /** The next unit in turn: mm, decimal inch, tape fraction. */
  next(): void {
    this.choose(ORDER[(ORDER.indexOf(this.unit()) + 1) % ORDER.length] ?? 'mm');
  }

  /** A value with its unit. */
  show(value: number, unit: FigureUnit, digits?: number): string {
    return showValue(value, unit, this.unit(), digits);
  }

  /** An uncertainty: always a decimal, also beside a tape fraction. */
  uncertainty(value: number, unit: FigureUnit, digits?: number): string {
    return showValue(value, unit, this.unit() === 'frac' ? 'in' : this.unit(), digits);
  }

  /** A length without its unit, for a drawing or scale that names the unit once for all that stands in it. */
  bare(mm: number, digits?: number): string {
    return bareLength(mm, this.unit(), digits);
  }

  /** A value as one term of a formula: with its unit, in brackets where it is more than a plain number. */
  term(value: number, unit: FigureUnit, digits?: number): string {
    return showTerm(value, unit, this.unit(), digits);
  }

  /** A figure of a check or its limit: fine where the limit is. */
  against(value: number, limit: number | undefined, unit: FigureUnit): string {
    return showAgainst(value, limit, unit, this.unit());
  }

  /** A value for an input field: without the unit that stands beside it. */
  plain(value: number, unit: FigureUnit): string {
    if (unit === 'mm' && this.unit() === 'frac') return bareLength(value, 'frac');
    if (unit === 'mm') return formatLength(value, { unit: this.unit(), digits: this.digits(value) });
    if (isAmountUnit(unit))
      return String(Number(amountShown(value, unit, this.unit()).toFixed(this.unit() === 'mm' ? 3 : 2)));
    if (unit === 'rad') return String(Number((value / RAD_PER_DEGREE).toFixed(3)));
    if (unit === 'ratio') return String(Number((value * 100).toFixed(1)));
    return String(Number(value.toFixed(3)));
  }

  /** Two decimals in mm where the reading has them, else one; three for inches. */
  private digits(mm: number): number {
    if (this.unit() === 'in') return 3;
    return Math.abs(mm * 10 - Math.round(mm * 10)) > 0.01 ? 2 : 1;
  }
}
