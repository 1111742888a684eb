import { derive, given, INSTRUMENTS, type Figure, type Maybe } from '../../../measure';
import { waitsFor } from '../../../stage';
import { newFlat } from '../../brackets/figures/frame';
import { placeOf } from '../../brackets/figures/places';
import { outside as tubesOutside } from '../../brackets/figures/frame';
import type { Bracket } from '../../brackets/choices';
import type { Arm, Crank } from '../choices';
import type { Reads } from '../node';

/** Three figures of a place: forward of the axle’s middle, left of the centreline, above the floor, mm. */
export type PlaceFigures = readonly [x: Figure, y: Figure, z: Figure];

const WAYS = { x: 'forward', y: 'left', z: 'up' } as const;
type Way = keyof typeof WAYS;

/** Standard uncertainty of one place read with a tool, mm; what is only wanted has none. */
const uncertaintyOf = (tool: Arm['tool']): number =>
  tool === 'chosen' ? 0 : INSTRUMENTS[tool].halfResolution / Math.sqrt(3);

/** A place as it is listed. */
function listed(
  id: string,
  label: string,
  [x, y, z]: readonly [number, number, number],
  tool: Arm['tool'],
): PlaceFigures {
  const one = (way: Way, value: number): Figure =>
    given(`${id}${way}`, `${label}, ${WAYS[way]}`, value, uncertaintyOf(tool), 'mm', {
      source: tool === 'chosen' ? 'As wanted' : `Read by ${tool === 'tape' ? 'tape' : 'steel rule'}`,
      evidence: tool === 'chosen' ? 'chosen' : 'measured',
      byTape: tool !== 'chosen',
      // A place of the car against the axle is true of one ride height, and of the springs that give it.
      waits: waitsFor(['rideHeight', 'springs']),
    });
  return [one('x', x), one('y', y), one('z', z)];
}

/** A place in another hole of its bracket. */
function inHole(arm: Arm, id: string, end: 'a' | 'c', place: PlaceFigures): PlaceFigures {
  const [read, use] = [arm[`${end}Read`] ?? 1, arm[`${end}Use`] ?? arm[`${end}Read`] ?? 1];
  const steps = use - read;
  if (steps === 0) return place;
  const moved = (way: 'x' | 'z', from: Figure, step: number): Figure =>
    step === 0
      ? from
      : derive({
          id: `${from.id}.hole`,
          label: `${from.label}, hole ${use}`,
          unit: 'mm',
          formula: '{p} + {n}·{s}',
          source: 'The place as read, and as many holes on',
          inputs: {
            p: from,
            n: given(`arm.${id}.${end}On`, 'Holes on', steps, 0, 'count', 'Hole used, from the one read'),
            s: given(`arm.${id}.${end}Step${way}`, `Hole to hole, ${WAYS[way]}`, step, 0, 'mm', 'As listed'),
          },
        });
  const [x, y, z] = place;
  return [moved('x', x, arm[`${end}StepX`] ?? 0), y, moved('z', z, arm[`${end}StepZ`] ?? 0)];
}

/** Where a bracket on the axle holds an arm: its bolt stands off the tube as the bracket does. */
function atBracket(r: Reads, arm: Arm, id: string, axleHeight: Figure): PlaceFigures | undefined {
  const placed = r.of(placeOf(id));
  const od = r.of(tubesOutside)[placed?.side ?? 'left'];
  const flat = r.of(newFlat);
  if (!placed?.middle || !placed.clock || !od || !flat || placed.item.high === undefined) return undefined;
  const h = given(`bracket.${id}.high`, `${placed.item.name}, off the skin`, placed.item.high, 0, 'mm', {
    source: 'As listed of the bracket',
    byTape: true,
  });
  const inputs = { D: od, h, c: placed.clock, s: flat };
  const source =
    'From the brackets: its bolt off the tube’s middle, at its clock, with the casting as it is set';
  const spec = (way: Way) => ({
    id: `arm.at.${id}.${way}`,
    label: `${placed.item.name}, its bolt, ${WAYS[way]}`,
    unit: 'mm' as const,
    source,
  });
  return [
    derive({ ...spec('x'), formula: '({D}/2 + {h})·sin({c} − {s})', inputs }),
    derive({
      ...spec('y'),
      formula: arm.side === 'pair' ? '|{y}|' : '{y}',
      inputs: { y: placed.middle },
    }),
    derive({
      ...spec('z'),
      formula: '{H} + ({D}/2 + {h})·cos({c} − {s})',
      inputs: { ...inputs, H: axleHeight },
    }),
  ];
}

const OTHER_NAMES = [
  [/\bL$/, 'R'],
  [/\bleft\b/, 'right'],
  [/\bLeft\b/, 'Right'],
] as const;

/**
 * The bracket that holds the right one of a pair: as said; else the one on the right of the same kind whose name is the
 * left one’s with its side changed.
 */
export function rightBracket(
  brackets: Readonly<Record<string, Bracket>>,
  { side, bracket, bracketRight }: Pick<Arm, 'side' | 'bracket' | 'bracketRight'>,
): string | undefined {
  if (side !== 'pair' || bracket === undefined) return undefined;
  if (bracketRight !== undefined) return bracketRight;
  const left = brackets[bracket];
  const names = left ? OTHER_NAMES.map(([from, to]) => left.name.replace(from, to)) : [];
  const found = Object.entries(brackets).filter(
    ([, b]) => b.side === 'right' && b.kind === left?.kind && b.name !== left.name && names.includes(b.name),
  );
  return found.length === 1 ? found[0]?.[0] : undefined;
}

/** Both ends of an arm as figures; nothing at the axle for what has no end there, or where it is not known. */
export function endsOf(
  r: Reads,
  id: string,
  arm: Arm,
  axleHeight: Figure,
): {
  readonly axle: PlaceFigures | undefined;
  /** Of a pair the right one’s, mirrored to the left; the left one’s where nothing else is said. */
  readonly right: PlaceFigures | undefined;
  readonly car: PlaceFigures;
} {
  const { ax, ay, az } = arm;
  const own =
    ax !== undefined && ay !== undefined && az !== undefined
      ? listed(`arm.${id}.a`, `${arm.name}, axle end`, [ax, ay, az], arm.tool)
      : undefined;
  const axle = arm.bracket ? atBracket(r, arm, arm.bracket, axleHeight) : own && inHole(arm, id, 'a', own);
  const other = rightBracket(r.part('brackets'), arm);
  const right = other === undefined ? axle : atBracket(r, arm, other, axleHeight);
  const car = listed(`arm.${id}.c`, `${arm.name}, car end`, [arm.cx, arm.cy, arm.cz], arm.tool);
  return { axle, right, car: inHole(arm, id, 'c', car) };
}

/** Places of a crank and its bars, as figures. */
export function crankPlaces(id: string, c: Crank) {
  const at = (what: string, label: string, y: number, z: number): PlaceFigures =>
    listed(`crank.${id}.${what}`, `${c.name}, ${label}`, [c.px, y, z], 'tape');
  return {
    pivot: at('p', 'pivot', c.py, c.pz),
    arm: [at('top', 'top eye', c.topY, c.topZ), at('low', 'lower eye', c.lowY, c.lowZ)] as const,
    ends: [
      at('topEnd', 'top bar’s far end', c.topEndY, c.topEndZ),
      at('lowEnd', 'lower bar’s far end', c.lowEndY, c.lowEndZ),
    ] as const,
  };
}

/** A figure or nothing, as a number. */
export const valueOf = (figure: Maybe): number => figure?.value ?? Number.NaN;
