import { QUANTITIES, type Plan, type StageId } from '../plan';
import {
  worst,
  type Check,
  type Decision,
  type DecisionDef,
  type Node,
  type PlaceId,
  type StageState,
  type StateDef,
} from '../stage';
import { STAGES } from '../stages';

type Of = <T>(node: Node<T>) => T;

const READ_IN = new Map(
  STAGES.map(({ id }) => [id as string, QUANTITIES.filter((q) => q.stage === id).map((q): PlaceId => q.id)]),
);
const BEGUN = new Map(STAGES.map(({ id, contents }) => [id as string, contents.begun]));

/** Something of a stage was read, chosen or written down. */
export function touched(plan: Plan, of: Of, stage: string): boolean {
  const begun = BEGUN.get(stage);
  return (begun !== undefined && of(begun)) || (READ_IN.get(stage) ?? []).some((id) => plan.readings[id]);
}

/** How each stage of the rail stands, from its checks, its readings and what its decisions lack. */
export function stageStates(
  plan: Plan,
  of: Of,
  checks: readonly Check[],
  decisions: readonly Decision[],
): Readonly<Record<StageId, StageState>> {
  const found = new Map(decisions.map((d) => [d.id, d]));
  const open = ({ id }: DecisionDef) =>
    (found.get(id)?.lacks.length ?? 0) > 0 || found.get(id)?.held !== undefined;
  const own = byStage(checks);
  const all = worst(checks);
  const states = STAGES.map(({ id, contents: { state = {} } }) => {
    const waits = (state.after ?? []).some(open);
    const view = {
      level: worst(own.get(id) ?? []),
      all,
      touched: touched(plan, of, id),
      waits,
      // What it is worked out of may lack something, or be held.
      lacks: waits || lacksOf(state, of, open) || lacksOwn(state, found, id),
    };
    return [id, stateOf(state, view)] as const;
  });
  return Object.fromEntries(states) as Record<StageId, StageState>;
}

function byStage(checks: readonly Check[]): ReadonlyMap<string, readonly Check[]> {
  const found = new Map<string, Check[]>();
  for (const check of checks) {
    const list = found.get(check.stage);
    if (list) list.push(check);
    else found.set(check.stage, [check]);
  }
  return found;
}

interface View {
  readonly level: Check['level'];
  readonly all: Check['level'];
  readonly touched: boolean;
  readonly waits: boolean;
  readonly lacks: boolean;
}

const lacksOf = ({ decisions = [], lacks }: StateDef, of: Of, open: (d: DecisionDef) => boolean): boolean =>
  decisions.some(open) || (lacks !== undefined && of(lacks));

/** A decision elsewhere lacks what is read in this stage. */
function lacksOwn({ readsFor = [] }: StateDef, found: ReadonlyMap<string, Decision>, stage: string): boolean {
  const ids = READ_IN.get(stage) ?? [];
  return readsFor.some((d) => found.get(d.id)?.lacks.some((id) => ids.includes(id)));
}

function stateOf({ after, ofAll }: StateDef, { level, all, touched: begun, waits, lacks }: View): StageState {
  if (ofAll) return waits ? 'untouched' : all === 'ok' ? 'settled' : 'inWork';
  // What is worked out of others begins when they are complete, or with a reading of its own.
  if (after && waits && !begun && level !== 'stop') return 'untouched';
  if (level === 'caution' || level === 'stop') return level;
  if (!after && !begun) return 'untouched';
  return lacks || level === 'unknown' ? 'inWork' : 'settled';
}
