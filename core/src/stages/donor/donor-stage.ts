import type { SIDES, Sided } from '../../geometry';
import { derive, type Figure, type Maybe } from '../../measure';

export interface DonorInput {
  readonly halfLeft: Maybe;
  readonly halfRight: Maybe;
  readonly width: Maybe;
  readonly castingLeft: Maybe;
  readonly castingRight: Maybe;
  readonly tubeLeft: Maybe;
  readonly tubeRight: Maybe;
  readonly brakeSpaceLeft: Maybe;
  readonly brakeSpaceRight: Maybe;
  readonly teeth: Maybe;
  readonly pitch: Maybe;
  readonly splineMajor: Maybe;
}

export interface DonorResult {
  /** WMS width as the sum of both halves, mm. */
  readonly width?: Figure;
  /** Pinion axis from the middle of the WMS width, mm, plus to the left. */
  readonly pinion?: Figure;
  /** Halves less the width read across, mm. */
  readonly widthClosure?: Figure;
  /** Casting + tube + brake space less the half, per side, mm. */
  readonly closure: Sided<Maybe>;
  readonly spline?: { readonly pitch: Figure; readonly major: Figure; readonly minor: Figure };
  /** Measured major diameter less the standard's, mm. */
  readonly splineOff?: Figure;
}

/** The donor as it stands: width, pinion place, spline, and whether its readings add up. */
export function donorStage(input: DonorInput): DonorResult {
  const closure = { left: sideClosure(input, 'left'), right: sideClosure(input, 'right') };
  return { ...widths(input), closure, ...spline(input) };
}

function widths({ halfLeft: L, halfRight: R, width }: DonorInput) {
  if (!L || !R) return {};
  const inputs = { H_L: L, H_R: R };
  const sum = derive({
    id: 'donor.sum',
    label: 'Donor WMS width',
    unit: 'mm',
    formula: '{H_L} + {H_R}',
    source: 'Both halves',
    inputs,
  });
  const pinion = derive({
    id: 'donor.pinion',
    label: 'Donor pinion from middle',
    unit: 'mm',
    formula: '({H_R} − {H_L})/2',
    source: 'Derivation: middle of the WMS width less the pinion axis, plus to the left',
    inputs,
  });
  if (!width) return { width: sum, pinion };
  const widthClosure = derive({
    id: 'donor.widthClosure',
    label: 'Donor halves against width',
    unit: 'mm',
    formula: '{H_L} + {H_R} − {W}',
    source: 'Closing the traverse',
    inputs: { W: width, ...inputs },
  });
  return { width: sum, pinion, widthClosure };
}

function sideClosure(input: DonorInput, side: (typeof SIDES)[number]): Maybe {
  const left = side === 'left';
  const K = left ? input.castingLeft : input.castingRight;
  const T = left ? input.tubeLeft : input.tubeRight;
  const B = left ? input.brakeSpaceLeft : input.brakeSpaceRight;
  const H = left ? input.halfLeft : input.halfRight;
  if (!K || !T || !B || !H) return undefined;
  return derive({
    id: `donor.closure.${side}`,
    label: `Parts against half, ${side}`,
    unit: 'mm',
    formula: '{K} + {T} + {B} − {H}',
    source: 'Casting, tube and brake space must make up the half',
    inputs: { K, T, B, H },
  });
}

function spline({ teeth: N, pitch: P, splineMajor }: DonorInput) {
  if (!N || !P) return {};
  const inputs = { N, P };
  const source = 'ANSI B92.1, 30° flat root, side fit';
  const make = (id: string, label: string, formula: string) =>
    derive({ id: `spline.${id}`, label, unit: 'mm', formula, source, inputs });
  const major = make('major', 'Spline major diameter', '25.4·({N} + 1)/{P}');
  const all = {
    pitch: make('pitch', 'Spline pitch diameter', '25.4·{N}/{P}'),
    major,
    minor: make('minor', 'Spline minor diameter', '25.4·({N} − 1.35)/{P}'),
  };
  if (!splineMajor) return { spline: all };
  const splineOff = derive({
    id: 'spline.off',
    label: 'Spline against the standard',
    unit: 'mm',
    formula: '{D} − {D_o}',
    source,
    inputs: { D: splineMajor, D_o: major },
  });
  return { spline: all, splineOff };
}
