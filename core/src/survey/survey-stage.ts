import { limitOf, type Check, type LimitChange, type LimitId } from '../checks';
import { derive, type Figure } from '../measure';

export interface SurveyInput {
  readonly left: Figure | undefined;
  readonly right: Figure | undefined;
  readonly width: Figure | undefined;
}

export interface SurveyResult {
  /** Both halves less the width read across, mm; should be nothing. */
  readonly closure?: Figure;
  /** Middle of the old axle from the car's centreline, mm, plus to the left. */
  readonly offset?: Figure;
}

/** The old axle: do its readings add up, and does it sit in the middle of the car. */
export function surveyStage({ left, right, width }: SurveyInput): SurveyResult {
  if (!left || !right) return {};
  const offset = derive(
    {
      id: 'survey.offset',
      label: 'Old axle off centreline',
      unit: 'mm',
      formula: '({L} − {R})/2',
      source: 'Survey',
      inputs: { L: left, R: right },
    },
    (v) => (v.L - v.R) / 2,
  );
  if (!width) return { offset };
  const closure = derive(
    {
      id: 'survey.closure',
      label: 'Halves against width',
      unit: 'mm',
      formula: '{L} + {R} − {W}',
      source: 'Survey, closing the traverse',
      inputs: { L: left, R: right, W: width },
    },
    (v) => v.L + v.R - v.W,
  );
  return { offset, closure };
}

type Changes = Readonly<Partial<Record<LimitId, LimitChange>>>;

/** Checks of the old axle's readings. */
export function surveyChecks({ closure, offset }: SurveyResult, limits: Changes): Check[] {
  const checks: Check[] = [];
  if (closure) {
    const limit = limitOf(limits, 'survey.closure');
    const over = Math.abs(closure.value) > limit.value;
    checks.push({
      id: 'survey.closure',
      stage: 'survey',
      level: over ? 'caution' : 'ok',
      title: over ? 'Old axle’s halves do not add up to its width' : 'Old axle’s readings add up',
      figure: { value: closure.value, unit: 'mm', figureId: closure.id },
      limit,
      reason:
        'One of the three readings is wrong if the halves and the width differ by more than the tape explains.',
      todo: over
        ? 'Read both halves and the width again; check that the plumb line hangs on the centreline.'
        : '',
      at: 'survey.width',
    });
  }
  if (offset) {
    const limit = limitOf(limits, 'survey.offset');
    const over = Math.abs(offset.value) > limit.value;
    checks.push({
      id: 'survey.offset',
      stage: 'survey',
      level: over ? 'caution' : 'ok',
      title: over ? 'Old axle does not sit in the middle of the car' : 'Old axle sits in the middle',
      figure: { value: offset.value, unit: 'mm', figureId: offset.id },
      limit,
      reason: 'A new axle placed like the old one would be off centre as well.',
      todo: over
        ? 'Find out why: a bent locating part, a sagged spring or a wrong centreline. Do not copy it.'
        : '',
      at: 'survey.left',
    });
  }
  return checks;
}
