import type { PlaceId } from '../../../stage';
import type { Side } from '../../../geometry';
import { derive, given, INSTRUMENTS, type Figure, type Maybe } from '../../../measure';
import { slopeOf } from '../../driveline/figures/bench';
import type { Bracket, BracketDatum, BracketKit, BracketTool } from '../choices';
import { BRACKET_DATUM_NAMES, EDGE_NAMES } from '../names';
import type { Reads } from '../node';
import { datumLacks, newFlat, oldFlat, wayOf, type AxleFrame } from './frame';

/** From what the place of a bracket follows. */
export type PlacedBy = 'made' | 'place' | 'kit' | 'old' | 'car';

/** Standard uncertainty of one reading with a tool, mm. */
export const uncertaintyOf = (tool: BracketTool): number => INSTRUMENTS[tool].halfResolution / Math.sqrt(3);
export const GAUGE = INSTRUMENTS.angleGauge.halfResolution / Math.sqrt(3);

export interface Asked {
  readonly r: Reads;
  readonly id: string;
  readonly item: Bracket;
  readonly side: Side;
  readonly old: AxleFrame;
  readonly now: AxleFrame;
}

/** A place by a datum: outboard of it, but inboard of a housing end; left plus from the centreline where it is across. */
export function fromDatum(asked: Asked, frame: AxleFrame, datum: BracketDatum, a: Figure, tag: string): Maybe {
  const { id, item, side } = asked;
  const spec = {
    id: `bracket.${id}.${tag}`,
    label: `${item.name}, ${EDGE_NAMES[item.edge]} from the car’s centreline`,
    unit: 'mm' as const,
    source: `Its distance and the ${BRACKET_DATUM_NAMES[datum]}; left is plus`,
  };
  const across = item.side === 'across';
  if (datum === 'centre')
    return derive({ ...spec, formula: across || side === 'left' ? '{a}' : '−{a}', inputs: { a } });
  // Of the two sides’ faces and seats none is that of what lies across both.
  if (across) return undefined;
  const d = datum === 'casting' ? frame.casting[side] : datum === 'end' ? frame.end[side] : frame.seat[side];
  if (!d) return undefined;
  const way = datum === 'end' ? wayOf(side === 'left' ? 'right' : 'left') : wayOf(side);
  return derive({ ...spec, formula: `{d} ${way} {a}`, inputs: { d, a } });
}

/** Place of the measured edge as it follows from one source; what it lacks where it does not. */
export interface Found {
  readonly y: Maybe;
  readonly clock: Maybe;
  readonly lacks: readonly PlaceId[];
  /** It says how it is turned, and nothing of where it is. */
  readonly clockOnly?: boolean;
}

function chosenAt({ id, item }: Asked, what: string, value: number, source: string): Figure {
  return given(`bracket.${id}.${what}`, `${item.name}, ${what}`, value, 0, 'mm', { source, byTape: true });
}

/** What a chosen place lacks: of what lies all across, to be said from the centreline. */
const placeLacks = (side: Bracket['side'], datum: BracketDatum, of: Side): readonly PlaceId[] =>
  side === 'across' && datum !== 'centre' ? ['bracket.list'] : datumLacks('new', datum, of);

function byPlace(asked: Asked): Found | undefined {
  const { id, item, side, now } = asked;
  const { place } = item;
  if (!place) return undefined;
  const a =
    place.at === undefined
      ? undefined
      : chosenAt(asked, 'at', place.at, `Chosen, from the ${BRACKET_DATUM_NAMES[place.datum]}`);
  return {
    y: a && fromDatum(asked, now, place.datum, a, 'byPlace'),
    clock:
      place.clock === undefined
        ? undefined
        : given(`bracket.${id}.chosenClock`, `${item.name}, clock`, place.clock, 0, 'rad', 'Chosen'),
    lacks: a ? placeLacks(item.side, place.datum, side) : [],
    clockOnly: !a,
  };
}

function byKit(asked: Asked): Found | undefined {
  const { r, id, item, now } = asked;
  const kit: BracketKit | undefined = item.kit === undefined ? undefined : r.part('bracketKits')[item.kit];
  if (!kit || item.inKit === undefined) return undefined;
  const side = kit.side === 'right' ? 'right' : 'left';
  const at = given(`kit.${item.kit}.at`, `${kit.name}, its datum`, kit.at, 0, 'mm', {
    source: `Chosen, from the ${BRACKET_DATUM_NAMES[kit.datum]}`,
    byTape: true,
  });
  const whole = { ...item, side: kit.side };
  const d = fromDatum({ ...asked, item: whole, side }, now, kit.datum, at, 'kitDatum');
  const x = chosenAt(asked, 'inKit', item.inKit, 'As its instruction says, from the kit’s datum, outboard');
  return {
    y:
      d &&
      derive({
        id: `bracket.${id}.byKit`,
        label: `${item.name}, ${EDGE_NAMES[item.edge]} from the car’s centreline`,
        unit: 'mm',
        formula: `{d} ${wayOf(asked.side)} {x}`,
        source: 'The kit’s datum, and its place within the kit; left is plus',
        inputs: { d, x },
      }),
    clock:
      item.inKitClock === undefined
        ? undefined
        : given(
            `bracket.${id}.kitClock`,
            `${item.name}, clock`,
            item.inKitClock,
            0,
            'rad',
            'As its kit’s instruction says',
          ),
    lacks: placeLacks(kit.side, kit.datum, side),
  };
}

function byOld(asked: Asked): Found | undefined {
  const { id, item, side, old } = asked;
  const read = item.old;
  if (!read) return undefined;
  const a = given(
    `bracket.${id}.old`,
    `${item.name}, ${EDGE_NAMES[item.edge]}, on the old axle`,
    read.at,
    uncertaintyOf(read.tool),
    'mm',
    {
      source: `Read from the ${BRACKET_DATUM_NAMES[read.datum]}, by ${INSTRUMENTS[read.tool].label}`,
      evidence: 'measured',
      byTape: read.tool !== 'caliper',
    },
  );
  return {
    y: fromDatum(asked, old, read.datum, a, 'byOld'),
    clock: carriedClock(asked),
    lacks: datumLacks('old', read.datum, side),
  };
}

/** What was read against the old casting’s flat stays as it is in the car; the new casting’s flat lies otherwise. */
function carriedClock({ r, id, item }: Asked): Maybe {
  const read = item.old;
  if (read?.clock === undefined) return undefined;
  const c = given(`bracket.${id}.oldClock`, `${item.name}, clock on the old axle`, read.clock, GAUGE, 'rad', {
    source: `Gauge zeroed on ${read.zero === 'flat' ? 'the flat of the old casting' : 'level'}`,
    evidence: 'measured',
  });
  const [f, g] = [r.of(oldFlat), r.of(newFlat)];
  if (!g || (read.zero === 'flat' && !f)) return undefined;
  const inputs = { c, g, ...(read.zero === 'flat' && f ? { f } : {}) };
  return derive({
    id: `bracket.${id}.carriedClock`,
    label: `${item.name}, clock against the new casting’s flat`,
    unit: 'rad',
    formula: read.zero === 'flat' ? '{c} − {f} + {g}' : '{c} + {g}',
    source:
      'It stands in the car as before: its clock, less the old flat’s slope where it was read against that, and the new flat’s slope',
    inputs,
  });
}

function byCar(asked: Asked): Found | undefined {
  const { id, item, side } = asked;
  if (item.apart === undefined || item.side === 'across') return undefined;
  const s = given(
    `bracket.${id}.apart`,
    `${item.name}, its pair of pickup points apart`,
    item.apart,
    uncertaintyOf('tape'),
    'mm',
    { source: 'Read on the car by tape, middle to middle', evidence: 'measured', byTape: true },
  );
  // Pickup points are middles; its edge lies half of its width further in or out.
  const { edge } = item;
  const w = given(`bracket.${id}.wide`, `${item.name}, its width`, item.wide, 0, 'mm', {
    source: 'Its own size along the axle',
    byTape: true,
  });
  const out = edge === 'middle' ? '' : ` ${edge === 'outer' ? '+' : '−'} {w}/2`;
  return {
    y: derive({
      id: `bracket.${id}.byCar`,
      label: `${item.name}, ${EDGE_NAMES[edge]} from the car’s centreline`,
      unit: 'mm',
      formula: side === 'left' ? `{s}/2${out}` : `−({s}/2${out})`,
      source: 'Half of what its pickup points stand apart, projected to the axle; left is plus',
      inputs: edge === 'middle' ? { s } : { s, w },
    }),
    clock: undefined,
    lacks: [],
  };
}

const WAYS: readonly (readonly [Exclude<PlacedBy, 'made'>, (asked: Asked) => Found | undefined])[] = [
  ['place', byPlace],
  ['kit', byKit],
  ['old', byOld],
  ['car', byCar],
];

/** Place and clock as they follow from what is known: the first way that says a place, and the first that says a clock. */
export function wanted(asked: Asked): Found & { readonly by?: PlacedBy } {
  let by: PlacedBy | undefined;
  let found: Found | undefined;
  let clock: Maybe;
  for (const [way, of] of WAYS) {
    const one = of(asked);
    if (!one) continue;
    if (!found && !one.clockOnly) [found, by] = [one, way];
    // A place that says no clock keeps the one that was read.
    clock ??= one.clock;
  }
  return { y: found?.y, clock: clock ?? perchClock(asked), lacks: found?.lacks ?? [], ...(by ? { by } : {}) };
}

/** A perch for which nobody says an angle is turned as the spring seat lies, with the pinion as it is set. */
function perchClock({ r, id, item, side }: Asked): Maybe {
  if (item.kind !== 'perch') return undefined;
  const [s, g] = [slopeOf(r, `angle.perch.${side}`), r.of(newFlat)];
  if (!s || !g) return undefined;
  const h = given(
    `bracket.${id}.under`,
    'Side of the tube the spring lies on',
    Math.PI,
    0,
    'rad',
    'Under the axle',
  );
  const under = r.choice('springsWanted') === 'under';
  return derive({
    id: `bracket.${id}.perchClock`,
    label: `${item.name}, clock against the casting’s flat`,
    unit: 'rad',
    formula: under ? '{h} + {g} − {s}' : '{g} − {s}',
    source: 'So that the seat lies as the spring does, with the pinion as it is set',
    inputs: { s, g, ...(under ? { h } : {}) },
  });
}
