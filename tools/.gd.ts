import { readFileSync } from 'node:fs';
import { brotliDecompressSync } from 'node:zlib';
import packhorse from '../examples/tern-packhorse.json';
import stag from '../examples/tern-stag.json';
import tern from '../examples/tern.json';
import { goldenLines, variations } from '../core/src/testing/golden';
import { workedPlan } from '../core/src/testing/plans';
const text = brotliDecompressSync(readFileSync('/work/main/core/golden/golden.txt.br')).toString();
const kept = new Map(
  text.split('\n\n').map((p) => {
    const [n, ...l] = p.split('\n');
    return [n, l] as const;
  }),
);
const plans = [
  ...variations('tern', tern.plan as never),
  ...variations('stag', stag.plan as never),
  ...variations('packhorse', packhorse.plan as never),
  ...variations('worked', workedPlan()),
];
const kinds = new Map<string, [number, string, string]>();
let bad = 0;
for (const [name, plan] of plans) {
  let lines: string[];
  try {
    lines = goldenLines(plan);
  } catch (e) {
    console.log(name, String(e));
    bad++;
    continue;
  }
  const now = new Set(lines);
  const was = new Set(kept.get(name)!);
  const gone = [...was].filter((l) => !now.has(l));
  const more = lines.filter((l) => !was.has(l) && !l.startsWith('figure '));
  if (gone.length || more.length) bad++;
  for (const l of gone) {
    const k = '- ' + l.split(' ').slice(0, 2).join(' ').slice(0, 60);
    const e = kinds.get(k) ?? [0, name, l];
    e[0]++;
    kinds.set(k, e);
  }
  for (const l of more) {
    const k = '+ ' + l.split(' ').slice(0, 2).join(' ').slice(0, 60);
    const e = kinds.get(k) ?? [0, name, l];
    e[0]++;
    kinds.set(k, e);
  }
}
console.log(bad, 'plans differ');
for (const [k, [n, name, l]] of [...kinds].sort())
  console.log(k, n, name, '\n    ', l.slice(0, Number(process.argv[2] ?? 300)));
{
  const k = [...kinds].filter(([x]) => x.includes('sheet cut'));
  const a = JSON.parse(k[0]![1][2].slice(10)),
    b = JSON.parse(k[1]![1][2].slice(10));
  for (const key of Object.keys(b))
    if (JSON.stringify(a[key]) !== JSON.stringify(b[key]))
      console.log(key, JSON.stringify(a[key]).slice(0, 1500), '\nWAS', JSON.stringify(b[key]).slice(0, 1500));
}
