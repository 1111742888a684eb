import { SIDES, type Side } from '../../../geometry';
import type { Caption, Shape, View } from '../../../drawing';
import { node } from '../node';
import { arcOf, onSide, outlineOf, sceneOf, type BracketScene } from './scene';

/** One tube seen along the axle from the car’s left: forward at the picture’s left, as the car then stands. */
function half(scene: BracketScene, side: Side, middle: number): { shapes: Shape[]; captions: Caption[] } {
  const solids = scene.solids.filter((s) => onSide(s, side));
  return {
    shapes: [
      { kind: 'circle', style: 'tube', name: `${side} tube`, centre: [middle, 0], radius: scene.radius },
      ...solids.map((s) =>
        outlineOf(
          s,
          arcOf(s, 16).map(([x, z]) => [middle - x, z] as const),
        ),
      ),
    ],
    captions: [
      { text: side, at: [middle, 0], anchor: 'middle' },
      ...solids.map((s): Caption => {
        const r = scene.radius + s.high + 6;
        const u = middle - r * Math.sin(s.clock);
        const out = Math.abs(u - middle) < 8 ? 'middle' : u < middle ? 'end' : 'start';
        return { text: s.p.item.name, at: [u, r * Math.cos(s.clock)], anchor: out };
      }),
    ],
  };
}

/** Both tubes along the axle, side by side. */
export const sideViews = node('sideViews', (r): View | undefined => {
  const scene = sceneOf(r);
  if (!scene) return undefined;
  const reach = Math.max(scene.radius * 1.5, ...scene.solids.map((s) => scene.radius + s.high));
  const apart = 2.6 * reach;
  const both = SIDES.map((side) => half(scene, side, side === 'left' ? -apart / 2 : apart / 2));
  return {
    title: 'Axle from the car’s left, each tube',
    bounds: {
      left: -apart / 2 - reach - 12,
      right: apart / 2 + reach + 12,
      top: reach + 10,
      bottom: -reach - 10,
    },
    shapes: both.flatMap((b) => b.shapes),
    dimensions: [],
    handles: [],
    captions: both.flatMap((b) => b.captions),
  };
});
