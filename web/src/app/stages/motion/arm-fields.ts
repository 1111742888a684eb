import {
  ARM_KINDS,
  ARM_NAMES,
  ARM_SIDES,
  ARM_SIDE_NAMES,
  ARM_TOOLS,
  ARM_TOOL_NAMES,
  CRANK_HOLDS,
  CRANK_HOLD_NAMES,
  OBSTACLE_KINDS,
  OBSTACLE_NAMES,
  type Arm,
} from '@intervex/core/desks/motion';
import type { Bracket } from '@intervex/core';
import type { RowColumn } from '../../shared/row-column';

const options = <V extends string>(values: readonly V[], names: Readonly<Record<V, string>>) =>
  values.map((id) => ({ id, name: names[id] }));
const x = { kind: 'mm', min: -1200, max: 3500, byTape: true } as const;
const y = { kind: 'mm', min: -1200, max: 1200, byTape: true } as const;
const z = { kind: 'mm', min: -100, max: 1500, byTape: true } as const;
const hole = { kind: 'whole', min: 1, max: 12, optional: true } as const;
const step = { kind: 'mm', min: -120, max: 120, optional: true } as const;

/** What it is, and its end at the car: all that it must have. */
export const SELF: readonly RowColumn[] = [
  { key: 'name', label: 'Name', kind: 'text' },
  { key: 'kind', label: 'Kind', kind: 'choice', options: options(ARM_KINDS, ARM_NAMES) },
  { key: 'side', label: 'Side', kind: 'choice', options: options(ARM_SIDES, ARM_SIDE_NAMES) },
  { key: 'tool', label: 'Read with', kind: 'choice', options: options(ARM_TOOLS, ARM_TOOL_NAMES) },
  { key: 'cx', label: 'Car end, forward of the axle', ...x },
  { key: 'cy', label: 'Car end, left of the middle', ...y },
  { key: 'cz', label: 'Car end, above the ground', ...z },
];

const heldBy = (key: string, label: string, brackets: Readonly<Record<string, Bracket>>): RowColumn => ({
  key,
  label,
  kind: 'choice',
  options: [{ id: '', name: '–' }, ...Object.entries(brackets).map(([id, { name }]) => ({ id, name }))],
});

/** Its end at the axle, or the bracket that holds it. */
export const axleFields = (brackets: Readonly<Record<string, Bracket>>): readonly RowColumn[] => [
  { key: 'ax', label: 'Axle end, forward', optional: true, ...x },
  { key: 'ay', label: 'Axle end, left', optional: true, ...y },
  { key: 'az', label: 'Axle end, above the ground', optional: true, ...z },
  heldBy('bracket', 'Or as its bracket stands', brackets),
  heldBy('bracketRight', 'Of a pair: the right one’s bracket', brackets),
];

/** Holes of the bracket at one end. */
export const holeFields = (end: 'a' | 'c'): readonly RowColumn[] => [
  { key: `${end}Holes`, label: 'How many', ...hole },
  { key: `${end}Read`, label: 'Places are of', ...hole },
  { key: `${end}Use`, label: 'Used', ...hole },
  { key: `${end}StepZ`, label: 'Next one up by', ...step },
  { key: `${end}StepX`, label: 'Next one forward by', ...step },
];

/** What it is made of. */
export const MADE: readonly RowColumn[] = [
  { key: 'outside', label: 'Tube outside', kind: 'mm', min: 8, max: 120, optional: true },
  { key: 'wall', label: 'Tube wall', kind: 'mm', min: 0.8, max: 60, optional: true },
  { key: 'bolt', label: 'Bolt', kind: 'mm', min: 3, max: 60, optional: true },
];

/** A crank with two bars. */
export const CRANK: readonly RowColumn[] = [
  { key: 'name', label: 'Name', kind: 'text' },
  { key: 'on', label: 'Pivot', kind: 'choice', options: options(CRANK_HOLDS, CRANK_HOLD_NAMES) },
  { key: 'px', label: 'Pivot, forward of the axle', ...x },
  { key: 'py', label: 'Pivot, left', ...y },
  { key: 'pz', label: 'Pivot, above the ground', ...z },
  { key: 'topY', label: 'Top eye, left', ...y },
  { key: 'topZ', label: 'Top eye, above the ground', ...z },
  { key: 'lowY', label: 'Lower eye, left', ...y },
  { key: 'lowZ', label: 'Lower eye, above the ground', ...z },
  { key: 'topEndY', label: 'Top bar’s far end, left', ...y },
  { key: 'topEndZ', label: 'Top bar’s far end, above the ground', ...z },
  { key: 'lowEndY', label: 'Lower bar’s far end, left', ...y },
  { key: 'lowEndZ', label: 'Lower bar’s far end, above the ground', ...z },
];

/** Either of its bars, and what holds them on the axle. */
export const barFields = (brackets: Readonly<Record<string, Bracket>>): readonly RowColumn[] => [
  ...MADE,
  heldBy('topBracket', 'Bracket of the top bar', brackets),
  heldBy('lowBracket', 'Bracket of the lower bar', brackets),
];

const place = { kind: 'mm', byTape: true } as const;
/** Something that does not move. */
export const OBSTACLE: readonly RowColumn[] = [
  { key: 'name', label: 'What', kind: 'text' },
  { key: 'kind', label: 'As a', kind: 'choice', options: options(OBSTACLE_KINDS, OBSTACLE_NAMES) },
  { key: 'x', label: 'Forward of the axle', ...place, min: -1200, max: 3500 },
  { key: 'y', label: 'Left of the middle', ...place, min: -1200, max: 1200 },
  { key: 'z', label: 'Above the ground', ...place, min: -100, max: 2000 },
];
export const OBSTACLE_END: readonly RowColumn[] = [
  { key: 'x2', label: 'Other end, forward', ...place, min: -1200, max: 3500, optional: true },
  { key: 'y2', label: 'Other end, left', ...place, min: -1200, max: 1200, optional: true },
  { key: 'z2', label: 'Other end, above the ground', ...place, min: -100, max: 2000, optional: true },
];
export const OBSTACLE_ROOM: RowColumn = {
  key: 'clear',
  label: 'Room to keep',
  kind: 'mm',
  min: 0,
  max: 200,
  optional: true,
};

/** A thing with one field changed; what is emptied goes. */
export function withField<T extends object>(of: T, key: string, value: string | number | undefined): T {
  if (value !== undefined && value !== '') return { ...of, [key]: value };
  return Object.fromEntries(Object.entries(of).filter(([k]) => k !== key)) as T;
}

const ALL = [...SELF, ...axleFields({}), ...holeFields('a'), ...holeFields('c'), ...CRANK, ...barFields({})];
/** What a field is called. */
export const labelOf = (key: string): string =>
  [...ALL, ...OBSTACLE, ...OBSTACLE_END].find((c) => c.key === key)?.label ?? key;

/** Ladder bars and torque arms have their one place on the car. */
export const hasAxleEnd = ({ kind }: Arm): boolean => kind !== 'ladder' && kind !== 'torqueArm';
