import { FACTS, LIMIT_IDS, LIMITS, QUANTITIES, showValue, type Quantity } from '@intervex/core';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/paths.mjs';

/** One id for both sides, phases and clock places of a quantity. */
const family = (id: string): string =>
  id
    .replace(/\.(left|right)(?=\.|$)/, '.<side>')
    .replace(/\.(before|tacked|welded)\./, '.<phase>.')
    .replace(/<phase>\.\w+$/, '<phase>.<clock>');

function once<T extends { readonly id: string }>(list: readonly T[]): readonly T[] {
  const seen = new Set<string>();
  return list.filter(({ id }) => !seen.has(family(id)) && seen.add(family(id)));
}

const quantityRow = (q: Quantity): string =>
  `| \`${family(q.id)}\` | ${q.hint} | ${q.unit} | ${q.min} … ${q.max}${q.whole ? ', whole' : ''} |${
    q.fallback ? ` ${q.fallback.value} (${q.fallback.why})` : ''
  } |`;

const table = (head: readonly string[], rows: readonly string[]): string =>
  [`| ${head.join(' | ')} |`, `|${head.map(() => '---').join('|')}|`, ...rows].join('\n');

const TABLES: Readonly<Record<string, () => string>> = {
  quantities: () =>
    table(
      ['id', 'between what and what', 'unit', 'accepted', 'without a reading'],
      once(QUANTITIES).map(quantityRow),
    ),
  facts: () =>
    table(
      ['id', 'what', 'values'],
      once(FACTS).map(
        (f) => `| \`${family(f.id)}\` | ${f.label} | ${f.options.map((o) => `\`${o.value}\``).join(', ')} |`,
      ),
    ),
  limits: () =>
    table(
      ['id', 'what it limits', 'unit', 'default', 'accepted'],
      LIMIT_IDS.map((id) => {
        const l = LIMITS[id];
        const range = `${showValue(l.min, l.unit)} … ${showValue(l.max, l.unit)}`;
        return `| \`${id}\` | ${l.label} | ${l.unit} | ${showValue(l.fallback, l.unit)} | ${range} |`;
      }),
    ),
};

// Writes the page's tables anew between their marks, from what core has.
const file = join(ROOT, 'docs/plan-format.md');
let page = readFileSync(file, 'utf8');
for (const [name, make] of Object.entries(TABLES)) {
  const [open, close] = [`<!-- ${name} -->`, `<!-- /${name} -->`];
  const [from, to] = [page.indexOf(open), page.indexOf(close)];
  if (from < 0 || to < from) throw new Error(`docs/plan-format.md has no marks for ${name}.`);
  page = `${page.slice(0, from + open.length)}\n\n${make()}\n\n${page.slice(to)}`;
}
writeFileSync(file, page);
