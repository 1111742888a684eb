import { BOLT_BENDS, carryOver, uBolt, type BoltBend } from '../../../mechanics';
import { calculation, number, object, oneOf, type Broken } from '../../../stage';
import { SIDES, type Side } from '../../../geometry';

interface CarryInput {
  readonly bracketFromCastingMm: number;
  readonly oldCastingFromPinionMm: number;
  readonly oldPinionFromCentreMm: number;
  readonly newCastingFromPinionMm: number;
  readonly newPinionFromCentreMm: number;
  readonly side?: Side;
}
const PLACE = number(-3000, 3000);

export const carryOverOf = calculation<CarryInput>({
  name: 'carry-over',
  what: 'Place of a bracket on another axle, carried over through the car’s centreline.',
  input: object<CarryInput>(
    {
      bracketFromCastingMm: PLACE,
      oldCastingFromPinionMm: number(0, 1500),
      oldPinionFromCentreMm: number(-1000, 1000),
      newCastingFromPinionMm: number(0, 1500),
      newPinionFromCentreMm: number(-1000, 1000),
      side: oneOf<Side>(SIDES),
    },
    ['side'],
  ),
  fields: {
    bracketFromCastingMm: 'outboard of the old casting face, mm',
    oldCastingFromPinionMm: 'old pinion axis to the casting face of this side, mm',
    oldPinionFromCentreMm: 'old pinion axis from the car’s centreline, left +, mm',
    newCastingFromPinionMm: 'new pinion axis to the casting face of this side, mm',
    newPinionFromCentreMm: 'new pinion axis from the car’s centreline, left +, mm',
    side: 'of the axle it is on; left where left out',
  },
  gives: {
    fromCentreMm: 'from the car’s centreline, left +, mm',
    fromNewCastingMm: 'outboard of the new casting face, mm; minus where it would stand on the casting',
  },
  example: {
    bracketFromCastingMm: 304.8,
    oldCastingFromPinionMm: 96.2,
    oldPinionFromCentreMm: -4.5,
    newCastingFromPinionMm: 127.98,
    newPinionFromCentreMm: -12,
  },
  run: (c) => {
    const { y, fromNewCasting } = carryOver({
      side: c.side ?? 'left',
      fromOldCasting: c.bracketFromCastingMm,
      oldCasting: c.oldCastingFromPinionMm,
      oldPinion: c.oldPinionFromCentreMm,
      newCasting: c.newCastingFromPinionMm,
      newPinion: c.newPinionFromCentreMm,
    });
    return { fromCentreMm: y, fromNewCastingMm: fromNewCasting };
  },
});

interface UBoltInput {
  readonly tubeMm: number;
  readonly boltMm: number;
  readonly stackMm: number;
  readonly plateMm: number;
  readonly nutMm: number;
  readonly proudMm: number;
  readonly bend: BoltBend;
  readonly cornerMm?: number;
}

/** A square bend has corners that its bolt can be bent to and that fit round the tube. */
const cornersFit = ({ tubeMm, boltMm, bend, cornerMm }: UBoltInput): Broken | undefined => {
  if (bend === 'round') return undefined;
  const [least, most] = [boltMm / 2, (tubeMm + boltMm) / 2];
  if (cornerMm !== undefined && cornerMm >= least && cornerMm <= most) return undefined;
  return {
    field: 'cornerMm',
    wrong: cornerMm === undefined ? 'is missing for a square bend' : 'does not fit between bolt and tube',
    right: `${least} to ${most} mm along the bolt’s middle`,
  };
};

export const uBoltOf = calculation<UBoltInput>({
  name: 'u-bolt',
  what: 'Lengths of a U-bolt, by the tube and what it clamps.',
  input: object<UBoltInput>(
    {
      tubeMm: number(10, 300),
      boltMm: number(3, 40),
      stackMm: number(0, 500),
      plateMm: number(0, 60),
      nutMm: number(0, 60),
      proudMm: number(0, 100),
      bend: oneOf<BoltBend>(BOLT_BENDS),
      cornerMm: number(0, 200),
    },
    ['cornerMm'],
    cornersFit,
  ),
  fields: {
    tubeMm: 'outside of the tube, mm',
    boltMm: 'shank of the U-bolt, mm',
    stackMm: 'perch, springs and blocks between tube and plate, mm',
    plateMm: 'thickness of the plate, mm',
    nutMm: 'height of nut and washer, mm',
    proudMm: 'thread that stands out of the nut, mm',
    bend: 'round over the tube, or square with two corners',
    cornerMm: 'radius of a square bend’s corners along the bolt’s middle, mm',
  },
  gives: {
    arcMm: 'along the bolt’s middle over the tube, from the height of its centre to there, mm',
    legMm: 'tube’s centre to the end of a leg, mm',
    developedMm: 'straight bar that it is bent from, mm',
  },
  example: { tubeMm: 76.2, boltMm: 12.7, stackMm: 52, plateMm: 10, nutMm: 14, proudMm: 6, bend: 'round' },
  run: (u) => {
    const { arc, leg, developed } = uBolt({
      tube: u.tubeMm,
      bolt: u.boltMm,
      stack: u.stackMm,
      plate: u.plateMm,
      nut: u.nutMm,
      proud: u.proudMm,
      bend: u.bend,
      corner: u.cornerMm ?? 0,
    });
    return { arcMm: arc, legMm: leg, developedMm: developed };
  },
});
