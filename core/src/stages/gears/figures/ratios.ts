import { derive, given, type Figure, type Maybe } from '../../../measure';
import { GEAR_CRITERIA, type GearCriterion, type GearOffer } from '../choices';
import { node, type Reads } from '../node';
import { circumference, engineLimit, finishGear, finishSlip, firstGear, topGear, topSlip } from './road';

/** A gear set that can be had, or the one that is there, with what it gives. */
export interface RatioRow extends GearOffer {
  readonly id: string;
  readonly from: 'here' | 'counter' | 'own';
  readonly ratio: Figure;
  readonly launch: Maybe;
  readonly finishRpm: Maybe;
  readonly cruiseRpm: Maybe;
  readonly topSpeed: Maybe;
  /** How well it does by each criterion, 0 to 1; undefined where that is not known. */
  readonly marks: Readonly<Record<GearCriterion, number | undefined>>;
  /** Weighted mean of what is known, 0 to 1. */
  readonly score: number | undefined;
  /** Why it stands where it stands, in words. */
  readonly why: string;
}

/** Tyre that launch ratios are told for, mm. */
const USUAL_TYRE = 610;

type Offer = Pick<RatioRow, 'id' | 'from'> & GearOffer;

/** Gear sets there are: the donor’s own, what the counter has, what was noted. */
const offers = node('offers', (r): readonly Offer[] => {
  const [ring, pinion] = [r.figure('ratio.ring'), r.figure('ratio.pinion')];
  const here: Offer[] =
    ring && pinion
      ? [
          {
            id: 'here',
            from: 'here',
            name: 'As it is in the axle',
            ring: ring.value,
            pinion: pinion.value,
            carrier: 'same',
            condition: 'salvage',
            price: 0,
            leadDays: 0,
          },
        ]
      : [];
  const found = (r.search('gearSet')?.found ?? []).flatMap(
    ({ number, name, size, price, leadDays }): Offer[] => {
      const { ringTeeth, pinionTeeth } = size;
      if (!ringTeeth || !pinionTeeth) return [];
      return [
        {
          id: number,
          from: 'counter',
          name,
          ring: ringTeeth,
          pinion: pinionTeeth,
          carrier: size['carrier'] === 2 ? 'other' : 'same',
          condition: size['used'] === 1 ? 'salvage' : 'new',
          price,
          leadDays,
        },
      ];
    },
  );
  const own = Object.entries(r.part('gearOffers')).map(([id, o]): Offer => ({ id, from: 'own', ...o }));
  return [...here, ...found, ...own];
});

interface Known {
  readonly C: Maybe;
  readonly first: Maybe;
  readonly top: Maybe;
  readonly slip: Figure;
  readonly limit: Maybe;
}

/** Every gear set with launch ratio, engine speeds and top speed, best first. */
export const ratios = node('ratios', (r): readonly RatioRow[] => {
  const known: Known = {
    C: r.of(circumference),
    first: r.of(firstGear),
    top: r.of(topGear),
    slip: r.of(topSlip),
    limit: r.of(engineLimit),
  };
  const all = r.of(offers);
  const dearest = Math.max(0, ...all.map((o) => o.price));
  const rows = all.map((offer) => rowOf(r, offer, known, dearest));
  return rows.sort((a, b) => (b.score ?? -1) - (a.score ?? -1) || a.ratio.value - b.ratio.value);
});

function rowOf(r: Reads, offer: Offer, known: Known, dearest: number): RatioRow {
  const { id } = offer;
  const teeth = (what: 'ring' | 'pinion') =>
    given(
      `gear.${id}.${what}`,
      `${offer.name}, ${what} teeth`,
      offer[what],
      0,
      'count',
      'Tooth count of the gear set',
    );
  const ratio = derive({
    id: `gear.${id}.ratio`,
    label: `Ratio, ${offer.name}`,
    unit: 'count',
    formula: '{z_r}/{z_p}',
    source: 'Tooth counts',
    inputs: { z_r: teeth('ring'), z_p: teeth('pinion') },
  });
  const launch = known.first && launchOf(id, ratio, known.first);
  const finishRpm = rpmOf(id, 'finish', r.figure('gear.finishSpeed'), ratio, {
    ...known,
    top: r.of(finishGear),
    slip: r.of(finishSlip),
  });
  const cruiseRpm = rpmOf(id, 'cruise', r.figure('gear.cruiseSpeed'), ratio, known);
  const topSpeed = topOf(id, ratio, known);
  const marks = {
    launch: launchMark(r, launch, known.C),
    finish: nearMark(finishRpm, r.figure('gear.finishRpm')),
    cruise: belowMark(cruiseRpm, r.figure('gear.cruiseRpm')),
    cost: dearest > 0 ? 1 - offer.price / dearest : undefined,
  };
  return {
    ...offer,
    ratio,
    launch,
    finishRpm,
    cruiseRpm,
    topSpeed,
    marks,
    score: scoreOf(r, marks),
    why: whyOf(marks, offer),
  };
}

const launchOf = (id: string, i: Figure, g: Figure): Figure =>
  derive({
    id: `gear.${id}.launch`,
    label: 'Launch ratio',
    unit: 'count',
    formula: '{g_1}·{i}',
    source: 'First gear times axle ratio',
    inputs: { g_1: g, i },
  });

/** Engine speed at a road speed in a gear. */
function rpmOf(id: string, what: string, v: Maybe, i: Figure, { C, top, slip }: Known): Maybe {
  if (!v || !C || !top) return undefined;
  return derive({
    id: `gear.${id}.${what}`,
    label: `Engine at ${what}`,
    unit: 'rpm',
    formula: '{v}·1000/{C}·60·{i}·{g}·(1 + {s})',
    source: 'v/(π·D)·60·axle·gear·(1 + slip); circumference in mm',
    inputs: { v, C, i, g: top, s: slip },
  });
}

function topOf(id: string, i: Figure, { C, top, slip, limit }: Known): Maybe {
  if (!C || !top || !limit) return undefined;
  return derive({
    id: `gear.${id}.top`,
    label: 'Speed at the engine’s limit',
    unit: 'm/s',
    formula: '{n}/60/({i}·{g}·(1 + {s}))·{C}/1000',
    source: 'Engine at its limit in the highest gear, if it has the power',
    inputs: { n: limit, i, g: top, s: slip, C },
  });
}

/** Within the wanted range 1, down to 0 a quarter outside it; the range grows with the tyre. */
function launchMark(r: Reads, launch: Maybe, C: Maybe): number | undefined {
  const [low, high] = [r.figure('gear.launchLow'), r.figure('gear.launchHigh')];
  if (!launch || !low || !high || !C) return undefined;
  const scale = C.value / (0.97 * Math.PI * USUAL_TYRE);
  const [least, most] = [low.value * scale, high.value * scale];
  const off = Math.max(least / launch.value, launch.value / most, 1) - 1;
  return Math.max(0, 1 - off / 0.25);
}

/** 1 at what is wanted, 0 a fifth off it. */
const nearMark = (is: Maybe, want: Maybe): number | undefined =>
  is && want ? Math.max(0, 1 - Math.abs(is.value / want.value - 1) / 0.2) : undefined;

/** 1 at no more than what is wanted, 0 a third above it. */
const belowMark = (is: Maybe, most: Maybe): number | undefined =>
  is && most ? Math.max(0, Math.min(1, 1 - (is.value / most.value - 1) / (1 / 3))) : undefined;

function scoreOf(r: Reads, marks: RatioRow['marks']): number | undefined {
  const weights = r.part('gearWeights');
  let [sum, all] = [0, 0];
  for (const c of GEAR_CRITERIA) {
    const mark = marks[c];
    if (mark === undefined) continue;
    sum += weights[c] * mark;
    all += weights[c];
  }
  return all > 0 ? sum / all : undefined;
}

const SAYS: Readonly<Record<GearCriterion, readonly [good: string, bad: string]>> = {
  launch: ['launches as wanted', 'launch ratio off the wanted range'],
  finish: ['meets the line at the wanted speed', 'engine off the wanted speed at the line'],
  cruise: ['cruises quietly', 'turns fast at cruise'],
  cost: ['cheap', 'dear'],
};

function whyOf(marks: RatioRow['marks'], { carrier }: GearOffer): string {
  const said = GEAR_CRITERIA.flatMap((c) => {
    const mark = marks[c];
    if (mark === undefined) return [];
    return mark >= 0.95 ? [SAYS[c][0]] : mark <= 0.5 ? [SAYS[c][1]] : [];
  });
  return [...said, ...(carrier === 'other' ? ['needs another carrier'] : [])].join('; ');
}

/** The gear set that is to be fitted. */
export const chosenSet = node('chosenSet', (r): RatioRow | undefined =>
  r.of(ratios).find((row) => row.id === r.choice('gearSet')),
);
