import type { Difficulty, PracticeSet } from '@intervex/contract';
import { practiceSetSchema, shownSchema } from '@intervex/contract/ports/gearset';
import type { SetShims, Trial } from '@intervex/core';
import { refused } from '../../http/refusal';
import { askUpstream, UpstreamAway, UpstreamRefuses } from '../upstream';

const OF = 'the gear set bench';
/** What the bench answers where it does not know a set. */
const UNKNOWN = 404;

/** Lays a gear set on the bench. Asked again it lays another: the one before is just left there. */
export const beginSet = (url: string | undefined, difficulty: Difficulty): Promise<PracticeSet> =>
  asked(url, (bench) =>
    askUpstream({ of: OF, address: at(bench, 'sets'), schema: practiceSetSchema, body: { difficulty } }),
  );

export const findSet = (url: string | undefined, id: string): Promise<PracticeSet> =>
  asked(url, (bench) => askUpstream({ of: OF, address: at(bench, 'sets', id), schema: practiceSetSchema }));

/** One trial more: never asked twice, for each one counts. */
export const trySet = (url: string | undefined, id: string, shims: SetShims): Promise<PracticeSet> =>
  asked(url, (bench) =>
    askUpstream({
      of: OF,
      address: at(bench, 'sets', id, 'trials'),
      schema: practiceSetSchema,
      body: shims,
      once: true,
    }),
  );

export const openSet = (url: string | undefined, id: string): Promise<PracticeSet> =>
  asked(url, (bench) =>
    askUpstream({ of: OF, address: at(bench, 'sets', id, 'open'), schema: practiceSetSchema, body: {} }),
  );

/** What an opened set would have shown with these shims. */
export const whatIf = (url: string | undefined, id: string, shims: SetShims): Promise<Trial> =>
  asked(url, (bench) =>
    askUpstream({ of: OF, address: at(bench, 'sets', id, 'what-if'), schema: shownSchema, body: shims }),
  );

const at = (bench: string, ...path: readonly string[]): URL =>
  new URL(`/${path.map(encodeURIComponent).join('/')}`, bench);

/** @throws Refused where the bench is away, does not know the set, or says no */
async function asked<T>(url: string | undefined, ask: (bench: string) => Promise<T>): Promise<T> {
  if (!url) throw refused('unavailable', 'No gear set bench is set up: there is nothing to practise on.');
  try {
    return await ask(url);
  } catch (error) {
    if (error instanceof UpstreamRefuses) throw refused('inUse', error.message);
    if (!(error instanceof UpstreamAway)) throw error;
    throw error.status === UNKNOWN
      ? refused('notFound', 'This gear set is no longer on the bench. Begin another one.')
      : refused('unavailable', `${sentence(error.message)}. What was tried is kept; try again.`);
  }
}

const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
