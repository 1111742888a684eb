import { demand } from '../../brief/figures/torque';
import { endsRead } from '../../cut/figures/ends';
import { stand } from '../../cut/figures/stand';
import { endsStage } from '../../cut/ends-stage';
import { stockTaken, using } from '../../shafts/figures/in-use';
import { bendTable } from '../bend-table';
import { brakeStage } from '../brake-stage';
import { node, type Reads } from '../node';
import { retentionWays } from '../retention';
import { studStage } from '../stud-stage';

/** Thread of the studs that will be used; that of a stock shaft’s flange is not the donor’s. */
const threadName = (r: Reads): string =>
  r.fact('new.studThread')?.value ?? (r.of(stockTaken) ? '' : r.fact('donor.studThread')?.value) ?? '';

/** Studs, nuts, spacers and adapters. */
export const studs = node('studs', (r) => {
  const use = using(r);
  return studStage({
    thread: threadName(r),
    frontThread: r.fact('car.studThread')?.value ?? '',
    studClass: r.fact('new.studClass')?.value ?? '',
    seat: r.fact('new.seat')?.value ?? '',
    wheelSeat: r.fact('car.seat')?.value ?? '',
    spacer: r.choice('spacer'),
    length: r.figure('stud.length'),
    hat: r.figure('stud.hat'),
    pad: r.figure('stud.pad'),
    nut: r.figure('stud.nut'),
    knurl: r.figure('stud.knurl'),
    hole: r.figure('redrill.hole') ?? use('donor.flangeHole'),
    torque: r.figure('stud.torque'),
    spacerThick: r.figure('spacer.thick'),
    adapterFloor: r.figure('adapter.floor'),
    adapterNut: r.figure('adapter.nut'),
    adapterStud: r.figure('adapter.stud'),
    studs: r.figure('car.wheelHoles') ?? use('donor.flangeHoles'),
    pcd: r.figure('car.wheelPcd') ?? use('donor.flangePcd'),
    flangeStuds: use('donor.flangeHoles'),
    flangePcd: use('donor.flangePcd'),
    demand: r.of(demand),
  });
});

/** Where rotor and caliper stand. */
export const brakes = node('brakes', (r) => {
  const { space } = r.of(stand);
  return brakeStage({
    spaceLeft: space.left,
    spaceRight: space.right,
    diameter: r.figure('rotor.diameter'),
    offset: r.figure('rotor.offset'),
    caliper: r.figure('caliper.middle'),
    pad: r.figure('pad.height'),
    rimInside: r.figure('rim.inside'),
    hoseReach: r.figure('car.hoseReach'),
    hoseDroop: r.figure('hose.droop'),
  });
});

/** Ways to hold the shafts in. */
export const ways = node('ways', (r) => {
  const read = endsRead(r);
  return retentionWays(read.from, (to) => endsStage({ ...read, to }).moved);
});

/** Bend tables of the lines, by their ids. */
export const lines = node('lines', (r) =>
  Object.fromEntries(Object.entries(r.part('lines')).map(([id, line]) => [id, bendTable(line)])),
);
