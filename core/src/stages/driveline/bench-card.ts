import { derive, type Figure, type Maybe } from '../../measure';
import { SIDES, type Side } from '../../geometry';

/** A face that a gauge can be laid on. */
export type Face = 'flange' | 'flat' | 'truss' | 'perch.left' | 'perch.right';
export const FACES: readonly Face[] = ['flange', 'flat', 'truss', 'perch.left', 'perch.right'];
export const FACE_NAMES: Readonly<Record<Face, string>> = {
  flange: 'Pinion flange',
  flat: 'Flat of the casting',
  truss: 'Truss flat',
  'perch.left': 'Left perch',
  'perch.right': 'Right perch',
};
/** What a gauge may be zeroed on. */
export type Zero = 'level' | 'flange' | 'flat';
export const ZEROS: readonly Zero[] = ['flange', 'flat', 'level'];
export const ZERO_NAMES: Readonly<Record<Zero, string>> = {
  level: 'level',
  flange: 'the pinion flange',
  flat: 'the flat of the casting',
};

export interface BenchInput {
  /** Pinion slope to set, at ride, at rest. */
  readonly slope: Maybe;
  /** Slopes of flat and pinion on the bench, against the same level. */
  readonly flat: Maybe;
  readonly pinion: Maybe;
  /** Truss flat, read with the gauge zeroed on the casting’s flat. */
  readonly truss: Maybe;
  /** Spring seats in the car, against level. */
  readonly seat: Readonly<Record<Side, Maybe>>;
  /** Pinion as it lies on the stands, against level. */
  readonly now: Maybe;
  readonly level: Maybe;
}

/** One face of the card. */
export interface BenchFace {
  readonly face: Face;
  /** Against the pinion, front higher +; true however the axle lies. */
  readonly fromPinion?: Figure;
  /** What the gauge must show there, by what it was zeroed on, the axle as it lies. */
  readonly shows: Readonly<Partial<Record<Zero, Figure>>>;
  /** Rise of the front end over the length of the level, the pinion turned level. */
  readonly rise?: Figure;
}

const angle = (
  id: string,
  label: string,
  formula: string,
  source: string,
  inputs: Readonly<Record<string, Figure>>,
) => derive({ id, label, unit: 'rad', formula, source, inputs });

/**
 * What a gauge must show on each face for a pinion slope, whatever way the axle is rolled.
 *
 * @source Angles against the pinion survive rolling: perch against pinion = spring seat − pinion slope
 */
export function benchCard(input: BenchInput): readonly BenchFace[] {
  const flat = relativeOf('flat', input);
  return FACES.map((face) => {
    const rel = relativeOf(face, input);
    if (!rel) return { face, shows: {} };
    const name = FACE_NAMES[face];
    const shows: Partial<Record<Zero, Figure>> = { flange: rel };
    if (flat)
      shows.flat = angle(
        `bench.${face}.byFlat`,
        `${name}, gauge zeroed on the flat`,
        '{α} − {φ}',
        'Both against the pinion',
        { α: rel, φ: flat },
      );
    if (input.now)
      shows.level = angle(
        `bench.${face}.byLevel`,
        `${name}, gauge zeroed on level`,
        '{α} + {ρ}',
        'Against the pinion, and the pinion as it lies',
        { α: rel, ρ: input.now },
      );
    return { face, fromPinion: rel, shows, ...riseOf(face, rel, input.level) };
  });
}

function riseOf(face: Face, rel: Figure, length: Maybe): Pick<BenchFace, 'rise'> {
  if (!length) return {};
  return {
    rise: derive({
      id: `bench.${face}.rise`,
      label: `${FACE_NAMES[face]}, rise over the level`,
      unit: 'mm',
      formula: '{ℓ}·tan({α})',
      source: 'With the pinion flange plumb: how much its front end stands higher over the level’s length',
      inputs: { ℓ: length, α: rel },
    }),
  };
}

/** A face’s angle against the pinion; undefined while something of it is not known. */
function relativeOf(face: Face, input: BenchInput): Maybe {
  if (face === 'perch.left' || face === 'perch.right')
    return perchOf(face === 'perch.left' ? 'left' : 'right', input);
  if (face === 'flange') return itself(input.pinion ?? input.slope);
  const onFlat = flatOf(input);
  const { truss } = input;
  if (face === 'flat' || !onFlat || !truss) return face === 'flat' ? onFlat : undefined;
  return angle('bench.trussFlat', 'Truss flat, against the pinion', '{f} + {t}', 'By the flat of the casting', {
    f: onFlat,
    t: truss,
  });
}

const itself = (p: Maybe): Maybe =>
  p &&
  angle('bench.flange', 'Pinion flange, against itself', '{p} − {p}', 'What the others are against', { p });

const flatOf = ({ flat: f, pinion: p }: BenchInput): Maybe =>
  f && p
    ? angle('bench.flat', 'Flat of the casting, against the pinion', '{f} − {p}', 'Both as read on the bench', {
        f,
        p,
      })
    : undefined;

function perchOf(side: Side, { seat, slope: p }: BenchInput): Maybe {
  const s = seat[side];
  if (!s || !p) return undefined;
  return angle(
    `bench.perch.${side}`,
    `Perch against the pinion, ${side}`,
    '{s} − {p}',
    'Spring seat in the car less the pinion slope to set: stays true when the axle is rolled',
    { s, p },
  );
}

/** How much each perch has to turn from where the donor’s stands: wanted less present, front higher +. */
export function perchTurn(
  input: BenchInput,
  now: Readonly<Record<Side, Maybe>>,
  tag = '',
): Readonly<Record<Side, Maybe>> {
  const of = (side: Side): Maybe => {
    const [want, is, pinion] = [relativeOf(`perch.${side}`, input), now[side], input.pinion];
    if (!want || !is || !pinion) return undefined;
    return angle(
      `bench.turn${tag && `.${tag}`}.${side}`,
      `Perch turns by, ${side}`,
      '{w} − ({a} − {p})',
      'What is wanted against the pinion, less what the donor’s perch has',
      { w: want, a: is, p: pinion },
    );
  };
  return Object.fromEntries(SIDES.map((side) => [side, of(side)])) as Record<Side, Maybe>;
}
