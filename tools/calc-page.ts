import { CALCULATIONS, type AnyCalculation } from '@intervex/core/calc';
import type { AnyShape } from '@intervex/core';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/paths.mjs';

/** Every field of an input by its path, with what it may hold. */
function fieldsOf(shape: AnyShape, path = ''): readonly (readonly [path: string, may: string])[] {
  if (shape.kind === 'object')
    return Object.entries(shape.fields).flatMap(([key, inner]) => {
      const own = path ? `${path}.${key}` : key;
      const left = shape.optional.includes(key) ? ', may be left out' : '';
      return [[own, `${mayBe(inner)}${left}`] as const, ...fieldsOf(inner, own)];
    });
  return shape.kind === 'list' ? fieldsOf(shape.of, `${path}[]`) : [];
}

function mayBe(shape: AnyShape): string {
  if (shape.kind === 'number') return `${shape.whole ? 'whole number' : 'number'} ${shape.min} … ${shape.max}`;
  if (shape.kind === 'list') return `list of ${shape.min} to ${shape.max}: ${mayBe(shape.of)}`;
  return shape.kind === 'oneOf' ? shape.values.map((v) => `\`${v}\``).join(', ') : shape.kind;
}

/** Digits enough to be looked at. */
const short = (_key: string, value: unknown): unknown =>
  typeof value === 'number' ? Number(value.toFixed(4)) : value;

function chapter(c: AnyCalculation): string {
  const rows = fieldsOf(c.input).flatMap(([path, may]) => {
    // The three numbers of a place are said with it.
    if (/\.[xyz]Mm$/.test(path)) return [];
    const what = c.fields[path];
    if (what === undefined) throw new Error(`${c.name} does not say what ${path} is.`);
    return [`| \`${path}\` | ${what} | ${may} |`];
  });
  const answer = JSON.stringify(c.run(c.example as never), short, 2);
  return [
    `## ${c.name}`,
    c.what,
    ['| input | what | accepted |', '|---|---|---|', ...rows].join('\n'),
    ['| answer | what |', '|---|---|', ...Object.entries(c.gives).map(([k, v]) => `| \`${k}\` | ${v} |`)].join(
      '\n',
    ),
    `\`\`\`json\n${JSON.stringify(c.example, undefined, 2)}\n\`\`\``,
    'gives',
    `\`\`\`json\n${answer}\n\`\`\``,
  ].join('\n\n');
}

/** The page of all calculations, made from what core has. */
export const calcPage = (): string =>
  [
    '# Calculations from the command line',
    '`npm run -s calc -- NAME < input.json` prints the answer as JSON. Bad input ends with exit code 2 and, on standard\nerror, the field, what was wrong and what would be right. Every field’s unit stands in its name.',
    ...CALCULATIONS.map(chapter),
  ].join('\n\n') + '\n';

if (process.argv[1] === import.meta.filename) writeFileSync(join(ROOT, 'docs/calc.md'), calcPage());
