import { lengthLimit, limit } from '../../stage';

/** What its checks compare with. */
export const STANCE_LIMITS = [
  lengthLimit('stance.inboard', 'Tyre to rigid parts inboard', 19, 100),
  lengthLimit('stance.spring', 'Tyre to springs and shocks', 25, 100),
  lengthLimit('stance.outboard', 'Tyre to the arch lip', 13, 100),
  lengthLimit('stance.radial', 'Tyre’s top under the arch lip at bump', 25, 100),
  lengthLimit('stance.caliper', 'Brake to the inside of the rim', 3, 30),
  limit('tyre.size', 'Tyre’s diameter against its size', 'ratio', 0.03, [0.005, 0.2]),
  lengthLimit('spacer.plain', 'Thickest plain spacer', 6, 20),
  lengthLimit('spacer.adapter', 'Thinnest bolted adapter', 20, 60),
];
