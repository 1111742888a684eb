import type { Plan } from '../plan';
import { findEntry } from '../plan';
import { sized } from '../measure';
import { inSentence, notLookedAt, withAcceptance, type Check, type Node, type Thing } from '../stage';
import { STAGES } from '../stages';
import { behind, lacking, type Lacking } from './decisions';
import { touched } from './stage-states';

type Of = <T>(node: Node<T>) => T;

const NODES = STAGES.flatMap(({ contents }) => contents.checks ?? []);
const THINGS = STAGES.flatMap(({ contents }) => contents.things ?? []);
const BY_ID = new Map(STAGES.map((stage) => [stage.id as string, stage]));

/** What a node’s checks came to, and what that rested on. */
interface Settled {
  readonly given: readonly Check[];
  readonly accepted: Plan['accepted'];
  readonly things: readonly (readonly Thing[])[];
  readonly checks: readonly Check[];
}

/**
 * The checks of readings and of every stage, with what was accepted. Those of a node are the same as long as it gives the same and
 * nothing else was accepted; what cannot be told is looked at anew each time, for it names what is missing.
 */
export function checksOfStages(): (
  plan: Plan,
  of: Of,
  known: Lacking,
  ofReadings: readonly Check[],
) => readonly Check[] {
  const settled = new Map<Node<readonly Check[]>, Settled>();
  return (plan, of, known, ofReadings) => {
    const asked = new Map(STAGES.map(({ id }) => [id as string, isAsked(plan, of, id)]));
    const things = THINGS.map((node) => of(node));
    const all = things.flat();
    const finished = (list: readonly Check[]): readonly Check[] =>
      list
        .map((check) => overAll(check, all))
        .filter(({ level, stage }) => level !== 'unknown' || asked.get(stage))
        .map((check) =>
          withAcceptance(withReadings(named(of, known, check), known, plan), plan.accepted[check.id]),
        );
    const found = [...finished(ofReadings)];
    for (const node of NODES) {
      const given = of(node);
      const before = settled.get(node);
      const same =
        before?.given === given &&
        before.accepted === plan.accepted &&
        before.things.every((list, i) => list === things[i]);
      const checks = same ? before.checks : finished(given);
      if (!same && given.every((check) => check.level !== 'unknown'))
        settled.set(node, { given, accepted: plan.accepted, things, checks });
      found.push(...checks);
    }
    return found;
  };
}

/** An ok over things has looked at every one of its kinds in the plan, or it is not known and names what it left out. */
function overAll(check: Check, all: readonly Thing[]): Check {
  if (check.level !== 'ok' || !check.looked) return check;
  const left = check.looked.flatMap(({ kind, ids }) =>
    all.filter((t) => t.kind === kind && !ids.includes(t.id)),
  );
  return left.length
    ? notLookedAt(
        check,
        left.map(({ name }) => name),
      )
    : check;
}

/** What is not known is asked for once its stage is begun; before that there is nothing to be unknown. */
function isAsked(plan: Plan, of: Of, id: string): boolean {
  const asked = BY_ID.get(id)?.contents.asked;
  return touched(plan, of, id) || (asked !== undefined && of(asked));
}

const isPlace = (id: string): boolean => findEntry(id) !== undefined;

/** Readings that contradict each other are named with what they say, not only what follows from them. */
function withReadings(check: Check, { known }: Lacking, plan: Plan): Check {
  const { contradicts: ids = [], level, reason } = check;
  if (level !== 'stop' || ids.length < 2) return check;
  const said = ids.map((id) => {
    const figure = known.get(id)?.figure;
    if (figure) return `${inSentence(figure.label)} ${sized(figure.value, figure.unit)}`;
    const [part = '', key = ''] = id.split('.');
    return part === 'arm' ? (plan.arms[key]?.name ?? '') : '';
  });
  const list = said.filter((text) => text !== '').join('; ');
  return list === '' ? check : { ...check, reason: `${reason} Held against each other: ${list}.` };
}

/** An unknown check names what is really missing, down to what can be read or chosen. */
function named(of: Of, known: Lacking, check: Check): Check {
  if (check.level !== 'unknown' || !check.lacks) return check;
  const lacks = check.lacks
    .flatMap((id) => behind(of, id))
    .filter((id) => !id.startsWith('joint.'))
    .filter((id) => lacking(known, id));
  const unique = [...new Set(lacks)];
  const at = check.at !== undefined && !isPlace(check.at) ? undefined : lacks[0];
  const same = unique.length === check.lacks.length && unique.every((id, i) => id === check.lacks?.[i]);
  if (same && (at === undefined || at === check.at)) return check;
  return { ...check, lacks: unique, ...(at === undefined ? {} : { at }) };
}
