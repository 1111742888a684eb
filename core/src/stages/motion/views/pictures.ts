import type { Caption, Shape, View } from '../../../drawing';
import { axleCharacter, type AxleAsked, type Point3 } from '../../../mechanics/solid-axle';
import { setSlope } from '../../driveline/figures/slopes';
import { line } from '../../driveline/figures/line';
import { bodies, rooms } from '../figures/rooms';
import { standing, study, type StudyFigures } from '../figures/study';
import type { Node } from '../../../stage';
import {
  atPose,
  bodyShapes,
  boundsOf,
  handlesOf,
  memberShapes,
  memberWords,
  obstacleShapes,
  onPicture,
  sceneAt,
  traceShapes,
  type Look,
  type MotionScene,
} from './scene';

/** Asks for what a node gives. */
export type AskedOf = <T>(node: Node<T>) => T;

/** Farther than this, in mm, an instant centre stands outside the picture and is only told. */
const IN_SIGHT = 1500;

/** Where the axle touches the ground in a pose. */
function ground(scene: MotionScene, look: Look): readonly Shape[] {
  if (look === 'top') return [];
  const { z, roll } = scene.posed.asked;
  if (look === 'side')
    return [
      {
        kind: 'line',
        style: 'axis',
        name: 'ground',
        points: [
          [-reachOf(scene), z],
          [360, z],
        ],
      },
    ];
  const at = (y: number): Point3 => [0, y, z + y * Math.tan(roll)];
  return [
    {
      kind: 'line',
      style: 'axis',
      name: 'ground',
      points: [onPicture.rear(at(820)), onPicture.rear(at(-820))],
    },
  ];
}

/** The pinion’s axis: as it is, and pale as at ride height. */
function pinionShapes(scene: MotionScene): readonly Shape[] {
  const { pinion, posed, stand } = scene;
  if (!pinion) return [];
  const centre = stand.axle.axleCentre;
  const nose: Point3 = [
    pinion.nose * Math.cos(pinion.slope),
    0,
    centre[2] + pinion.nose * Math.sin(pinion.slope),
  ];
  const [a, b] = [centre, nose].map((p) => onPicture.side(atPose(scene, posed, p))) as [
    readonly [number, number],
    readonly [number, number],
  ];
  return [
    ...(scene.still
      ? [{ kind: 'line', style: 'ghost', points: [onPicture.side(centre), onPicture.side(nose)] } as const]
      : []),
    { kind: 'line', style: 'mark', name: 'pinion’s axis', points: [a, b] },
  ];
}

/** Where words stand below the ground, mm. */
const BELOW = -90;

/** How far forward the side view reaches: to the farthest end at the car, and a little on. */
const reachOf = ({ stand: { held, values } }: MotionScene): number =>
  Math.max(
    420,
    values[held.at('leaf.front')] ?? 0,
    ...[...held.members, ...held.sprung].map(({ car }) => values[car[0]] as number),
  ) + 240;

/** Whether a place of the side view stands within the picture. */
const inSight = (x: number | undefined, z: number | undefined): boolean =>
  x !== undefined && z !== undefined && x > -400 && x < IN_SIGHT && Math.abs(z) < IN_SIGHT;

/** Where the instant centre goes over the travel, as far as it stays within the picture. */
function instantPath({ stand, trace }: MotionScene): readonly (readonly [number, number])[] {
  return trace.flatMap(({ asked }) => {
    const found = axleCharacter(stand.axle, { wheelbase: 1, cgHeight: 1 }, asked.z)?.instantCentre;
    if (!found) return [];
    const [x, z] = found;
    return inSight(x, z) ? [[-x, z + asked.z] as const] : [];
  });
}

/** Instant centre and neutral line, at ride height. */
function sideLines(scene: MotionScene, told: StudyFigures): { shapes: Shape[]; captions: Caption[] } {
  const { values, held } = scene.stand;
  const [x, z] = [told.icAlong?.value, told.icHeight?.value];
  const wheelbase = values[held.at('brief.wheelbase')];
  const cg = values[held.at('brief.cgHeight')];
  const shapes: Shape[] = [];
  const captions: Caption[] = [];
  const near = inSight(x, z);
  const far = Math.max(reachOf(scene), near ? (x ?? 0) + 120 : 0);
  if (wheelbase && cg) {
    const rise = (cg * far) / wheelbase;
    shapes.push({
      kind: 'line',
      style: 'centreline',
      name: 'neutral line',
      points: [
        [0, 0],
        [-far, rise],
      ],
    });
    captions.push({ text: 'neutral line', at: [-far, rise + 18], anchor: 'start' });
  }
  const path = instantPath(scene);
  if (path.length > 1)
    shapes.push({ kind: 'line', style: 'pitch', name: 'path of the instant centre', points: path });
  if (near && x !== undefined && z !== undefined) {
    shapes.push({ kind: 'circle', style: 'mark', centre: [-x, z], radius: 12, name: 'instant centre' });
    // Clear of the handle, where it is a pivot of the bars.
    captions.push({ text: 'instant centre', at: [-x, z + 90], anchor: 'middle' });
  } else if (x !== undefined && z !== undefined)
    captions.push({
      text: `instant centre {} ${x > 0 ? 'forward' : 'behind'}, outside the picture`,
      length: Math.abs(x),
      at: [-far, BELOW],
      anchor: 'start',
    });
  return { shapes, captions };
}

/** Words below the ground want room there. */
function withWords(bounds: View['bounds'], captions: readonly Caption[]): View['bounds'] {
  const low = captions.some(({ at }) => at[1] === BELOW) ? BELOW - 20 : bounds.bottom;
  return { ...bounds, bottom: Math.min(bounds.bottom, low) };
}

const TITLES: Readonly<Record<Look, string>> = {
  side: 'From the car’s left',
  rear: 'From behind',
  top: 'From above',
};

function viewOf(scene: MotionScene, look: Look, told: StudyFigures): View {
  const own =
    look === 'side'
      ? sideLines(scene, told)
      : look === 'rear'
        ? rollCentre(told)
        : { shapes: [], captions: [] };
  const shapes = [
    ...ground(scene, look),
    ...bodyShapes(scene, look),
    ...obstacleShapes(scene, look),
    ...traceShapes(scene, look),
    ...memberShapes(scene, look),
    ...(look === 'side' ? pinionShapes(scene) : []),
    // Last, for how many of them there are changes as a link is moved: what comes before stays where it is in the page.
    ...own.shapes,
  ];
  return {
    title: TITLES[look],
    bounds: withWords(boundsOf(shapes), own.captions),
    shapes,
    dimensions: [],
    handles: look === 'side' ? handlesOf(scene) : [],
    captions: [...own.captions, ...memberWords(scene, look)],
  };
}

function rollCentre(told: StudyFigures): { shapes: Shape[]; captions: Caption[] } {
  const z = told.rollCentre?.value;
  if (z === undefined || Math.abs(z) > IN_SIGHT) return { shapes: [], captions: [] };
  return {
    shapes: [{ kind: 'circle', style: 'mark', centre: [0, z], radius: 12, name: 'roll centre' }],
    captions: [{ text: 'roll centre', at: [22, z - 46], anchor: 'start' }],
  };
}

/** The scene of a pose; nothing while it is not known how the axle is held. */
export function motionScene(of: AskedOf, asked: AxleAsked): MotionScene | undefined {
  const stands = of(standing);
  if (!stands) return undefined;
  const [slope, nose] = [of(setSlope), of(line).line?.nose];
  return sceneAt(
    stands,
    {
      bodies: of(bodies),
      rooms: of(rooms),
      pinion: slope && nose ? { slope: slope.value, nose: nose.value } : undefined,
    },
    asked,
  );
}

/** The axle and all that holds it, in a pose, from one way. */
export function motionView(of: AskedOf, look: Look, asked: AxleAsked): View | undefined {
  const scene = motionScene(of, asked);
  return scene && viewOf(scene, look, of(study));
}
