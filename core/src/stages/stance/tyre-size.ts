import { MM_PER_INCH } from '../../units';

/** A tyre as its size string describes it. */
export interface TyreSize {
  /** Width over the sidewalls on the measuring rim, mm. */
  readonly section: number;
  /** Outside diameter, free, mm. */
  readonly diameter: number;
  /** Nominal rim diameter, inch. */
  readonly rim: number;
  /** Height of a sidewall over the section. */
  readonly aspect: number;
}

export type ReadTyre =
  { readonly ok: true; readonly size: TyreSize } | { readonly ok: false; readonly reason: string };

/** Sidewall of a metric tyre whose string names none: the full-height series. */
const FULL_SERIES = 0.82;
/** What tyres are made in; beyond it a digit is wrong. */
const SECTION_MM = [105, 455] as const;
const ASPECT_PERCENT = [20, 95] as const;
const RIM_INCH = [8, 30] as const;
const DIAMETER_INCH = [15, 54] as const;

const METRIC =
  /^(?:P|LT|ST|T)?\s*(\d{3})(?:\s*\/\s*(\d{2,3}))?\s*(?:[A-Z]{0,2}R|D|B|-)\s*-?\s*(\d{1,2}(?:\.\d)?)(?!\d).*$/;
const INCHES =
  /^(?:LT|P)?\s*(\d{2}(?:\.\d+)?)\s*[X×/]\s*(\d{1,2}(?:\.\d+)?)\s*(?:R|D|B|-)\s*-?\s*(\d{1,2}(?:\.\d)?)(?!\d).*$/;

/**
 * Reads a tyre’s size from its sidewall: metric with or without the sidewall’s share, or outside diameter by width
 * in inches. Speed and load letters are passed over.
 *
 * @example readTyreSize('205/60R15') // section 205, diameter 627, rim 15, aspect 0.6
 * @example readTyreSize('26x8.5-15') // section 215.9, diameter 660.4, rim 15
 * @source Size designations of passenger and light-truck tyres: diameter = rim + 2·aspect·section
 */
export function readTyreSize(text: string): ReadTyre {
  const plain = text.trim().toUpperCase();
  const metric = METRIC.exec(plain);
  if (metric) return fromMetric(Number(metric[1]), metric[2], Number(metric[3]));
  const inches = INCHES.exec(plain);
  if (inches) return fromInches(Number(inches[1]), Number(inches[2]), Number(inches[3]));
  return refuse(`“${text.trim()}” is no tyre size. Write it like 205/60R15 or 26x8.5-15.`);
}

const refuse = (reason: string): ReadTyre => ({ ok: false, reason });

function outside(value: number, [least, most]: readonly [number, number], what: string, unit: string) {
  return value < least || value > most
    ? `${what} ${value} ${unit} does not exist: ${least} to ${most} ${unit}.`
    : '';
}

function fromMetric(section: number, percent: string | undefined, rim: number): ReadTyre {
  const aspect = percent === undefined ? FULL_SERIES : Number(percent) / 100;
  const wrong =
    outside(section, SECTION_MM, 'A section of', 'mm') ||
    (percent === undefined ? '' : outside(Number(percent), ASPECT_PERCENT, 'A sidewall of', '%')) ||
    outside(rim, RIM_INCH, 'A rim of', 'inch');
  if (wrong) return refuse(wrong);
  return { ok: true, size: { section, aspect, rim, diameter: rim * MM_PER_INCH + 2 * aspect * section } };
}

function fromInches(diameter: number, width: number, rim: number): ReadTyre {
  const section = width * MM_PER_INCH;
  const wrong =
    outside(diameter, DIAMETER_INCH, 'A diameter of', 'inch') ||
    outside(rim, RIM_INCH, 'A rim of', 'inch') ||
    (section < SECTION_MM[0] || section > SECTION_MM[1] ? `A width of ${width} inch does not exist.` : '') ||
    (diameter <= rim + 2 ? `A tyre of ${diameter} inch leaves no sidewall on a rim of ${rim} inch.` : '');
  if (wrong) return refuse(wrong);
  const sidewall = ((diameter - rim) * MM_PER_INCH) / 2;
  return {
    ok: true,
    size: { section, aspect: sidewall / section, rim, diameter: diameter * MM_PER_INCH },
  };
}
