import type { UnitsService } from '../state/units.service';

/** What does not go together in something that is listed. */
export interface Broken {
  readonly field: string;
  readonly wrong: string;
  readonly right: string;
}

/**
 * Why something is refused: its field by its name, what is wrong and what would be right, with sizes in the unit on the page.
 *
 * @example refusalText('Wall', { field: 'wall', wrong: 'must be thinner', right: 'at most 4 mm' }, units) // 'Wall must be thinner: at most 0.157 in.'
 */
export const refusalText = (
  label: string,
  { wrong, right }: Broken,
  units: Pick<UnitsService, 'say'>,
): string => units.say(`${label} ${wrong}: ${right}.`.replace(/(-?\d+(?:\.\d+)?) mm\b/g, '{$1 mm}'));
