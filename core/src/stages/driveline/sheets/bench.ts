import { SIDES } from '../../../geometry';
import { cellsRow, weldRow, type Pen, type SheetDef, type SheetSection } from '../../../stage';
import { CAUTIONS } from '../../sheets/cautions';
import { FACE_NAMES, ZERO_NAMES, ZEROS, type BenchFace } from '../bench-card';
import { perchDecision, slopeDecision } from '../decisions';
import { bench, turns } from '../figures/bench';
import { runningSlope, wantedSlope } from '../figures/slopes';
import { AIM_NAMES, SUSPENSION_NAMES } from '../names';
import type { Reads } from '../node';

/** A perch is welded by its angle. */
const rowOf = ({ face }: BenchFace) => (face.startsWith('perch') ? weldRow : cellsRow);

function sections(r: Reads, { print }: Pen): readonly SheetSection[] {
  const faces = r.of(bench);
  const turn = r.of(turns);
  return [
    {
      title: 'Pinion',
      columns: ['Front higher is plus'],
      rows: [
        weldRow('Slope to set', 'at ride height, at rest', [print(r.of(wantedSlope))]),
        cellsRow('Slope as welded', 'in the car, at rest', [print(r.figure('bench.welded'))]),
        cellsRow('Slope while it drives', '', [print(r.of(runningSlope))]),
        cellsRow('Pinion as it lies', 'on the stands', [print(r.figure('bench.now'))]),
      ],
    },
    {
      title: 'Gauge must show',
      columns: ZEROS.map((zero) => `zero: ${ZERO_NAMES[zero].replace(/^the /, '')}`),
      rows: faces.map((f) =>
        rowOf(f)(
          FACE_NAMES[f.face],
          '',
          ZEROS.map((zero) => print(f.shows[zero])),
        ),
      ),
    },
    {
      title: 'With a level and a square',
      columns: ['Front end higher by'],
      rows: faces
        .filter((f) => f.face !== 'flange')
        .map((f) => rowOf(f)(FACE_NAMES[f.face], 'over the level’s length', [print(f.rise)])),
    },
    {
      title: 'Perch turns from where it stands',
      columns: ['Left', 'Right'],
      rows: [
        weldRow(
          'Front up is plus',
          '',
          SIDES.map((side) => print(turn[side])),
        ),
      ],
    },
  ];
}

/** What lies beside the axle on the stands while its perches are set. */
export const benchSheet: SheetDef<Reads> = {
  id: 'bench',
  title: 'Bench card',
  address: 'bench-card',
  bench: true,
  wall: 'the driveshaft order',
  head: (r) => [
    ['Car', r.field('brief', 'vehicle') || '–'],
    ['Donor', r.field('brief', 'donor') || '–'],
    ['Way', AIM_NAMES[r.choice('aim')]],
    ['Held by', SUSPENSION_NAMES[r.choice('suspension')]],
  ],
  sections,
  checks: ['driveline'],
  decisions: [slopeDecision, perchDecision],
  cautions: [
    'For the level: turn the axle until a square on the pinion flange’s face stands plumb, then lay the level on the face and lift its low end.',
    ...CAUTIONS,
  ],
};
