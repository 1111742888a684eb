import { inject, Injectable } from '@angular/core';
import { parseLength, type SetShims } from '@intervex/core';
import { UnitsService } from '../../state/units.service';

/** What a trial is made of. */
export const SHIM_FIELDS = [
  { key: 'pinionShim', name: 'Pinion shim', least: 0, most: 8 },
  { key: 'ringSide', name: 'Carrier, ring side', least: 0, most: 12 },
  { key: 'otherSide', name: 'Carrier, other side', least: 0, most: 12 },
] as const;
export type Shim = keyof SetShims;
/** What was typed, as it was typed. */
export type ShimTexts = Readonly<Partial<Record<Shim, string>>>;

/** Shims in words and back. */
@Injectable({ providedIn: 'root' })
export class ShimWords {
  private readonly units = inject(UnitsService);

  /** With its unit: to a micrometre, or to a tenth of a thousandth of an inch. */
  mm(value: number): string {
    return this.units.show(value, 'mm', this.digits());
  }

  /** As `mm`, without its unit. */
  bare(value: number): string {
    return this.mm(value).replace(/ (mm|in)$/, '');
  }

  texts(shims: SetShims): ShimTexts {
    return Object.fromEntries(SHIM_FIELDS.map(({ key }) => [key, this.bare(shims[key])]));
  }

  /** The three packs; or why they cannot be read. */
  shims(texts: ShimTexts): SetShims | string {
    const found = { pinionShim: 0, ringSide: 0, otherSide: 0 };
    for (const { key, name, least, most } of SHIM_FIELDS) {
      const read = this.lengths(texts[key] ?? '', name, { least, most });
      if (typeof read === 'string') return read;
      if (read.length !== 1) return `${name}: write one thickness, the pack as a whole.`;
      found[key] = read[0] as number;
    }
    return found;
  }

  /** Lengths with blanks between them, mm; or why they cannot be read. */
  lengths(
    text: string,
    name: string,
    { least, most }: { readonly least: number; readonly most: number },
  ): readonly number[] | string {
    const found: number[] = [];
    for (const part of text.trim().split(/\s+/).filter(Boolean)) {
      const read = parseLength(part, this.units.unit());
      if (!read.ok) return `${name}: ${read.reason}`;
      if (read.value < least || read.value > most)
        return `${name} must lie between ${this.mm(least)} and ${this.mm(most)}; this is ${this.mm(read.value)}.`;
      found.push(read.value);
    }
    return found;
  }

  private digits(): number {
    return this.units.unit() === 'mm' ? 3 : 4;
  }
}
