import {
  EMPTY_PLAN,
  FACTS,
  LIMIT_IDS,
  LIMITS,
  QUANTITIES,
  showAgainst,
  type Limit,
  type Quantity,
} from '@intervex/core';
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
  `| \`${family(q.id)}\` | ${q.hint} | ${q.unit} | ${q.min} … ${q.max}${q.whole ? ', whole' : ''} |${assumed(q)} |`;

/** What stands for it while it is not read; one that follows from the brief is given for an empty brief. */
function assumed({ fallback, fallbackBy }: Quantity): string {
  const start = (EMPTY_PLAN as unknown as Readonly<Record<string, Readonly<Record<string, string>>>>)[
    fallbackBy?.part ?? ''
  ];
  const used = fallback ?? fallbackBy?.values[start?.[fallbackBy.field] ?? ''];
  if (!used) return '';
  const follows = fallback ? '' : '; follows from the brief';
  return ` ${Number(used.value.toPrecision(6))} (${used.why}${follows})`;
}

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
        const l: Limit = LIMITS[id];
        const show = (value: number) => showAgainst(value, l.fallback, l.unit, 'mm');
        const range = `${show(l.min)} … ${show(l.max)}`;
        return `| \`${id}\` | ${l.label} | ${l.unit} | ${show(l.fallback)} | ${range} |`;
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
