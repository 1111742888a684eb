import type { Shape, View } from '../../../drawing';
import { node } from '../node';
import { outlineOf, reachOf, rectangle, sceneOf, wordOf, type BracketScene } from './scene';

/** The bare axle across the car: u is the lateral place turned round, the car’s left at the picture’s left. */
function bare({ casting, end, radius }: BracketScene): readonly Shape[] {
  return [
    {
      kind: 'outline',
      style: 'tube',
      name: 'left tube',
      points: rectangle(-end.left, -casting.left, -radius, radius),
    },
    {
      kind: 'outline',
      style: 'tube',
      name: 'right tube',
      points: rectangle(-casting.right, -end.right, -radius, radius),
    },
    {
      kind: 'outline',
      style: 'casting',
      name: 'casting',
      points: rectangle(-casting.left, -casting.right, -1.55 * radius, 1.55 * radius),
    },
    {
      kind: 'line',
      style: 'centreline',
      name: 'car’s centreline',
      points: [
        [0, -2.4 * radius],
        [0, 2.4 * radius],
      ],
    },
  ];
}

function axleView(scene: BracketScene, title: string, way: 'up' | 'forward'): View {
  const shapes = scene.solids.map((s) => {
    const [low, high] = reachOf(s, way);
    return outlineOf(s, rectangle(-s.to, -s.from, low, high));
  });
  const reach = Math.max(
    2.4 * scene.radius,
    ...scene.solids.map((s) => Math.max(...reachOf(s, way).map(Math.abs))),
  );
  return {
    title,
    bounds: { left: -scene.end.left - 10, right: -scene.end.right + 10, top: reach + 8, bottom: -reach - 8 },
    shapes: [...bare(scene), ...shapes],
    dimensions: [],
    handles: [],
    captions: scene.solids.map((s) => wordOf(s, [-(s.from + s.to) / 2, reachOf(s, way)[1] + 6])),
  };
}

/** The axle from behind, with all that stands on it. */
export const rearView = node('rearView', (r): View | undefined => {
  const scene = sceneOf(r);
  return scene && axleView(scene, 'Axle from behind', 'up');
});

/** The axle from above, forward at the top of the picture. */
export const topView = node('topView', (r): View | undefined => {
  const scene = sceneOf(r);
  return scene && axleView(scene, 'Axle from above', 'forward');
});
