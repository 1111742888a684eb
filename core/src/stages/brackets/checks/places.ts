import type { Side } from '../../../geometry';
import { sized, type Figure } from '../../../measure';
import { judge, judgeClosure, unknownCheck, type Check } from '../../../stage';
import { FITTINGS, KIND_NAMES, upper } from '../names';
import { datumLacks, outside } from '../figures/frame';
import { placeOf, places, sidesOf, type PlacedBracket } from '../figures/places';
import { gapsOf, kitOffs } from '../figures/gaps';
import { node, perBracket, type Reads } from '../node';

const STAGE = 'brackets' as const;
const AT = 'bracket.list' as const;

/** What of a bracket is not known yet. */
function unknownOf(p: PlacedBracket): Check[] {
  const named = `${upper(p.item.name)}, ${KIND_NAMES[p.item.kind]}`;
  const checks: Check[] = [];
  if (!p.y)
    checks.push(
      unknownCheck({
        id: `bracket.${p.id}.place`,
        stage: STAGE,
        unknown: `${named}: its place along the axle is not known`,
        reason: p.by
          ? 'What its place is measured from is not known.'
          : 'It was not read on the old axle or on the car, and none was chosen.',
        at: AT,
        lacks: p.lacks,
      }),
    );
  if (!p.clock)
    checks.push(
      unknownCheck({
        id: `bracket.${p.id}.clock`,
        stage: STAGE,
        unknown: `${named}: where it stands round the tube is not known`,
        reason: 'Whether it meets another thing cannot be told without its clock angle.',
        at: AT,
        lacks: p.lacks,
      }),
    );
  return checks;
}

/** Does it stand on its tube? */
function onTube(r: Reads, p: PlacedBracket): Check[] {
  const limit = r.limit('bracket.fromEnds');
  const own = r.of(gapsOf(p.id));
  const shared = {
    stage: STAGE,
    way: 'atLeast' as const,
    limit,
    stop: 0,
    unknown: '',
    at: AT,
  };
  return sidesOf(p).flatMap((side) => {
    const gaps = own?.ends[side] ?? {};
    const checks: Check[] = [];
    if (gaps.end)
      checks.push(
        judge({
          ...shared,
          id: `bracket.${p.id}.end.${side}`,
          figure: gaps.end,
          holds: `${upper(p.item.name)} is clear of the ${side} housing end`,
          fails: (level) =>
            level === 'stop'
              ? `${upper(p.item.name)} stands over the ${side} housing end`
              : `${upper(p.item.name)} is near the ${side} housing end`,
          reason: 'Heat so near the end warps the bearing’s seat, and what stands over it holds nothing.',
          todo: 'Move it inboard, or make it narrower.',
        }),
      );
    if (gaps.casting && p.item.side !== 'across' && !FITTINGS.includes(p.item.kind))
      checks.push(
        judge({
          ...shared,
          id: `bracket.${p.id}.casting.${side}`,
          figure: gaps.casting,
          holds: `${upper(p.item.name)} is clear of the casting`,
          fails: (level) =>
            level === 'stop'
              ? `${upper(p.item.name)} stands on the casting`
              : `${upper(p.item.name)} is near the casting`,
          reason: 'Cast iron takes no plain weld, and heat beside it loosens the tube’s press fit.',
          todo: 'Move it outboard, or make it narrower.',
        }),
      );
    return checks;
  });
}

/** Does it go round more than the tube? */
function roundIt(r: Reads, p: PlacedBracket): Check[] {
  const D = r.of(outside)[p.side];
  if (!D || p.item.round <= Math.PI * D.value) return [];
  return [
    {
      id: `bracket.${p.id}.round`,
      stage: STAGE,
      level: 'stop',
      title: `${upper(p.item.name)} goes round more than its tube`,
      figure: { value: p.item.round, unit: 'mm' },
      reason: `Once round the tube is ${sized(Math.PI * D.value)}; this takes ${sized(p.item.round)}.`,
      todo: 'Measure what it takes round the tube, along its skin.',
      at: AT,
    },
  ];
}

/** Does it stand on a weld of the tube, where the saw runs? */
function onSeam(r: Reads, p: PlacedBracket): Check[] {
  const gaps = r.of(gapsOf(p.id))?.seams ?? {};
  return sidesOf(p).flatMap((side): Check[] => {
    const gap = gaps[side];
    if (!gap) return [];
    if (p.item.side === 'across') return gap.value < 0 ? [overWeld(p, side, gap)] : [];
    return [
      judge({
        id: `bracket.${p.id}.seam`,
        stage: STAGE,
        figure: gap,
        way: 'atLeast',
        limit: r.limit('bracket.seam'),
        stop: 0,
        holds: `${upper(p.item.name)} is clear of the ${side} cut`,
        fails: (level) =>
          level === 'stop'
            ? `The ${side} cut runs through ${p.item.name}`
            : `${upper(p.item.name)} is near the ${side} cut`,
        unknown: '',
        reason:
          'The tube is sawn and welded there: a bracket over it hides the weld, and two welds in one place crack.',
        todo: 'Move the bracket along its tube, or the cut.',
        at: AT,
      }),
    ];
  });
}

/** What lies across the whole axle runs over the tubes’ own welds. */
const overWeld = (p: PlacedBracket, side: Side, gap: Figure): Check => ({
  id: `bracket.${p.id}.seam.${side}`,
  stage: STAGE,
  level: 'caution',
  title: `${upper(p.item.name)} runs over the weld of the ${side} tube`,
  figure: { value: gap.value, unit: 'mm', figureId: gap.id },
  reason: 'Its foot rides on the bead instead of on the tube, and a weld across a weld cracks.',
  todo: 'Relieve its foot over the bead, and leave that stretch unwelded.',
  at: AT,
});

/** One bracket by itself. */
const standsOf = perBracket('stands', (r, id): readonly Check[] => {
  const p = r.of(placeOf(id));
  return p ? [...unknownOf(p), ...onTube(r, p), ...roundIt(r, p), ...onSeam(r, p)] : [];
});

/** Every bracket by itself. */
export const stands = node('stands', (r): readonly Check[] =>
  Object.keys(r.part('brackets')).flatMap((id) => r.of(standsOf(id)) ?? []),
);

function madeChecks(r: Reads, p: PlacedBracket): Check[] {
  if (!p.item.made || !p.planned) return [];
  const word = p.item.made.by;
  const checks: Check[] = [];
  const own = r.of(gapsOf(p.id));
  const shared = {
    stage: STAGE,
    way: 'within' as const,
    unknown: '',
    reason:
      word === 'tacked'
        ? 'While it is only tacked it can still be knocked into place.'
        : 'From here on it counts where it stands.',
    todo:
      word === 'tacked' ? 'Break the tacks and set it again.' : 'Judge whether what hangs on it can take that.',
    at: AT,
  };
  if (own?.offPlace)
    checks.push(
      judge({
        ...shared,
        id: `bracket.${p.id}.off.place`,
        figure: own.offPlace,
        limit: r.limit('bracket.place'),
        holds: `${upper(p.item.name)} is ${word} in its place`,
        fails: `${upper(p.item.name)} is ${word} off its place`,
      }),
    );
  if (own?.offAngle)
    checks.push(
      judge({
        ...shared,
        id: `bracket.${p.id}.off.angle`,
        figure: own.offAngle,
        limit: r.limit('bracket.turn'),
        holds: `${upper(p.item.name)} is ${word} at its angle`,
        fails: `${upper(p.item.name)} is ${word} off its angle`,
      }),
    );
  return checks;
}

/** What was read after the work. */
export const asWelded = node('asWelded', (r): readonly Check[] =>
  r.of(places).flatMap((p) => madeChecks(r, p)),
);

/** Datums of a kit must give the same place. */
export const kits = node('kits', (r): readonly Check[] =>
  Object.entries(r.part('bracketKits')).flatMap(([id, kit]): Check[] => {
    if (!kit.datum2 || kit.at2 === undefined) return [];
    const side: Side = kit.side === 'right' ? 'right' : 'left';
    return [
      judgeClosure(
        {
          id: `kit.${id}.datums`,
          stage: STAGE,
          figure: r.of(kitOffs)[id],
          limit: r.limit('bracket.kit'),
          holds: `${kit.name}: both datums give one place`,
          fails: `${kit.name}: its datums contradict each other`,
          unknown: `${kit.name}: whether its datums agree is not known`,
          reason: 'All that belongs to the kit stands by that place.',
          todo: 'Read both again; one is to another edge, or the kit is made for another axle.',
          at: AT,
          lacks: [...datumLacks('new', kit.datum, side), ...datumLacks('new', kit.datum2, side)],
        },
        [`kit.${id}.at`, `kit.${id}.at2`],
      ),
    ];
  }),
);
