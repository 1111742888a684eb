import { type DecisionDef, type PlaceId, unless } from '../../stage';
import { clamps } from './figures/perches';
import { places } from './figures/places';
import { node } from './node';

/** The places of the brackets: all of them have to be known along the axle and round it. */
export const placesDecision: DecisionDef = {
  id: 'bracketPlaces',
  label: 'The brackets’ places',
  needs: node('placesNeeds', (r): readonly PlaceId[] => {
    const all = r.of(places);
    if (all.length === 0) return ['bracket.list'];
    const unknown = all.some((p) => !p.y || !p.clock);
    return [...new Set<PlaceId>([...unless(!unknown, 'bracket.list'), ...all.flatMap((p) => p.lacks)])];
  }),
  rests: node('placesRests', (r) => r.of(places).flatMap((p) => [p.fromCasting, p.clock])),
};

/** The U-bolts: needed where springs are clamped to perches. */
export const clampDecision: DecisionDef = {
  id: 'uBolts',
  label: 'The U-bolts',
  needs: node('clampNeeds', (r): readonly PlaceId[] =>
    r.of(places).some((p) => p.item.kind === 'perch') ? r.of(clamps).lacks : [],
  ),
  rests: node('clampRests', (r) => [r.of(clamps).left.developed, r.of(clamps).right.developed]),
};
