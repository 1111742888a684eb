/** What a trial found, by name. */
export type Findings = Readonly<Record<string, number | string>>;
export type Found = Readonly<Record<string, Findings>>;

interface Limit {
  readonly trial: string;
  readonly what: string;
  readonly most?: number;
  readonly least?: number;
  /** A time or memory: told by the long trial alone, for it says as much of the machine. */
  readonly measured?: true;
}

/** Others may wait so many times as long at the median as while nothing goes on. */
const MOST_TIMES = 3;
const others = (trial: string): readonly Limit[] => [
  { trial, what: 'othersRefused', most: 0 },
  { trial, what: 'othersTimesIdle', most: MOST_TIMES, measured: true },
];

/** What has to hold of every finding. */
export const LIMITS: readonly Limit[] = [
  ...['sheets', 'hangUps', 'pages', 'garbage', 'payments', 'edits'].flatMap(others),
  { trial: 'sheets', what: 'read', least: 1 },
  { trial: 'sheets', what: 'failed', most: 0 },
  { trial: 'hangUps', what: 'came', least: 1 },
  { trial: 'hangUps', what: 'failed', most: 0 },
  { trial: 'pages', what: 'memoryEachKb', most: 200, measured: true },
  { trial: 'pages', what: 'memoryLeftMb', most: 150, measured: true },
  { trial: 'garbage', what: 'failed', most: 0 },
  { trial: 'garbage', what: 'written', most: 0 },
  { trial: 'payments', what: 'paid', most: 1, least: 1 },
  { trial: 'payments', what: 'failed', most: 0 },
  { trial: 'edits', what: 'lost', most: 0 },
  { trial: 'edits', what: 'memoryLeftMb', most: 150, measured: true },
  { trial: 'holds', what: 'longestMs', most: 100, measured: true },
  { trial: 'holds', what: 'failed', most: 0 },
  { trial: 'kills', what: 'lost', most: 0 },
  { trial: 'kills', what: 'acknowledged', least: 1 },
  { trial: 'kills', what: 'longestAwayMs', most: 30_000, measured: true },
  { trial: 'twoStarts', what: 'running', most: 1, least: 1 },
  { trial: 'twoStarts', what: 'endedPolitely', most: 1, least: 1 },
  { trial: 'fullDisk', what: 'filled', least: 4 },
  { trial: 'fullDisk', what: 'unexpected', most: 0 },
  { trial: 'fullDisk', what: 'lost', most: 0 },
  { trial: 'fullDisk', what: 'killsSurvived', least: 3 },
];

/** What was found, judged: what is wrong, and what was not tried at all. */
interface Judged {
  readonly wrong: readonly string[];
  readonly untried: readonly string[];
}

/**
 * Holds what was found against its limits. A figure that is missing is wrong too; what could not be tried is told apart.
 *
 * @param measured times and memory count
 * @example judged({ kills: { lost: 1, … }, … }, false).wrong // ['kills: lost is 1, at most 0']
 */
export function judged(found: Found, measured: boolean): Judged {
  const wrong = Object.entries(found).flatMap(([trial, { error }]) =>
    error === undefined ? [] : [`${trial}: ${error}`],
  );
  const untried = Object.entries(found).flatMap(([trial, { skipped }]) =>
    skipped === undefined ? [] : [`${trial}: ${skipped}`],
  );
  for (const limit of LIMITS) {
    const findings = found[limit.trial];
    if (findings && ('error' in findings || 'skipped' in findings)) continue;
    if (limit.measured && !measured) continue;
    const fault = faultOf(limit, findings?.[limit.what]);
    if (fault) wrong.push(`${limit.trial}: ${limit.what} ${fault}`);
  }
  return { wrong, untried };
}

function faultOf(
  { most = Infinity, least = -Infinity }: Limit,
  figure: number | string | undefined,
): string | undefined {
  if (typeof figure !== 'number' || Number.isNaN(figure)) return 'was not found out';
  if (figure > most) return `is ${figure}, at most ${most}`;
  return figure < least ? `is ${figure}, at least ${least}` : undefined;
}
