import type { Figure, Maybe } from '../../../measure';
import { asks } from '../../../stage';
import { track } from '../../stance/figures/stance';
import { briefStage } from '../brief-stage';
import { node } from '../node';

/** Height of the centre of gravity by scales, mm, where the car was weighed with its front raised. */
export const weighedHeight = asks<Figure>('brief.weighedHeight');

/** Height of the centre of gravity: by scales where it was weighed, else as said. */
export const centreHeight = node(
  'centreHeight',
  (r): Maybe => r.of(weighedHeight) ?? r.figure('brief.cgHeight'),
);

/** Wheelbase with the axle moved in its spring plates, mm, where it is moved. */
export const movedWheelbase = asks<Figure>('brief.movedWheelbase');

/** Wheelbase as the car will have it: as read, and as its axle is moved. */
export const wheelbaseNow = node(
  'wheelbaseNow',
  (r): Maybe => r.of(movedWheelbase) ?? r.figure('brief.wheelbase'),
);

/** What the car weighs and what its shafts must carry. */
export const torque = node('torque', (r) =>
  briefStage({
    launch: r.field('brief', 'launch'),
    differential: r.field('brief', 'differential'),
    gears: r.field('brief', 'gears'),
    torqueCurve: r.field('brief', 'torqueCurve'),
    mass: r.figure('brief.mass'),
    front: r.figure('brief.front'),
    rear: r.figure('brief.rear'),
    wheelbase: r.of(wheelbaseNow),
    cgHeight: r.of(centreHeight),
    tyreDiameter: r.figure('brief.tyreDiameter'),
    torque: r.figure('brief.torque'),
    stall: r.figure('brief.stall'),
    axleRatio: r.figure('brief.axleRatio'),
    efficiency: r.figure('brief.efficiency'),
    friction: r.figure('brief.friction'),
    hop: r.figure('brief.hop'),
    reaction: r.choice('reaction'),
    track: r.of(track),
  }),
);

/** Torque one shaft must carry. */
export const demand = node('demand', (r) => r.of(torque).demand);
