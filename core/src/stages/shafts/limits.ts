import { angleLimit, lengthLimit, limit, shareLimit } from '../../stage';

/** What its checks compare with. */
export const SHAFT_LIMITS = [
  shareLimit('shaft.engagement', 'Spline engagement, good', 0.9),
  shareLimit('shaft.engagementLeast', 'Spline engagement, least', 0.75),
  lengthLimit('shaft.gap', 'Least gap from shaft end to cross shaft', 3, 30),
  lengthLimit('shaft.stock', 'Stock shaft against the length needed', 1, 20),
  limit('shaft.factor', 'Factor on yield, good', 'count', 1.5, [1, 5]),
  limit('shaft.factorLeast', 'Factor on yield, least', 'count', 1.1, [1, 5]),
  limit('shaft.fatigue', 'Factor on fatigue, good', 'count', 1.5, [0.5, 5]),
  limit('shaft.fatigueLeast', 'Factor on fatigue, least', 'count', 1, [0.5, 5]),
  limit('shaft.pressure', 'Pressure on spline flanks', 'MPa', 280, [20, 2000]),
  angleLimit('shaft.twist', 'Left and right shaft twist apart', 3, 30),
  lengthLimit('order.length', 'Received shaft against its order', 0.5, 10),
  lengthLimit('order.journal', 'Received journal against its order', 0.02, 1),
];
