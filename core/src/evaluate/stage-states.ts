import { worst, type Check, type StageId } from '../checks';
import { QUANTITIES, type Plan } from '../plan';
import type { Decision, StageState } from './results';

/** How each stage of the rail stands, from its checks, its readings and what its decisions lack. */
export function stageStates(
  plan: Plan,
  checks: readonly Check[],
  decisions: readonly Decision[],
): Readonly<Record<StageId, StageState>> {
  const lacking = (id: string) => (decisions.find((d) => d.id === id)?.lacks.length ?? 0) > 0;
  const donorLacks =
    lacking('ratio') ||
    !plan.verdicts.donor ||
    ['cut', 'marks', 'shafts', 'engagement'].some((id) =>
      decisions.find((d) => d.id === id)?.lacks.some((q) => q.startsWith('donor.')),
    );
  const cutLacks = lacking('cut') || lacking('marks') || lacking('shafts');
  return {
    brief: stateOf(plan, checks, 'brief', !plan.brief.vehicle || !plan.readings['brief.targetWidth']),
    survey: stateOf(plan, checks, 'survey', lacking('survey') || lacking('room')),
    donor: stateOf(plan, checks, 'donor', donorLacks),
    stance: stanceState(plan, checks, lacking('stance')),
    shafts: derivedState(plan, checks, 'shafts', cutLacks, lacking('strength')),
    hubs: stateOf(plan, checks, 'hubs', lacking('pattern') || lacking('studs') || lacking('brakes')),
    cut: derivedState(plan, checks, 'cut', cutLacks, cutLacks),
    sheets: cutLacks ? 'untouched' : worst(checks) === 'ok' ? 'settled' : 'inWork',
  };
}

/** A stage that is worked out of others begins when they are complete, or with a reading of its own. */
function derivedState(
  plan: Plan,
  checks: readonly Check[],
  stage: StageId,
  waits: boolean,
  lacks: boolean,
): StageState {
  return waits && !touched(plan, stage) ? 'untouched' : stateOf(plan, checks, stage, lacks, true);
}

/** A tyre alone is a beginning. */
const stanceState = (plan: Plan, checks: readonly Check[], lacks: boolean): StageState =>
  stateOf(plan, checks, 'stance', lacks || plan.choices.tyre === '', plan.choices.tyre !== '');

function stateOf(
  plan: Plan,
  checks: readonly Check[],
  stage: StageId,
  lacks: boolean,
  derived = false,
): StageState {
  const level = worst(checks.filter((c) => c.stage === stage));
  if (level !== 'ok') return level;
  if (!derived && !touched(plan, stage)) return 'untouched';
  return lacks ? 'inWork' : 'settled';
}

function touched(plan: Plan, stage: StageId): boolean {
  if (stage === 'brief' && (plan.brief.vehicle || plan.brief.donor || plan.brief.notes)) return true;
  return QUANTITIES.some((q) => q.stage === stage && plan.readings[q.id]);
}
