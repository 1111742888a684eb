import { inUnits } from '../measure';

/** Words of the core as a page in mm shows them. */
export const inMm = (text: string | undefined): string => inUnits(text ?? '', 'mm');
