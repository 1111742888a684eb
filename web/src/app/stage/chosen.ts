import type { Reading } from '@intervex/core';

/** A value that was chosen, not read. */
export const chosen = (value: number): Reading => ({ repeats: [{ value }], instrument: 'chosen' });
