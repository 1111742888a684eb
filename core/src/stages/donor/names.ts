import type { HeldBy } from './choices';

export const RETENTION_NAMES: Readonly<Record<HeldBy, string>> = {
  unsaid: 'Not said',
  cClip: 'C-clip',
  boltIn: 'Bolt-in',
  fullFloat: 'Full-float',
};
