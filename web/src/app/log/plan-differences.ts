import {
  entryName,
  findQuantity,
  quantityName,
  showValue,
  type FigureUnit,
  type LengthUnit,
  type Plan,
  type Reading,
} from '@intervex/core';

/** A place of the plan that stands otherwise in two of its revisions. */
interface Difference {
  readonly place: string;
  readonly name: string;
  readonly then: string;
  readonly now: string;
}

type Fields = Readonly<Record<string, unknown>>;
const ABSENT = '—';
/** Longest text of a value. */
const MOST = 90;

/** Everything that stands otherwise in two states of a plan, part by part, in words. */
export function planDifferences(then: Plan, now: Plan, unit: LengthUnit): readonly Difference[] {
  return (Object.keys(now) as (keyof Plan & string)[]).flatMap((part) => {
    const [a, b] = [then[part] as Fields, now[part] as Fields];
    const keys = [...new Set([...Object.keys(a ?? {}), ...Object.keys(b ?? {})])];
    return keys
      .filter((key) => JSON.stringify(a?.[key]) !== JSON.stringify(b?.[key]))
      .map((key) => ({
        place: `${part}.${key}`,
        name: nameOf(part, key),
        then: valueText(part, key, a?.[key], unit),
        now: valueText(part, key, b?.[key], unit),
      }));
  });
}

function nameOf(part: keyof Plan & string, key: string): string {
  const quantity = part === 'readings' ? findQuantity(key) : undefined;
  return quantity ? quantityName(quantity) : entryName(part, key);
}

function valueText(part: string, key: string, value: unknown, unit: LengthUnit): string {
  if (value === undefined || value === '') return ABSENT;
  if (part === 'readings') return readingText(key, value as Reading, unit);
  return plain(value).slice(0, MOST);
}

function readingText(id: string, { repeats, instrument, note }: Reading, unit: LengthUnit): string {
  const of = findQuantity(id);
  const values = repeats.map(({ value }) =>
    of ? showValue(value, of.unit, unit, finer(of.unit, unit)) : String(value),
  );
  return `${values.join('; ')}, ${instrument}${note ? `, “${note.slice(0, 40)}”` : ''}`;
}

/** Digits that tell two readings apart, where the usual ones might not. */
const finer = (of: FigureUnit, unit: LengthUnit): number | undefined =>
  of === 'mm' ? (unit === 'mm' ? 2 : 4) : of === 'rad' ? 3 : undefined;

/** What a field holds, without the marks of data. */
function plain(value: unknown): string {
  if (Array.isArray(value)) return value.map(plain).join('; ');
  if (typeof value === 'object' && value !== null)
    return Object.entries(value)
      .filter(([key]) => key !== 'at' && key !== 'id')
      .map(([key, v]) => (key === 'value' ? plain(v) : `${key} ${plain(v)}`))
      .join(', ');
  return typeof value === 'number' ? String(Number(value.toPrecision(6))) : String(value);
}
