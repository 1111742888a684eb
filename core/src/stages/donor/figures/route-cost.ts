import { derive, given, type Figure } from '../../../measure';
import { dayNumber } from '../../../numerics';
import { formatNumber } from '../../../units';
import { keeps, unknownCheck, type Check, type PlaceId, judge, judgeFact } from '../../../stage';
import type { PatternRoute } from '../../hubs/choices';
import { joints } from '../joints/joints';
import { DONOR_PARTS } from '../judged-quantities';
import { node, type Reads } from '../node';

type Priced = Parameters<Reads['figure']>[0];

/** What a way to make flange and wheel agree costs; other shafts stand with the shafts. */
const PATTERN_COSTS: Readonly<Partial<Record<PatternRoute, readonly [id: Priced, what: string]>>> = {
  redrill: ['redrill.cost', 'the re-drill'],
  adapter: ['adapter.cost', 'the adapters'],
};

/** A price of the route: what it is for, under which heading, and the figure once it is known. */
export interface Price {
  readonly heading: 'purchase' | 'parts' | 'shafts' | 'machining' | 'joints' | 'pattern';
  readonly what: string;
  readonly figure: Figure | undefined;
  /** Quantity to be filled in where it is not known. */
  readonly id: string;
  /** Where it is filled in. */
  readonly at: PlaceId;
}

/** All that a route costs, priced or not. */
export const prices = node('prices', (r): readonly Price[] => {
  const price = (heading: Price['heading'], id: Priced, what: string): Price => ({
    heading,
    what,
    id,
    at: id,
    figure: r.figure(id),
  });
  // A price that was typed counts, whatever was said of whether it comes with the donor.
  const missing = DONOR_PARTS.filter(
    (part) => r.fact(`part.${part}`)?.value === 'missing' || r.wasRead(`cost.${part}`),
  );
  const way = PATTERN_COSTS[r.choice('pattern')];
  const noted = r.part('joints').wheelPattern?.cost !== undefined;
  return [
    price('purchase', 'cost.donor', 'the donor'),
    ...missing.map((part) => price('parts', `cost.${part}`, part)),
    price('shafts', 'cost.shafts', 'shafts'),
    price('machining', 'cost.machining', 'machining and welding'),
    ...(way && !noted ? [price('pattern', ...way)] : []),
    ...r.of(joints).flatMap((j): Price[] => {
      const { cost } = j.note;
      const id = `joint.${j.id}.cost`;
      return cost === undefined
        ? []
        : [
            {
              heading: 'joints',
              what: j.label,
              id,
              at: `joint.${j.id}`,
              figure: given(id, `${j.label}, cost`, cost, 0, 'money', 'Noted with the joint'),
            },
          ];
    }),
  ];
});

/** The re-drill or the adapters priced in two places: one counts, and both are said. */
export const pricedTwice = node('pricedTwice', (r): readonly Check[] => {
  const way = PATTERN_COSTS[r.choice('pattern')];
  const noted = r.part('joints').wheelPattern?.cost;
  const typed = way && r.wasRead(way[0]) ? r.figure(way[0]) : undefined;
  if (!way || noted === undefined || !typed) return [];
  const same = typed.value === noted;
  return [
    judgeFact({
      id: 'route.twice',
      stage: 'donor',
      rests: { [way[0]]: typed, 'joint.wheelPattern': noted },
      fault: same
        ? undefined
        : {
            level: 'caution',
            title: `Priced twice: ${way[1]}`,
            reason: `${formatNumber(noted, 0)} noted with the joint counts; ${formatNumber(typed.value, 0)} under Hub ends does not.`,
            todo: 'Keep the one that is right and empty the other.',
          },
      figure: typed,
      holds: `One price for ${way[1]}`,
      unknown: '',
      reason: 'Both notes are of one price.',
      at: way[0],
    }),
  ];
});

/** Sum of all prices that are known; undefined while none is. */
function totalOf(prices: readonly Price[]): Figure | undefined {
  const known = prices.flatMap((p) => p.figure ?? []);
  if (known.length === 0) return undefined;
  const symbols = known.map((_, i) => `p_${i + 1}`);
  return derive({
    id: 'route.total',
    label: 'This route costs',
    unit: 'money',
    formula: symbols.map((s) => `{${s}}`).join(' + '),
    source: 'All that has a price, in your own money',
    inputs: Object.fromEntries(symbols.map((s, i) => [s, known[i] as Figure])),
  });
}

/** What is known of the route’s cost, and whether a price is missing in it. */
export const routeCost = node('routeCost', (r) => {
  const all = r.of(prices);
  return { total: totalOf(all), atLeast: all.some((p) => !p.figure) };
});

/** The route against the budget. A price that is not known can only make it dearer. */
export const budgetCheck = node('budget', (r): readonly Check[] => {
  const all = r.of(prices);
  const [total, budget] = [totalOf(all), r.figure('brief.budget')];
  if (!budget || !total) return [];
  const base = {
    id: 'brief.budget',
    stage: 'brief',
    reason: 'Money that is gone halfway leaves a car on stands.',
    at: 'brief.budget',
  } as const;
  const left = derive({
    id: 'route.left',
    label: 'Left of the budget',
    unit: 'money',
    formula: '{b} − {c}',
    source: 'Budget less what this route costs so far',
    inputs: { b: budget, c: total },
  });
  const open = all.filter((p) => p.figure === undefined);
  const fits = keeps('atLeast', left.value, 0, 'money');
  if (fits && open.length)
    return [
      {
        ...unknownCheck({
          unknown: `Whether the budget suffices: no price yet for ${open.map((p) => p.what).join(', ')}`,
          lacks: open.map((p) => p.at),
          ...base,
        }),
        figure: { value: left.value, unit: 'money', figureId: left.id },
      },
    ];
  return [
    judge({
      ...base,
      figure: left,
      way: 'atLeast',
      limit: 0,
      holds: 'The budget suffices for this route',
      fails: 'This route costs more than the budget',
      unknown: '',
      todo: 'Compare the routes, take a cheaper part, or raise the budget.',
    }),
  ];
});

/** Days of a week. */
const WEEK = 7;

/** Days until the route is done: the longest wait, then all hours at the builder’s pace; undefined while unknown. */
export const days = node('days', (r): Figure | undefined => {
  const [hours, pace, lead] = [r.figure('time.hours'), r.figure('brief.hoursPerWeek'), r.figure('time.lead')];
  if (!hours || !pace || !lead) return undefined;
  const noted = r.of(joints).reduce((sum, j) => sum + (j.note.hours ?? 0), 0);
  return derive({
    id: 'route.days',
    label: 'Days until this route is done',
    unit: 'count',
    formula: `{l} + ({h} + {j})·${WEEK}/{p}`,
    source: 'The longest wait, then your own hours and those of the joints at your pace',
    inputs: {
      l: lead,
      h: hours,
      j: given('joint.hours', 'Hours noted with the joints', noted, 0, 'count', 'Noted with the joints'),
      p: pace,
    },
  });
});

/**
 * The date wanted against what the route takes. Without today’s date nothing can be told: the computation has no clock.
 */
export const dateCheck = node('date', (r): readonly Check[] => {
  const [finishBy, today, takes] = [r.field('brief', 'finishBy'), r.today(), r.of(days)];
  if (!finishBy || today === undefined) return [];
  const left = dayNumber(finishBy) - dayNumber(today);
  const spare = takes && left - Math.ceil(takes.value);
  return [
    judgeFact({
      id: 'brief.date',
      stage: 'brief',
      rests: { 'brief.finishBy': finishBy, 'route.days': takes },
      fault:
        spare === undefined || spare >= 0
          ? undefined
          : {
              level: 'caution',
              title: `This route ends ${-spare} days after the date wanted`,
              todo: 'Begin with what has to be ordered, put more hours a week in, or take a quicker route.',
            },
      figure: takes,
      holds: 'The date can be kept',
      unknown: 'Whether the date can be kept: not known',
      reason: `Wanted by ${finishBy}. Parcels come first, then the work; what goes wrong comes on top.`,
      at: 'time.hours',
      lacks: ['time.hours', 'time.lead', 'brief.hoursPerWeek'],
    }),
  ];
});
