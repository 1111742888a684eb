import { findEntry, findQuantity, placeName, stageOfPlace, type StageId } from '../plan';
import { isOpen, isUnknown, type Check, type Decision } from '../stage';
import { STAGES } from '../stages';
import type { Results } from './results';

/** What is to be done next, in one line, and where. */
export interface NextStep {
  /** `mend`: readings contradict each other; `read`: something is missing; `stop`, `caution`: a check is open; `measure`:
   * a default stands for it; `print`: nothing is left but the bench. */
  readonly kind: 'mend' | 'read' | 'stop' | 'caution' | 'measure' | 'print';
  /** What to do, a sentence without its stop. */
  readonly todo: string;
  /** Why. */
  readonly why: string;
  /** Where it is done. */
  readonly place: string;
  readonly stage: StageId;
}

/** The stage that comes of all others. */
const LAST = (STAGES.find(({ contents }) => contents.state?.ofAll)?.id ?? STAGES[0].id) as StageId;

/**
 * The next thing to read or decide: readings that contradict each other first, for all that rests on them is held; then
 * what the decisions lack, those of the stage that is open before the others in working order; then open checks, gravest
 * first; then what stands assumed under the numbers of the strip; then the sheets.
 *
 * @param open the stage that is looked at
 * @example nextStep(results, 'cut') // { todo: 'Read casting to housing end, left', why: 'Where to cut needs it', … }
 */
export function nextStep(results: Results, open?: string): NextStep {
  return (
    mend(results.checks, open) ??
    missing(results.decisions, open) ??
    openCheck(results.checks, 'stop', open) ??
    untold(results.checks, open) ??
    openCheck(results.checks, 'caution', open) ??
    assumed(results) ?? {
      kind: 'print',
      todo: 'Print the sheets',
      why: 'Every decision of this plan has its readings, and no check is open',
      place: '',
      stage: LAST,
    }
  );
}

/** What belongs to the open stage first, the rest as it stands. */
const openFirst = <T extends { readonly stage: string }>(
  all: readonly T[],
  open: string | undefined,
): readonly T[] => [...all.filter((one) => one.stage === open), ...all.filter((one) => one.stage !== open)];

const goesTo = (check: Check) => ({
  place: check.at ?? '',
  stage: ((check.at && stageOfPlace(check.at)) || check.stage) as StageId,
});

function mend(checks: readonly Check[], open: string | undefined): NextStep | undefined {
  const [check] = openFirst(
    checks.filter((c) => c.level === 'stop' && c.contradicts?.length),
    open,
  );
  return check && { kind: 'mend', todo: check.title, why: check.todo || check.reason, ...goesTo(check) };
}

function missing(decisions: readonly Decision[], open: string | undefined): NextStep | undefined {
  const order = new Map(STAGES.map(({ id }, i) => [id as string, i]));
  const lacking = decisions
    .filter((d) => d.lacks.length > 0)
    .sort((a, b) => (order.get(a.stage) ?? 0) - (order.get(b.stage) ?? 0));
  const [decision] = openFirst(lacking, open);
  const [place = ''] = decision?.lacks ?? [];
  if (!decision) return undefined;
  const more = decision.lacks.length - 1;
  return {
    kind: 'read',
    todo: `${verbOf(place)} ${placeName(place)}`,
    why: `“${decision.label}” needs it${more ? `, and ${more} more` : ''}`,
    place,
    stage: stageOfPlace(place) ?? (decision.stage as StageId),
  };
}

/** How a place is filled: a number is read or chosen, a question answered. */
function verbOf(place: string): string {
  const q = findQuantity(place);
  if (q) return q.instrument === 'chosen' ? 'Choose' : q.instrument === 'count' ? 'Count' : 'Read';
  return findEntry(place) ? 'Look at' : 'Settle';
}

function openCheck(
  checks: readonly Check[],
  level: 'stop' | 'caution',
  open: string | undefined,
): NextStep | undefined {
  const [check] = openFirst(
    checks.filter((c) => c.level === level && isOpen(c)),
    open,
  );
  return check && { kind: level, todo: check.title, why: check.todo || check.reason, ...goesTo(check) };
}

/** A check that cannot be told although no decision asks for what it lacks. */
function untold(checks: readonly Check[], open: string | undefined): NextStep | undefined {
  const [check] = openFirst(checks.filter(isUnknown), open);
  if (!check) return undefined;
  const [place] = check.lacks ?? [];
  if (place === undefined)
    return { kind: 'read', todo: check.title, why: check.todo || check.reason, ...goesTo(check) };
  return {
    kind: 'read',
    todo: `${verbOf(place)} ${placeName(place)}`,
    why: check.title,
    place,
    stage: stageOfPlace(place) ?? (check.stage as StageId),
  };
}

/** The first default under the numbers of the strip that can be read. */
function assumed({ strip }: Results): NextStep | undefined {
  for (const { label, figure } of strip)
    for (const a of Object.values(figure?.assumed ?? {})) {
      const stage = findQuantity(a.id) && stageOfPlace(a.id);
      if (stage)
        return {
          kind: 'measure',
          todo: `${verbOf(a.id) === 'Choose' ? 'Settle' : 'Measure'} ${placeName(a.id)}`,
          why: `“${label}” rests on a default: ${a.why}`,
          place: a.id,
          stage,
        };
    }
  return undefined;
}
