import type { Side } from '../geometry';

/** Something welded or bolted to a tube that a cut must stay clear of. Lengths mm. */
export interface TubeItem {
  readonly side: Side;
  readonly name: string;
  /** Where it begins and ends, from the casting face, welds included. */
  readonly from: number;
  readonly to: number;
}

/** Faces whose hole patterns have to agree. */
export const PATTERN_FACES = ['flange', 'wheel', 'rotor'] as const;
export type PatternFace = (typeof PATTERN_FACES)[number];

/** One caliper reading between two holes or studs of a pattern. */
export interface ChordReading {
  /** How many holes further on the second one is: 1 for neighbours. */
  readonly steps: number;
  /** As read, mm. */
  readonly distance: number;
  /** Between what it was read. */
  readonly over: 'centres' | 'outside' | 'inside';
  /** Diameter of hole or stud, mm; needed where it was not read between centres. */
  readonly diameter?: number;
}
export const CHORD_OVER = ['centres', 'outside', 'inside'] as const;

/** A hole pattern as it was read. */
export interface PatternReadings {
  /** 3 to 10. */
  readonly holes: number;
  readonly chords: readonly ChordReading[];
}

/** A place of the flange that must stay whole, or is a hole already: rotor screw, access hole, balance hole. */
export interface KeepOut {
  readonly name: string;
  /** From the flange’s middle, mm. */
  readonly radius: number;
  /** From the first old stud hole on, anticlockwise seen from outside, rad. */
  readonly angle: number;
  readonly diameter: number;
}

/** A point in the car, mm: x forward, y left, z up. */
export type Point3 = readonly [x: number, y: number, z: number];

/** A brake line as its corners, before they are rounded. */
export interface BrakeLine {
  readonly name: string;
  readonly points: readonly Point3[];
  /** Of the bender’s die, to the line’s middle, mm. */
  readonly radius: number;
  /** What one flare takes, mm. */
  readonly flare: number;
}
