import { judge, judgeClosure, type Check, type Held, type LimitIdOf, type LimitsOf } from '../../stage';
import { derive, type Figure, type Maybe } from '../../measure';
import type { survey } from './words';

export interface SurveyInput {
  readonly left: Maybe;
  readonly right: Maybe;
  readonly width: Maybe;
  readonly mountLeft: Maybe;
  readonly mountRight: Maybe;
  readonly shockLeft: Maybe;
  readonly shockRight: Maybe;
  readonly bolt: Maybe;
  readonly hole: Maybe;
  readonly tubeOd: Maybe;
  readonly donorTubeOd: Maybe;
}

export interface SurveyResult {
  /** Both halves less the width read across, mm; should be nothing. */
  readonly closure?: Figure;
  /** Middle of the old axle from the car's centreline, mm, plus to the left. */
  readonly offset?: Figure;
  /** Middle of the front mounts from the car's centreline, mm, plus to the left. */
  readonly mounts?: Figure;
  /** Left shock less the right one at ride height, mm. */
  readonly shocks?: Figure;
  /** Mount hole over its bolt, mm. */
  readonly play?: Figure;
  /** Donor’s tube over the old axle’s, in diameter, mm. */
  readonly tube?: Figure;
}

/** The old axle: do its readings add up, and does it sit in the middle of the car. */
export function surveyStage(input: SurveyInput): SurveyResult {
  const { left: L, right: R, width: W } = input;
  const found: Record<keyof SurveyResult, Maybe> = {
    offset: middleOf('survey.offset', 'Old axle off centreline', L, R),
    closure:
      L && R && W
        ? derive({
            id: 'survey.closure',
            label: 'Halves against width',
            unit: 'mm',
            formula: '{L} + {R} − {W}',
            source: 'Survey, closing the traverse',
            inputs: { L, R, W },
          })
        : undefined,
    mounts: middleOf('survey.mounts', 'Front mounts off centreline', input.mountLeft, input.mountRight),
    shocks: differ('survey.shocks', 'Left shock against the right one', input.shockLeft, input.shockRight),
    play: differ('survey.play', 'Mount hole over its bolt', input.hole, input.bolt),
    tube: differ('survey.tube', 'Donor’s tube over the old axle’s', input.donorTubeOd, input.tubeOd),
  };
  return Object.fromEntries(Object.entries(found).filter(([, figure]) => figure !== undefined)) as SurveyResult;
}

/** Middle between two places that were read from the centreline, each to its side, mm, plus to the left. */
const middleOf = (id: string, label: string, L: Maybe, R: Maybe): Maybe =>
  L &&
  R &&
  derive({
    id,
    label,
    unit: 'mm',
    formula: '({L} − {R})/2',
    source: 'Both from the centreline',
    inputs: { L, R },
  });

const differ = (id: string, label: string, a: Maybe, b: Maybe): Maybe =>
  a &&
  b &&
  derive({ id, label, unit: 'mm', formula: '{a} − {b}', source: 'One less the other', inputs: { a, b } });

type Limits = LimitsOf<typeof survey>;

/** Checks of the old axle's readings. */
export function surveyChecks({ closure, offset, ...found }: SurveyResult, limits: Limits): Check[] {
  const checks: Check[] = [];
  const base = { stage: 'survey' as const, unknown: 'The old axle’s place: not known' };
  if (closure)
    checks.push(
      judgeClosure(
        {
          id: 'survey.closure',
          figure: closure,
          limit: limits('survey.closure'),
          holds: 'Old axle’s readings add up',
          fails: 'Old axle’s halves do not add up to its width',
          reason:
            'One of the three readings is wrong if the halves and the width differ by more than the tape explains.',
          todo: 'Read both halves and the width again; check that the plumb line hangs on the centreline.',
          at: 'survey.width',
          ...base,
        },
        ['survey.left', 'survey.right', 'survey.width'],
      ),
    );
  if (offset)
    checks.push(
      judge({
        id: 'survey.offset',
        figure: offset,
        way: 'within',
        limit: limits('survey.offset'),
        holds: 'Old axle sits in the middle',
        fails: 'Old axle does not sit in the middle of the car',
        reason: 'A new axle placed like the old one would be off centre as well.',
        todo: 'Find out why: a bent locating part, a sagged spring or a wrong centreline. Do not copy it.',
        at: 'survey.left',
        ...base,
      }),
    );
  return [...checks, ...mountChecks(found, limits)];
}

/** What the car’s own mounts say: where they stand, how worn they are, and whether the donor’s tube suits them. */
function mountChecks({ mounts, shocks, play, tube }: SurveyResult, limits: Limits): Check[] {
  const base = { stage: 'survey' as const, unknown: 'The mounts: not known', way: 'within' as const };
  const list: readonly (Omit<Held, 'limit'> & { readonly limit: LimitIdOf<typeof survey> })[] = [
    {
      id: 'survey.mounts',
      figure: mounts,
      limit: 'survey.offset',
      holds: 'Front mounts stand alike about the centreline',
      fails: 'Front mounts do not stand alike about the centreline',
      reason: 'The springs or links set the axle by them: it will stand where they do.',
      todo: 'Read both again; a bent mount or a wrong centreline is found before the axle is placed by it.',
      at: 'spring.mount.left',
      ...base,
    },
    {
      id: 'survey.shocks',
      figure: shocks,
      limit: 'level.lean',
      holds: 'Both shocks stand alike at ride height',
      fails: 'One shock stands longer than the other at ride height',
      reason: 'The car leans, or one spring has sagged: ride height differs from side to side.',
      todo: 'Put the ride height right before room and angles are read.',
      at: 'shock.length.left',
      ...base,
    },
    {
      id: 'survey.play',
      figure: play,
      limit: 'survey.bolt',
      holds: 'Mount bolt fits its hole',
      fails: 'Mount hole is worn, or of another bolt',
      reason: 'An axle that moves in its mounts steers the car and cuts its bolts.',
      todo: 'Sleeve or weld and drill the mount, or take the bolt that the hole is for.',
      at: 'spring.hole',
      ...base,
    },
    {
      id: 'survey.tube',
      figure: tube,
      limit: 'survey.tube',
      holds: 'The donor’s tube is as thick as the old one',
      fails: 'The donor’s tube is of another diameter',
      reason: 'Perches, U-bolts and plates of the old axle do not close round another tube.',
      todo: 'Count U-bolts, plates and perches for the donor’s tube into parts and money.',
      at: 'survey.tubeOd',
      ...base,
    },
  ];
  return list.flatMap((held) => (held.figure ? [judge({ ...held, limit: limits(held.limit) })] : []));
}
