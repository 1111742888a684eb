import type { Retention } from './choices';

export const RETENTION_NAMES: Readonly<Record<Retention, string>> = {
  cClip: 'C-clip',
  boltIn: 'Bolt-in',
  fullFloat: 'Full-float',
};
