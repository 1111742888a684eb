import { judge, judgeClosure, limitOf, type Check, type LimitChange, type LimitId } from '../checks';
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
  const offset = derive({
    id: 'survey.offset',
    label: 'Old axle off centreline',
    unit: 'mm',
    formula: '({L} − {R})/2',
    source: 'Survey',
    inputs: { L: left, R: right },
  });
  if (!width) return { offset };
  const closure = derive({
    id: 'survey.closure',
    label: 'Halves against width',
    unit: 'mm',
    formula: '{L} + {R} − {W}',
    source: 'Survey, closing the traverse',
    inputs: { L: left, R: right, W: width },
  });
  return { offset, closure };
}

type Changes = Readonly<Partial<Record<LimitId, LimitChange>>>;

/** Checks of the old axle's readings. */
export function surveyChecks({ closure, offset }: SurveyResult, limits: Changes): Check[] {
  const checks: Check[] = [];
  const base = { stage: 'survey' as const, unknown: 'The old axle’s place: not known' };
  if (closure)
    checks.push(
      judgeClosure(
        {
          ...base,
          id: 'survey.closure',
          figure: closure,
          limit: limitOf(limits, 'survey.closure'),
          holds: 'Old axle’s readings add up',
          fails: 'Old axle’s halves do not add up to its width',
          reason:
            'One of the three readings is wrong if the halves and the width differ by more than the tape explains.',
          todo: 'Read both halves and the width again; check that the plumb line hangs on the centreline.',
          at: 'survey.width',
        },
        ['survey.left', 'survey.right', 'survey.width'],
      ),
    );
  if (offset)
    checks.push(
      judge({
        ...base,
        id: 'survey.offset',
        figure: offset,
        way: 'within',
        limit: limitOf(limits, 'survey.offset'),
        holds: 'Old axle sits in the middle',
        fails: 'Old axle does not sit in the middle of the car',
        reason: 'A new axle placed like the old one would be off centre as well.',
        todo: 'Find out why: a bent locating part, a sagged spring or a wrong centreline. Do not copy it.',
        at: 'survey.left',
      }),
    );
  return checks;
}
