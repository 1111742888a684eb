import { SIDES } from '../../geometry';
import { idsOf, type DecisionDef, type PlaceId } from '../../stage';
import { SILLS } from './level-quantities';
import { node } from './node';
import { ROOM_HEIGHTS } from './room-quantities';

const HEIGHTS = idsOf(SILLS);
const ROOM_PLACES = [
  ...ROOM_HEIGHTS.flatMap((height) => [`room.in.ride.${height}` as const, `room.in.bump.${height}` as const]),
  'room.out.ride',
  'room.out.bump',
  'room.lip',
] as const;
const ROOM = ROOM_PLACES.flatMap((place) => SIDES.map((side) => `${place}.${side}` as const));

const always = (name: string, ids: readonly PlaceId[]) => node(name, () => ids);

export const levelDecision: DecisionDef = {
  id: 'level',
  label: 'Whether the car stands level',
  needs: always('levelNeeds', HEIGHTS),
};
export const surveyDecision: DecisionDef = {
  id: 'survey',
  label: 'The old axle’s place',
  needs: always('surveyNeeds', ['survey.left', 'survey.right', 'survey.width']),
};
export const roomDecision: DecisionDef = {
  id: 'room',
  label: 'The wheel room',
  needs: always('roomNeeds', ROOM),
};
