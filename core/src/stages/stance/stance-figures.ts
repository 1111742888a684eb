import type { Side } from '../../geometry';
import { type Figure, given, derive, assumedAs, type Maybe } from '../../measure';
import { waitsFor } from '../../stage';
import type { Spacer } from './choices';
import type { StanceInput } from './stance-result';
import type { TyreSize } from './tyre-size';
import { measuringRim } from './wheel';

export const sized = (id: string, label: string, value: number): Figure => {
  const why = 'by the size on the sidewall; measure it pumped up, on its rim';
  return given(id, label, value, 0, 'mm', {
    source: `Assumed: ${why}`,
    assumed: why,
    waits: waitsFor(['tyre']),
  });
};

export function sectionFigure(f: StanceInput['figures'], tyre: TyreSize | undefined): Maybe {
  const measured = f('tyre.section');
  if (measured) return measured;
  const R = f('wheel.rim');
  if (!tyre || !R) return undefined;
  const rim = measuringRim(tyre.section, tyre.aspect);
  return derive({
    id: 'stance.section',
    label: 'Section on this rim',
    unit: 'mm',
    formula: '{s_0} + 0.4·25.4·({R} − {R_m})',
    source: 'A tyre’s section grows by 0.4 of what its rim is wider than the measuring rim',
    inputs: {
      s_0: sized('tyre.named', 'Section by its size', tyre.section),
      R,
      R_m: given(
        'tyre.measuringRim',
        'Measuring rim, inch',
        rim,
        0,
        'count',
        'Of this size, by the tyre standards',
      ),
    },
  });
}

export function diameterOff(read: Maybe, named: Maybe): Maybe {
  if (!read || !named) return undefined;
  return derive({
    id: 'tyre.diameterOff',
    label: 'Tyre diameter against its size',
    unit: 'ratio',
    formula: '{D}/{D_0} − 1',
    source: 'As read over what the sidewall says',
    inputs: { D: read, D_0: named },
  });
}

export function halfFigure(W: Maybe): Maybe {
  if (!W) return undefined;
  return derive({
    id: 'stance.half',
    label: 'Half of the WMS width',
    unit: 'mm',
    formula: '{W}/2',
    source: 'Middle of the axle to the wheel’s face',
    inputs: { W },
  });
}

/** A spacer moves the wheel out; one whose thickness is not known leaves the offset unknown. */
export function offsetFigure(et: Maybe, spacer: Maybe, kind: Spacer): Maybe {
  if (!et || kind === 'none') return et;
  if (!spacer) return undefined;
  return derive({
    id: 'stance.et',
    label: 'Offset with the spacer',
    unit: 'mm',
    formula: '{ET} − {t}',
    source: 'A spacer moves the wheel out, as a smaller offset would',
    inputs: { ET: et, t: spacer },
    inMm: true,
  });
}

export function trackFigure(W: Maybe, et: Maybe): Maybe {
  if (!W) return undefined;
  const label = 'Track, tyre middle to tyre middle';
  if (!et) return assumedAs(W, 'stance.track', label, 'the WMS width, while the wheel’s offset is not known');
  return derive({
    id: 'stance.track',
    label,
    unit: 'mm',
    formula: '{W} − 2·{ET}',
    source: 'WMS width less both offsets',
    inputs: { W, ET: et },
  });
}

export function backspaceFigure(R: Maybe, ET: Maybe): Maybe {
  if (!R || !ET) return undefined;
  return derive({
    id: 'stance.backspace',
    label: 'Backspace',
    unit: 'mm',
    formula: '(25.4·{R} + 25.4)/2 + {ET}',
    source: 'Half of the rim over its flanges, plus the offset',
    inputs: { R, ET },
  });
}

export function radialOf(f: StanceInput['figures'], diameter: Maybe, side: Side): Maybe {
  const [lip, bump] = [f(`room.lip.${side}`), f('spring.bump')];
  if (!lip || !bump || !diameter) return undefined;
  return derive({
    id: `stance.radial.${side}`,
    label: `Tyre’s top to the arch lip at bump, ${side}`,
    unit: 'mm',
    formula: '{h} − {z} − {D}/2',
    source: 'Lip above the hub, less the bump travel and the tyre’s radius',
    inputs: { h: lip, z: bump, D: diameter },
  });
}

export function caliperOf(f: StanceInput['figures']): Maybe {
  const [inside, reach] = [f('rim.inside'), f('brake.radius')];
  if (!inside || !reach) return undefined;
  return derive({
    id: 'stance.caliper',
    label: 'Brake to the rim',
    unit: 'mm',
    formula: '{d}/2 − {r}',
    source: 'Inside of the rim less the brake’s outermost point',
    inputs: { d: inside, r: reach },
  });
}
