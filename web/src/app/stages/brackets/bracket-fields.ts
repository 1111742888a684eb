import {
  BRACKET_DATUM_NAMES,
  BRACKET_DATUMS,
  BRACKET_EDGES,
  BRACKET_HOLDS,
  BRACKET_KINDS,
  BRACKET_SIDES,
  BRACKET_TOOLS,
  EDGE_NAMES,
  HOLD_NAMES,
  KIND_NAMES,
  SIDE_NAMES,
  type Bracket,
  type BracketKit,
} from '@intervex/core';
import type { FieldChange } from '../../shared/fields';
import type { RowColumn } from '../../shared/row-column';
import type { RowValues } from '../../shared/rows-editor';

const options = <V extends string>(values: readonly V[], names: Readonly<Record<V, string>>) =>
  values.map((id) => ({ id, name: names[id] }));
const DATUMS = options(BRACKET_DATUMS, BRACKET_DATUM_NAMES);
const NONE = { id: '', name: '–' };
const TURN = 2 * Math.PI;
const place = { kind: 'mm', min: -1600, max: 1600, byTape: true, optional: true } as const;
const clock = { kind: 'angle', min: -TURN, max: TURN, optional: true } as const;

/** What it is. */
export const SELF: readonly RowColumn[] = [
  { key: 'name', label: 'Name', kind: 'text' },
  { key: 'kind', label: 'Kind', kind: 'choice', options: options(BRACKET_KINDS, KIND_NAMES) },
  { key: 'side', label: 'On the tube', kind: 'choice', options: options(BRACKET_SIDES, SIDE_NAMES) },
  { key: 'hold', label: 'Held', kind: 'choice', options: options(BRACKET_HOLDS, HOLD_NAMES) },
  { key: 'wide', label: 'Along the axle', kind: 'mm', min: 1, max: 2600, byTape: true },
  { key: 'round', label: 'Round the tube', kind: 'mm', min: 1, max: 700, byTape: true },
  { key: 'high', label: 'Off the skin', kind: 'mm', min: 0, max: 400, optional: true, byTape: true },
  { key: 'edge', label: 'Measured at its', kind: 'choice', options: options(BRACKET_EDGES, EDGE_NAMES) },
];

/** As it stood on the old axle, or on the car. */
export const OLD: readonly RowColumn[] = [
  { key: 'old.at', label: 'Old distance', ...place },
  { key: 'old.datum', label: 'From the old', kind: 'choice', options: DATUMS },
  {
    key: 'old.tool',
    label: 'Read with',
    kind: 'choice',
    options: options(BRACKET_TOOLS, { tape: 'tape', rule: 'steel rule', caliper: 'caliper' }),
  },
  { key: 'old.clock', label: 'Old clock: top 0, front +', ...clock },
  {
    key: 'old.zero',
    label: 'Gauge zeroed on',
    kind: 'choice',
    options: [
      { id: 'flat', name: 'the old casting’s flat' },
      { id: 'level', name: 'level' },
    ],
  },
  {
    key: 'apart',
    label: 'Pickup pair on the car, apart',
    kind: 'mm',
    min: 50,
    max: 2400,
    optional: true,
    byTape: true,
  },
];

/** Where it is wanted. */
export const WANTED: readonly RowColumn[] = [
  { key: 'place.at', label: 'Wanted distance', ...place },
  { key: 'place.datum', label: 'From the new', kind: 'choice', options: DATUMS },
  { key: 'place.clock', label: 'Wanted clock: top 0, front +', ...clock },
];

/** Its kit, among those there are. */
export const kitFields = (kits: Readonly<Record<string, BracketKit>>): readonly RowColumn[] => [
  {
    key: 'kit',
    label: 'Kit',
    kind: 'choice',
    options: [NONE, ...Object.entries(kits).map(([id, { name }]) => ({ id, name }))],
  },
  { key: 'inKit', label: 'From the kit’s datum', ...place },
  { key: 'inKitClock', label: 'Clock in the kit', ...clock },
];

/** As it was read after the work. */
export const madeFields = (across: boolean): readonly RowColumn[] => [
  {
    key: 'made.by',
    label: 'Is',
    kind: 'choice',
    options: [
      { id: 'tacked', name: 'tacked' },
      { id: 'welded', name: 'welded' },
    ],
  },
  { key: 'made.at', label: `Now from the ${across ? 'left ' : ''}casting face`, ...place },
  { key: 'made.clock', label: 'Clock now', ...clock },
];

/** What pulls at it. */
export const STRONG: readonly RowColumn[] = [
  { key: 'bolt', label: 'Bolt', kind: 'mm', min: 3, max: 60, optional: true },
  { key: 'plate', label: 'One plate', kind: 'mm', min: 1, max: 40, optional: true },
  { key: 'leg', label: 'Leg of its welds', kind: 'mm', min: 1, max: 25, optional: true },
  { key: 'note', label: 'Note', kind: 'text', optional: true },
];

/** Fields of a bracket by flat names. */
export function valuesOf(b: Bracket): RowValues {
  const { old, place: wanted, made, ...own } = b;
  const under = (name: string, part: object | undefined) =>
    Object.fromEntries(Object.entries(part ?? {}).map(([key, v]) => [`${name}.${key}`, v as string | number]));
  return {
    ...own,
    ...under('old', { datum: 'casting', tool: 'tape', zero: 'flat', ...old }),
    ...under('place', { ...placeStart(b), ...wanted }),
    ...under('made', { by: 'tacked', ...made }),
  };
}

/** Where a chosen place is told from at first: what lies all across, from the centreline alone. */
const placeStart = ({ side }: Bracket) => ({ datum: side === 'across' ? 'centre' : 'casting' });

/** Parts of a bracket that are there only with a distance. */
const STARTS: Readonly<Record<string, object>> = {
  old: { datum: 'casting', tool: 'tape', zero: 'flat' },
  made: { by: 'tacked' },
};

function without<T extends object>(all: T, key: string): T {
  return Object.fromEntries(Object.entries(all).filter(([k]) => k !== key)) as T;
}

/** What was chosen of a part before it has a distance, kept until it has. */
export type Pending = Readonly<Record<string, string | number | undefined>>;

/** A wanted clock stands by itself: its distance then follows from what else is known. */
const clockOnly = (part: string, field: string): boolean => part === 'place' && field === 'clock';

/** A part goes with its distance, or, where a wanted clock is all of it, with that. */
function goesOut(part: string, field: string, value: unknown, now: object | undefined): boolean {
  if (value !== undefined) return false;
  const { at, clock } = (now ?? {}) as { readonly at?: number; readonly clock?: number };
  if (field === 'at') return part !== 'place' || clock === undefined;
  return clockOnly(part, field) && at === undefined;
}

/**
 * A bracket with one field changed. A part such as its old place is there once it has a distance, and goes with it.
 *
 * @param pending fields of parts that are not there yet
 */
export function withField(b: Bracket, { key, value }: FieldChange, pending: Pending): Bracket {
  const [part, field] = key.split('.') as [string, string | undefined];
  if (field === undefined)
    return value === undefined || value === '' ? without(b, key) : { ...b, [key]: value };
  const now = (b as unknown as Record<string, object | undefined>)[part];
  if (goesOut(part, field, value, now)) return without(b, part);
  if (!now && field !== 'at' && !(clockOnly(part, field) && value !== undefined)) return b;
  const begun = Object.fromEntries(
    Object.entries(pending).flatMap(([k, v]) =>
      k.startsWith(`${part}.`) && v !== undefined ? [[k.slice(part.length + 1), v]] : [],
    ),
  );
  const next = { ...(part === 'place' ? placeStart(b) : STARTS[part]), ...begun, ...now };
  return { ...b, [part]: value === undefined ? without(next, field) : { ...next, [field]: value } };
}

const OTHER = { left: 'right', right: 'left', across: 'across' } as const;

/** The same on the other tube, by choice: what was read stays with the side it was read on. */
export function mirrored(b: Bracket): Bracket {
  const { old: _old, made: _made, ...rest } = b;
  const swapped = b.name.replace(
    /\b(left|right|L|R)\b/,
    (w) => ({ left: 'right', right: 'left', L: 'R', R: 'L' })[w] ?? w,
  );
  return {
    ...rest,
    side: OTHER[b.side],
    name: swapped === b.name ? `${b.name.slice(0, 48)}, mirrored` : swapped,
  };
}
