import type {
  BracketDatum,
  BracketEdge,
  BracketHold,
  BracketKind,
  BracketSide,
  FittingThread,
  LinkKind,
  SpringSide,
} from './choices';

export const KIND_NAMES: Readonly<Record<BracketKind, string>> = {
  perch: 'spring perch',
  link: 'link bracket',
  shock: 'shock mount',
  coil: 'coil-over mount',
  lateral: 'lateral-bar bracket',
  bumpStop: 'bump stop',
  truss: 'truss',
  brace: 'brace',
  breather: 'breather',
  drain: 'drain',
  filler: 'filler',
  hoseTab: 'hose tab',
  clip: 'line clip',
};
/** What it covers lies under it, and must be reached. */
export const COVERS: readonly BracketKind[] = ['truss', 'brace'];
/** What must stay open. */
export const FITTINGS: readonly BracketKind[] = ['breather', 'drain', 'filler'];
/** What links and bars pull at. */
export const PULLED: readonly BracketKind[] = ['link', 'lateral', 'shock', 'coil'];

export const SIDE_NAMES: Readonly<Record<BracketSide, string>> = {
  left: 'left',
  right: 'right',
  across: 'all across',
};
export const BRACKET_DATUM_NAMES: Readonly<Record<BracketDatum, string>> = {
  casting: 'casting face',
  end: 'housing end',
  centre: 'car’s centreline',
  seat: 'spring seat’s middle',
};
export const EDGE_NAMES: Readonly<Record<BracketEdge, string>> = {
  inner: 'inner edge',
  middle: 'middle',
  outer: 'outer edge',
};
export const HOLD_NAMES: Readonly<Record<BracketHold, string>> = {
  welded: 'welded',
  clamped: 'clamped',
  drilled: 'drilled in',
};
export const SPRING_SIDE_NAMES: Readonly<Record<SpringSide, string>> = {
  under: 'under the axle',
  over: 'on top of the axle',
};
export const LINK_NAMES: Readonly<Record<LinkKind, string>> = {
  lower: 'lower link',
  upper: 'upper link',
  lateral: 'lateral bar',
  ladder: 'ladder bar',
  torque: 'torque arm',
};

/** A thread for a breather or drain: its drill and tap. mm where it is metric. */
export interface FittingSize {
  readonly name: string;
  readonly outside: number;
  /** Hole that is tapped. */
  readonly drill: number;
}
export const FITTING_SIZES: Readonly<Record<Exclude<FittingThread, 'unsaid'>, FittingSize>> = {
  g18: { name: 'G 1/8', outside: 9.728, drill: 8.8 },
  g14: { name: 'G 1/4', outside: 13.157, drill: 11.8 },
  n18: { name: '1/8-27 NPT, taper', outside: 10.287, drill: 8.43 },
  n14: { name: '1/4-18 NPT, taper', outside: 13.716, drill: 11.11 },
  m10: { name: 'M10 × 1', outside: 10, drill: 9 },
  m12: { name: 'M12 × 1.5', outside: 12, drill: 10.5 },
  m16: { name: 'M16 × 1.5', outside: 16, drill: 14.5 },
};

/** A name where a sentence begins. */
export const upper = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
