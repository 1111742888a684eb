import { adviseNext, readTrial, type Contact, type Trial } from '../../../mechanics';
import { calculation, list, number, object } from '../../../stage';

interface TrialIn {
  readonly pinionShimMm: number;
  readonly ringSideMm: number;
  readonly otherSideMm: number;
  readonly backlashMm: readonly number[];
  readonly drive: Contact;
  readonly coast: Contact;
}
interface AdviceIn {
  readonly trials: readonly TrialIn[];
  readonly pinionKitMm?: readonly number[];
  readonly carrierKitMm?: readonly number[];
}

const share = number(-1, 1);
const KIT = list(number(0.005, 10), { max: 60 });
const CONTACT = object<Contact>({ along: share, across: share });
const TRIAL = object<TrialIn>({
  pinionShimMm: number(0, 8),
  ringSideMm: number(0, 12),
  otherSideMm: number(0, 12),
  backlashMm: list(number(0, 2), { min: 4, max: 24 }),
  drive: CONTACT,
  coast: CONTACT,
});

const trialOf = (t: TrialIn): Trial => ({
  pinionShim: t.pinionShimMm,
  ringSide: t.ringSideMm,
  otherSide: t.otherSideMm,
  backlash: t.backlashMm,
  drive: t.drive,
  coast: t.coast,
});

export const gearAdvice = calculation<AdviceIn>({
  name: 'gear-advice',
  what: 'What the last trial of a gear set says, and which shims to try next.',
  input: object<AdviceIn>({ trials: list(TRIAL, { min: 1, max: 40 }), pinionKitMm: KIT, carrierKitMm: KIT }, [
    'pinionKitMm',
    'carrierKitMm',
  ]),
  fields: {
    trials: 'every trial so far, in order',
    'trials[].pinionShimMm': 'behind the pinion’s head, mm',
    'trials[].ringSideMm': 'beside the carrier on the ring gear’s side, mm',
    'trials[].otherSideMm': 'on the other side, mm',
    'trials[].backlashMm': 'at four teeth or more, mm',
    'trials[].drive': 'contact on the drive flank',
    'trials[].drive.along': 'toe +, heel −, as a share of half the flank',
    'trials[].drive.across': 'root +, face −, as a share of half the flank',
    'trials[].coast': 'contact on the coast flank',
    'trials[].coast.along': 'toe +, heel −',
    'trials[].coast.across': 'root +, face −',
    pinionKitMm: 'thickness of each shim there is behind the pinion’s head, mm; any can be had where left out',
    carrierKitMm: 'the same beside the carrier; each goes into one side only',
  },
  gives: {
    good: 'the last trial keeps every window: backlash 0.15 to 0.25 mm, at most 0.08 apart, contact in the middle',
    faults: 'what it does not keep, in words',
    backlashMeanMm: 'of the last trial',
    backlashRangeMm: 'of the last trial',
    next: 'shims to try next, what moves, whether the pinion’s bearing has to be pressed, and what was learned',
  },
  example: {
    trials: [
      {
        pinionShimMm: 0.9,
        ringSideMm: 2.1,
        otherSideMm: 1.9,
        backlashMm: [0.31, 0.33, 0.32, 0.3],
        drive: { along: -0.5, across: -0.8 },
        coast: { along: -0.1, across: -0.75 },
      },
    ],
    pinionKitMm: [0.5, 0.45, 0.1, 0.05, 0.03],
    carrierKitMm: [1.5, 1.2, 1, 0.5, 0.4, 0.3, 0.1, 0.05],
  },
  run: ({ trials, pinionKitMm = [], carrierKitMm = [] }) => {
    const all = trials.map(trialOf);
    const { mean, range, good, faults } = readTrial(all.at(-1) as Trial);
    const next = adviseNext(all, undefined, { pinion: pinionKitMm, carrier: carrierKitMm });
    return {
      good,
      faults,
      backlashMeanMm: mean,
      backlashRangeMm: range,
      next: {
        pinionShimMm: next.pinionShim,
        ringSideMm: next.ringSide,
        otherSideMm: next.otherSide,
        pinionMoveMm: next.pinionMove,
        carrierMoveMm: next.carrierMove,
        pressing: next.pressing,
        carrierGain: next.gain,
        thirdOfFaceMm: next.thirdOfFace,
        packs: next.packs,
      },
    };
  },
});
