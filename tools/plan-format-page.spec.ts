import { readPlanText } from '@intervex/contract';
import { FACTS, LIMIT_IDS, PLAN_VERSION, QUANTITIES } from '@intervex/core';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ROOT } from './lib/paths.mjs';

const page = readFileSync(join(ROOT, 'docs/plan-format.md'), 'utf8');

describe('docs/plan-format.md', () => {
  it('lists every quantity with its range, and every limit', () => {
    for (const q of QUANTITIES) {
      const id = q.id
        .replace(/\.(left|right)(?=\.|$)/, '.<side>')
        .replace(/\.(before|tacked|welded)\./, '.<phase>.')
        .replace(/<phase>\.\w+$/, '<phase>.<clock>');
      const line = page.split('\n').find((l) => l.startsWith(`| \`${id}\``));
      expect(line, id).toContain(`${q.min} … ${q.max}`);
    }
    for (const f of FACTS) expect(page).toContain(`| \`${f.id.replace(/\.(left|right)$/, '.<side>')}\``);
    for (const id of LIMIT_IDS) expect(page).toContain(`| \`${id}\``);
  });

  it('shows an example that is taken, in the present version', () => {
    const example = /```json\n([\s\S]*?)```/.exec(page)?.[1] ?? '';
    const read = readPlanText(example);
    expect(read.ok ? [] : read.problems).toEqual([]);
    expect(page).toMatch(new RegExp(`\\| ${PLAN_VERSION} +\\|`));
  });
});
