import { build, type Plugin } from 'esbuild';
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { once } from 'node:events';
import { availableParallelism, tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { FACTS, LIMIT_IDS, QUANTITIES } from '../../core/src/index';
import { mutantsOf, mutated, type Mutant } from './mutants.mjs';

// Changes the computation in one place at a time, and tells which changes no test notices. For development; the golden
// results are asked first, then the specs of what was changed. `npm run mutate -- 300 2027` tries 300, seeded.

const ROOT = join(import.meta.dirname, '../..');
const SOURCES = 'core/src';
/** A change that makes it run for ever is noticed too. */
const GOLDEN_MS = 60_000;
const SPECS_MS = 300_000;

const [count = 300, seed = 2027, of = ''] = process.argv
  .slice(2)
  .map((text) => (/^\d+$/.test(text) ? Number(text) : text));

function filesIn(folder: string): string[] {
  return readdirSync(join(ROOT, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = `${folder}/${entry.name}`;
    return entry.isDirectory() ? filesIn(path) : [path];
  });
}

const kinds = [QUANTITIES.map((q) => q.id), FACTS.map((f) => f.id), [...LIMIT_IDS]];
const files = filesIn(SOURCES).filter(
  (file) => file.endsWith('.ts') && !/\.spec\.ts$|\/testing\//.test(file) && file.includes(String(of)),
);
const sources = new Map(files.map((file) => [file, readFileSync(join(ROOT, file), 'utf8')]));

/** A number from 0 up to 1 for a text, the same for the same seed. */
const shareOf = (text: string): number =>
  createHash('sha256').update(`${seed} ${text}`).digest().readUInt32BE() / 2 ** 32;

/** A sample without repeats. */
const sampled = (all: readonly Mutant[]): readonly Mutant[] =>
  all
    .map((mutant) => ({ mutant, key: shareOf(`${mutant.file} ${mutant.start} ${mutant.text}`) }))
    .sort((a, b) => a.key - b.key)
    .slice(0, Number(count))
    .map(({ mutant }) => mutant);

const work = mkdtempSync(join(tmpdir(), 'intervex-mutants-'));

/** True where the golden results are others, or cannot be computed. */
async function golden(mutant: Mutant | undefined, lane = 0): Promise<boolean> {
  const change: Plugin = {
    name: 'change',
    setup(b) {
      b.onLoad({ filter: /core\/src\/.*\.ts$/ }, ({ path }) => {
        const file = path.slice(ROOT.length + 1);
        if (file !== mutant?.file) return undefined;
        return { contents: mutated(sources.get(file) as string, mutant), loader: 'ts' };
      });
    },
  };
  const outfile = join(work, `golden-${lane}.mjs`);
  try {
    await build({
      entryPoints: [join(ROOT, 'tools/mutate/golden-run.ts')],
      outfile,
      bundle: true,
      platform: 'node',
      format: 'esm',
      target: 'node20',
      logLevel: 'silent',
      plugins: [change],
    });
  } catch {
    return true;
  }
  const kept = join(ROOT, 'core/golden/golden.txt.br');
  const child = spawn(process.execPath, [outfile, kept], { timeout: GOLDEN_MS, stdio: 'ignore' });
  const [code] = (await once(child, 'close')) as [number | null];
  return code !== 0;
}

/** A copy of the computation in which specs run on a changed source. */
function copyOfCore(): string {
  const copy = join(work, 'copy');
  for (const part of [
    'core',
    'contract',
    'docs',
    'examples',
    'tools',
    'vitest.config.ts',
    'tsconfig.base.json',
    'package.json',
  ])
    cpSync(join(ROOT, part), join(copy, part), { recursive: true });
  // Packages as they are, but for the project’s own: those are the copy’s.
  const packages = join(copy, 'node_modules');
  mkdirSync(join(packages, '@intervex'), { recursive: true });
  for (const name of readdirSync(join(ROOT, 'node_modules')))
    if (name !== '@intervex') symlinkSync(join(ROOT, 'node_modules', name), join(packages, name));
  for (const own of ['core', 'contract']) symlinkSync(join(copy, own), join(packages, '@intervex', own));
  return copy;
}

/** Look through whole plans for a minute; asked last. */
const SLOW = ['any-plan', 'working', 'shake', 'silence'];

const COMPUTED = ['--project', 'core', '--project', 'golden'];

/** Ends with its code; a change that makes it run for ever is ended with all that it started. */
async function vitest(cwd: string, args: readonly string[]): Promise<number | null> {
  const child = spawn('npx', ['vitest', 'run', ...args, '--bail', '1', '--passWithNoTests'], {
    cwd,
    stdio: 'ignore',
    detached: true,
  });
  const late = setTimeout(() => process.kill(-(child.pid as number), 'SIGKILL'), SPECS_MS);
  const [code] = (await once(child, 'close')) as [number | null];
  clearTimeout(late);
  return code;
}

/** True where a spec of the copy fails: those beside the changed file, the quick ones, then the others. */
async function fails(copy: string, near: readonly string[] = []): Promise<boolean> {
  const quick = SLOW.flatMap((name) => ['--exclude', `**/${name}.spec.ts`]);
  const runs = [
    ...near.map((folder) => [folder, ...COMPUTED]),
    ['plan-format-page', '--project', 'tools'],
    ['--project', 'contract'],
    [...quick, ...COMPUTED],
    [...SLOW, ...COMPUTED],
  ];
  for (const args of runs) if ((await vitest(copy, args)) !== 0) return true;
  return false;
}

/** True where a spec fails with the change. */
async function specs(copy: string, mutant: Mutant): Promise<boolean> {
  const source = sources.get(mutant.file) as string;
  const path = join(copy, mutant.file);
  writeFileSync(path, mutated(source, mutant));
  try {
    return await fails(copy, [`${dirname(mutant.file)}/`]);
  } finally {
    writeFileSync(path, source);
  }
}

const all = files.flatMap((file) => mutantsOf(file, sources.get(file) as string, kinds));
const sample = sampled(all);
if (await golden(undefined)) throw new Error('The golden results differ before anything is changed.');
const copy = copyOfCore();
if (await fails(copy)) throw new Error('The specs fail before anything is changed.');
const told = (done: number, what: string): void => {
  if (done % 25 === 0) process.stdout.write(`${done} ${what}\n`);
};
const unseen: Mutant[] = [];
const waiting = [...sample.entries()];
await Promise.all(
  Array.from({ length: availableParallelism() }, async (_, lane) => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [i, mutant] = next;
      if (!(await golden(mutant, lane))) unseen.push(mutant);
      told(i + 1, `tried on the golden results: ${unseen.length} not seen there`);
    }
  }),
);
const survivors: Mutant[] = [];
for (const [i, mutant] of unseen.entries()) {
  if (!(await specs(copy, mutant))) {
    survivors.push(mutant);
    const inLine = (text: string): string => text.replace(/\s+/g, ' ').slice(0, 70);
    const was = (sources.get(mutant.file) as string).slice(mutant.start, mutant.end);
    process.stdout.write(
      `survives: ${mutant.file}:${mutant.line} ${mutant.kind}: ${inLine(was)} → ${inLine(mutant.text)}\n`,
    );
  }
  told(i + 1, `tried on the specs: ${survivors.length} survive`);
}
rmSync(work, { recursive: true, force: true });
process.stdout.write(
  `${sample.length} of ${all.length}: ${sample.length - unseen.length} noticed by the golden results, ${unseen.length - survivors.length} by specs, ${survivors.length} by nobody\n`,
);
