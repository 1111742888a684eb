import { readFileSync } from 'node:fs';
import { readPlanText } from '@intervex/contract';
import {
  allFigures,
  evaluate,
  expandedUncertainty,
  isoDay,
  marks,
  plainFigure,
  schools,
  shafts,
  square,
  stand,
  type Figure,
} from '@intervex/core';

/** Prints all results of a plan file as JSON; exit code 2 and a message on a bad file. */
function fail(message: string): never {
  process.stderr.write(`${message}\n`);
  process.exit(2);
}

const path = process.argv[2];
if (!path) fail('Say which plan file: npm run -s compute -- plan.json');

let text: string;
try {
  text = readFileSync(path, 'utf8');
} catch (error) {
  fail(`${path} cannot be read: ${(error as NodeJS.ErrnoException).code ?? 'unknown reason'}.`);
}

const read = readPlanText(text);
if (!read.ok)
  fail(
    [
      `${path} is refused:`,
      ...read.problems.map((p) => `  ${p.field}: ${p.wrong}; right would be: ${p.right}`),
    ].join('\n'),
  );

const results = evaluate(read.file.plan, isoDay(new Date()));
/** A figure by itself: its inputs are named, and stand beside it. */
const plain = (figure: Figure) => {
  const { contributions: _parts, working, ...f } = plainFigure(figure);
  return {
    ...f,
    uncertainty: expandedUncertainty(figure),
    working: {
      ...working,
      inputs: Object.fromEntries(
        Object.entries(working.inputs).map(([symbol, { figure: _figure, ...input }]) => [symbol, input]),
      ),
    },
  };
};
const figures = Object.fromEntries([...allFigures(results)].map(([id, figure]) => [id, plain(figure)]));
const idOf = (_key: string, value: unknown): unknown =>
  typeof value === 'object' && value !== null && 'contributions' in value ? (value as Figure).id : value;
const { project, variant } = read.file;
const { of, checks, decisions, stages, strip } = results;
const parts = {
  schools: of(schools),
  marks: of(marks),
  stand: of(stand),
  shafts: of(shafts),
  square: of(square),
};
const outline: unknown = JSON.parse(JSON.stringify({ ...parts, checks, decisions, stages, strip }, idOf));
process.stdout.write(`${JSON.stringify({ project, variant, figures, ...(outline as object) }, null, 2)}\n`);
