import { factOfPlace, type Plan } from '../plan';
import type { Decision, DecisionDef, Node, PlaceId } from '../stage';
import { STAGES } from '../stages';
import { heldBy, type Contradicted } from './contradictions';
import type { Results } from './results';

/** What decides whether something is lacking. */
export type Lacking = Pick<Results, 'known' | 'instead'> & { readonly plan: Pick<Plan, 'facts'> };

/** True while a quantity, or a fact named `fact.…`, is not known. A default in its place is known, and assumed. */
export function lacking({ plan: { facts }, known, instead }: Lacking, id: string): boolean {
  const fact = factOfPlace(id);
  if (fact !== undefined) return facts[fact] === undefined;
  return id in instead ? instead[id] === undefined : !known.has(id);
}

const DEFS = STAGES.flatMap(({ id, contents }) => (contents.decisions ?? []).map((def) => [id, def] as const));

/** Decisions that give a figure, by that figure’s id. */
const GIVING: ReadonlyMap<string, DecisionDef> = new Map(
  DEFS.flatMap(([, def]) => (def.gives ? [[def.gives.id, def] as const] : [])),
);

type Of = <T>(node: Node<T>) => T;

/** What stands behind an id that is lacking: of a figure that a decision gives, all that the decision needs. */
export function behind(of: Of, id: PlaceId): readonly PlaceId[] {
  const def = GIVING.get(id);
  if (!def?.gives) return [id];
  return of(def.gives.figure) ? [] : of(def.needs);
}

/** What each decision still needs, in working order, and what holds it although all is there. */
export function decisions(of: Of, known: Lacking, contradicted: Contradicted): readonly Decision[] {
  return DEFS.map(([stage, { id, label, needs, rests }]) => {
    const lacks = [...new Set(of(needs))].filter((need) => lacking(known, need));
    const held = (rests ? of(rests) : [])
      .map((figure) => heldBy(figure, contradicted))
      .find((why) => why !== undefined);
    return { id, label, stage, lacks, ...(held === undefined ? {} : { held }) };
  });
}
