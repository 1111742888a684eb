import type { VariantView } from '@intervex/contract';
import {
  decimalOf,
  evaluate,
  flangeShapes,
  inUnits,
  isoDay,
  patterns,
  placeName,
  showValue,
  type JigShape,
  type LengthUnit,
} from '@intervex/core';
import { TEMPLATE_NAMES, templates, type TemplateId, type TemplateWord } from '@intervex/core/desks/brackets';
import { refused } from '../http/refusal';
import type { PaperName } from '../sheets/paper';
import { dxfOf, svgOf } from './shape-files';
import { shapePdf } from './shape-pdf';

/** What is drawn in full size, as what, and how. */
export interface ShapeAsked {
  readonly file: string;
  readonly paper: PaperName;
  readonly units: LengthUnit;
}

/** A shape of a variant in full size as a file. @throws Refused that says what it lacks */
export function shapeFile(variant: VariantView, { file, paper, units }: ShapeAsked): Promise<Buffer> | string {
  const [name, kind] = file.split('.') as [ShapeName, 'dxf' | 'svg' | 'pdf'];
  const { shapes, lines, words } = shapesOf(variant, name, units);
  const title = `${SHAPE_NAMES[name]}, ${variant.projectName}, ${variant.name}`;
  if (kind === 'pdf') return shapePdf(shapes, { title, lines, paper, words });
  return kind === 'dxf' ? dxfOf(shapes, title, words) : svgOf(shapes, title, words);
}

type ShapeName = 'jig' | 'flange' | TemplateId;
const SHAPE_NAMES: Readonly<Record<ShapeName, string>> = {
  jig: 'Drilling jig',
  flange: 'Flange',
  ...TEMPLATE_NAMES,
};

interface Shapes {
  readonly shapes: readonly JigShape[];
  readonly lines: readonly string[];
  readonly words: readonly TemplateWord[];
}

/** A template of the brackets; what it lacks is said by name. */
function templateOf({ plan, revision }: VariantView, name: TemplateId): Shapes {
  const { shapes, words, said, lacks } = evaluate(plan, isoDay(new Date())).of(templates[name]);
  if (lacks.length)
    throw refused(
      'notFound',
      `${TEMPLATE_NAMES[name]} cannot be made yet.`,
      lacks.map((id) => ({
        field: id,
        wrong: `is not known: ${placeName(id)}`,
        right: 'a reading, under Brackets or where it belongs',
      })),
    );
  return { shapes, words, lines: [`Revision ${revision}.`, said] };
}

function shapesOf(variant: VariantView, name: ShapeName, units: LengthUnit): Shapes {
  if (name !== 'jig' && name !== 'flange') return templateOf(variant, name);
  return { ...hubShapes(variant, name, units), words: [] };
}

function hubShapes(
  { plan, revision }: VariantView,
  name: 'jig' | 'flange',
  units: LengthUnit,
): Omit<Shapes, 'words'> {
  const { face, redrill, jig, jigProblem } = evaluate(plan, isoDay(new Date())).of(patterns);
  const size = (mm: number) => showValue(mm, 'mm', decimalOf(units), units === 'mm' ? 2 : 4);
  const pattern = face
    ? `${face.old.count} × ${size(face.old.pcd)} to ${face.wanted.count} × ${size(face.wanted.pcd)}`
    : '';
  if (name === 'flange') {
    if (!face) throw lacking('The flange is not known yet: its holes, circle and hole size, and the wheel’s.');
    return {
      shapes: flangeShapes(face, redrill?.possible ? redrill.clockRad : undefined),
      lines: [`Revision ${revision}. ${pattern}, seen from outside.`],
    };
  }
  if (!jig || !face || !redrill)
    throw lacking(
      redrill && !redrill.possible
        ? `No jig: ${inUnits(redrill.reasons.join(' '), units)}`
        : jigProblem || 'There is nothing to drill yet.',
    );
  const degrees = ((redrill.clockRad * 180) / Math.PI).toFixed(2);
  return {
    shapes: jig.shapes,
    lines: [
      `Revision ${revision}. ${pattern}, ${degrees}° from an old hole; ${size(redrill.nearest.metal)} of metal to ${redrill.nearest.what}.`,
      jig.steps > 1
        ? `Set on and drill ${jig.steps} times, stud to stud. Never turn the jig over.`
        : 'Sits on the pilot, pinned in two old holes. This face outward.',
    ],
  };
}

const lacking = (message: string) =>
  refused('notFound', message, [
    { field: 'plan', wrong: message, right: 'a pattern that can be drilled, under Hub ends' },
  ]);
