import type { Dimension } from '../../../drawing';
import type { Figure, Maybe } from '../../../measure';
import { shafts } from '../figures/shafts';
import type { Scene } from './shaft-scene';

/** What a dimension of a shaft is of, and where it runs, mm from the pinion axis. */
interface Span {
  readonly id: string;
  readonly label: string;
  readonly name: string;
  readonly along: readonly [number, number];
  readonly row: number;
  readonly of: Maybe;
  readonly quantityId?: string;
}

function spanned(
  { side, d, major }: Scene,
  { id, label, name, along, row, of, quantityId }: Span,
): Dimension[] {
  if (!of) return [];
  const v = row > 0 ? major / 2 : -major / 2;
  const [a, b] = along.map((x) => d * x).sort((p, q) => p - q) as [number, number];
  return [
    {
      id: `${id}.${side}`,
      label: `${label}, ${side}`,
      name,
      from: [a, v],
      to: [b, v],
      row,
      value: of.value,
      figureId: of.id,
      fine: !of.byTape,
      ...(quantityId === undefined ? {} : { quantityId }),
    },
  ];
}

/** Lengths of a shaft: whole, spline and shoulder; in its place what engages and what stays, as a part its groove. */
export function shaftDimensions(scene: Scene, fitted: Figure): readonly Dimension[] {
  const { r, side, face, inner, sizes, alone } = scene;
  const fit = r.of(shafts).fit[side];
  const { spline, shoulder } = sizes;
  const whole: Span = {
    id: 'shaft',
    label: 'Shaft length',
    name: '',
    along: [inner, face],
    row: 1,
    of: fitted,
  };
  const spans: Span[] = [whole, ...(alone ? grooveSpans(scene) : placeSpans(scene))];
  if (spline !== undefined)
    spans.push({
      id: 'spline',
      label: 'Spline',
      name: 'spline',
      along: [inner, inner + spline],
      row: -1,
      of: fit.spline,
    });
  if (shoulder !== undefined)
    spans.push({
      id: 'shoulder',
      label: 'Wheel face to the shoulder',
      name: 'shoulder',
      along: [face - shoulder, face],
      row: -1,
      of: r.figure('shaft.shoulder'),
      quantityId: 'shaft.shoulder',
    });
  return spans.flatMap((span) => spanned(scene, span));
}

function grooveSpans({ r, inner, sizes: { line } }: Scene): readonly Span[] {
  if (line?.clipPlace === undefined) return [];
  return [
    {
      id: 'clip',
      label: 'Clip groove from the inner end',
      name: 'groove',
      along: [inner, inner + line.clipPlace],
      row: -2,
      of: r.figure('shaft.clipPlace'),
      quantityId: 'shaft.clipPlace',
    },
  ];
}

function placeSpans({ r, side, inner, sizes: { spline } }: Scene): readonly Span[] {
  const fit = r.of(shafts).fit[side];
  const gear = r.figure(`donor.sideGear.${side}`)?.value;
  const cross = r.figure('donor.crossShaft')?.value;
  const end = spline === undefined ? undefined : inner + spline;
  const from = gear === undefined ? undefined : Math.max(gear, inner);
  const spans: Span[] = [];
  if (from !== undefined && end !== undefined && end > from)
    spans.push({
      id: 'engaged',
      label: 'Engaged, at least',
      name: 'engaged',
      along: [from, end],
      row: -2,
      of: fit.engagedMin,
    });
  if (cross !== undefined)
    spans.push({
      id: 'gap',
      label: 'Shaft’s end to the cross shaft',
      name: 'gap',
      along: [cross / 2, inner],
      row: -2,
      of: fit.gap,
    });
  return spans;
}
