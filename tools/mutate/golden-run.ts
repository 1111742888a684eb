import { readFileSync } from 'node:fs';
import { brotliDecompressSync } from 'node:zlib';
import packhorse from '../../examples/tern-packhorse.json';
import stag from '../../examples/tern-stag.json';
import tern from '../../examples/tern.json';
import { goldenLines, inAnyOrder, variations } from '../../core/src/testing/golden';
import { workedPlan } from '../../core/src/testing/plans';
import type { Plan } from '../../core/src/plan';

// Compares what is computed with what is kept, plan by plan, and ends with 1 at the first that differs.
const kept = new Map(
  brotliDecompressSync(readFileSync(process.argv[2] ?? ''))
    .toString('utf8')
    .split('\n\n')
    .map((part) => part.split('\n'))
    .map(([name = '', ...lines]) => [name, new Set(lines.map(inAnyOrder))] as const),
);
const plans = [
  ...variations('tern', tern.plan as unknown as Plan),
  ...variations('worked', workedPlan()),
  ...variations('packhorse', packhorse.plan as unknown as Plan),
  ...variations('stag', stag.plan as unknown as Plan),
];
for (const [name, plan] of plans) {
  const lines = goldenLines(plan).map(inAnyOrder);
  const before = kept.get(name) ?? new Set();
  const now = new Set(lines);
  if (
    [...before].some((line) => !now.has(line)) ||
    lines.some((line) => !before.has(line) && !line.startsWith('figure '))
  )
    process.exit(1);
}
