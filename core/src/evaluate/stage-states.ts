import { worst, type Check, type StageId } from '../checks';
import { QUANTITIES, type Plan } from '../plan';
import type { Decision, StageState } from './results';

/** How each stage of the rail stands, from its checks, its readings and what its decisions lack. */
export function stageStates(
  plan: Plan,
  checks: readonly Check[],
  decisions: readonly Decision[],
): Readonly<Record<StageId, StageState>> {
  const of = (id: string) => decisions.find((d) => d.id === id);
  const lacking = (id: string) => (of(id)?.lacks.length ?? 0) > 0 || of(id)?.held !== undefined;
  const donorLacks =
    lacking('ratio') ||
    !plan.verdicts.donor ||
    ['cut', 'marks', 'shafts', 'engagement'].some((id) => of(id)?.lacks.some((q) => q.startsWith('donor.')));
  const cutLacks = lacking('cut') || lacking('marks') || lacking('shafts');
  return {
    brief: stateOf(plan, checks, 'brief', !plan.brief.vehicle || !plan.readings['brief.targetWidth']),
    survey: stateOf(plan, checks, 'survey', lacking('survey') || lacking('room') || lacking('level')),
    donor: stateOf(plan, checks, 'donor', donorLacks),
    stance: stateOf(plan, checks, 'stance', lacking('stance') || plan.choices.tyre === ''),
    shafts: derivedState(plan, checks, 'shafts', cutLacks, lacking('strength')),
    hubs: stateOf(plan, checks, 'hubs', lacking('pattern') || lacking('studs') || lacking('brakes')),
    cut: derivedState(plan, checks, 'cut', cutLacks, cutLacks || lacking('engagement')),
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
  return waits && !touched(plan, stage) && worst(checks.filter((c) => c.stage === stage)) !== 'stop'
    ? 'untouched'
    : stateOf(plan, checks, stage, lacks, true);
}

function stateOf(
  plan: Plan,
  checks: readonly Check[],
  stage: StageId,
  lacks: boolean,
  derived = false,
): StageState {
  const level = worst(checks.filter((c) => c.stage === stage));
  if (level === 'caution' || level === 'stop') return level;
  if (!derived && !touched(plan, stage)) return 'untouched';
  return lacks || level === 'unknown' ? 'inWork' : 'settled';
}

/** Something of a stage was read, chosen or written down. */
export function touched(plan: Plan, stage: StageId): boolean {
  if (stage === 'brief' && (plan.brief.vehicle || plan.brief.donor || plan.brief.notes)) return true;
  if (stage === 'stance' && (plan.choices.tyre !== '' || plan.choices.spacer !== 'none')) return true;
  return QUANTITIES.some((q) => q.stage === stage && plan.readings[q.id]);
}
