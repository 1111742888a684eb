import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { FACTS, QUANTITIES, STAGES, type Section } from '../core/src/index';

// Says where the id of a stage, a quantity, a fact or a limit, or the text of a heading, stands outside the folder of
// its stage or of one that may read it. Tests and the two lists may name all.

const ROOT = join(import.meta.dirname, '..');
const SOURCES = ['core/src', 'contract/src', 'server/src', 'standins/src', 'web/src', 'tools'];
const LISTS = ['core/src/stages/index.ts', 'web/src/app/stages/index.ts'];
/** Tests, what makes plans for them, and programs that show or time the examples. */
const TESTS = /\.spec\.ts$|\/testing\/|^tools\/(bench|dist|trial)\b|^tools\/(screenshots|example-sheets)\.mjs$/;
const SOURCE = /\.(ts|mjs|html)$/;

/** A slip: a word where it does not belong. */
interface Slip {
  readonly file: string;
  readonly word: string;
  readonly stage: string;
}

interface Words {
  /** Stages by each of their words; two may write the same over their fields. */
  readonly owners: ReadonlyMap<string, readonly string[]>;
  /** Names of fields of a stage’s part of the plan: its own words, whatever else they mean. */
  readonly fields: ReadonlyMap<string, ReadonlySet<string>>;
}

function wordsOfStages(): Words {
  const readings = [...QUANTITIES, ...FACTS.map((f) => ({ ...f, side: undefined }))];
  const ids: (readonly [string, string])[] = [
    ...STAGES.map(({ id }) => [id, id] as const),
    ...readings.map(({ id, stage }) => [id, stage] as const),
    ...FACTS.map(({ id, stage }) => [`fact.${id}`, stage] as const),
    ...STAGES.flatMap(({ id, limits }) =>
      limits.map((limit: { readonly id: string }) => [limit.id, id] as const),
    ),
  ];
  // What may be chosen in a stage is its own word too, whatever else it means.
  const chosen = STAGES.flatMap(({ id, section }) => choicesOf(section).map((word) => [word, id] as const));
  const headings = readings.map(({ heading, stage }) => [heading, stage] as const);
  /** Beginnings of ids, up to a side: `donor.half.`. */
  const families = QUANTITIES.filter((q) => q.side).map(
    ({ id, side, stage }) => [id.slice(0, id.indexOf(`.${side ?? ''}`) + 1), stage] as const,
  );
  const owners = new Map<string, string[]>();
  for (const [word, stage] of [...ids, ...headings, ...families])
    owners.set(word, [...(owners.get(word) ?? []), stage]);
  for (const [word, stage] of chosen) {
    const now = owners.get(word);
    if (now) owners.set(word, [...now, stage]);
  }
  return { owners, fields: new Map(STAGES.map(({ id, section }) => [id, fieldsOf(section)])) };
}

function choicesOf({ choices = {} }: Section): readonly string[] {
  return Object.values(choices).flatMap(({ shape }) => (shape.kind === 'oneOf' ? shape.values : []));
}

function fieldsOf({ parts = {} }: Section): ReadonlySet<string> {
  return new Set(Object.values(parts).flatMap(({ start }) => Object.keys(start ?? {})));
}

/** Stages whose words a stage’s nodes may read: those that its node.ts names, where it has one, and itself. */
function readsOf(stage: string): ReadonlySet<string> {
  const file = join(ROOT, 'core/src/stages', stage, 'node.ts');
  const text = existsSync(file) ? readFileSync(file, 'utf8') : '';
  return new Set([
    stage,
    ...[...text.matchAll(/from '\.\.\/([\w-]+)\/words'/g)].map(([, used]) => used as string),
  ]);
}

/** Texts that a file holds: literals, beginnings of templates, and what stands in quotes within them. */
function textsOf(file: string, source: string): readonly string[] {
  if (file.endsWith('.html')) return quoted(source, /"([^"]*)"|'([^']*)'|>([^<{]+)</g);
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isStringLiteralLike(node) && !namesOther(node))
      found.push(node.text, ...quoted(node.text, /"([^"]*)"|'([^']*)'/g));
    if (ts.isTemplateHead(node)) found.push(node.text);
    ts.forEachChild(node, visit);
  };
  ts.forEachChild(ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true), visit);
  return found;
}

/** A file that is taken in, or a property of a type. */
const namesOther = ({ parent }: ts.Node): boolean =>
  ts.isImportDeclaration(parent) ||
  ts.isExportDeclaration(parent) ||
  (ts.isLiteralTypeNode(parent) && ts.isIndexedAccessTypeNode(parent.parent));

const quoted = (text: string, pattern: RegExp): string[] =>
  [...text.matchAll(pattern)].flatMap((match) => match.slice(1).filter((part) => part !== undefined));

/**
 * Words of stages in a file that may not stand there.
 *
 * @param file path from the root, with slashes
 * @example slipsIn('server/src/app.ts', "const id = 'donor.half.left';") // one slip
 */
export function slipsIn(file: string, source: string, words: Words = ALL): readonly Slip[] {
  const home = /\/stages\/([\w-]+)\//.exec(file)?.[1];
  const may = home === undefined ? new Set<string>() : readsOf(home);
  const slips = new Map<string, Slip>();
  for (const text of textsOf(file, source)) {
    const word = text.trim();
    const owners = words.owners.get(word) ?? [];
    const mine = [...may].some((stage) => words.fields.get(stage)?.has(word));
    const [stage] = owners;
    if (stage !== undefined && !mine && !owners.some((owner) => may.has(owner)))
      slips.set(word, { file, word, stage });
  }
  return [...slips.values()];
}

const ALL = wordsOfStages();

function filesIn(folder: string): readonly string[] {
  return readdirSync(join(ROOT, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = `${folder}/${entry.name}`;
    if (entry.name === 'dist' || entry.name === 'node_modules') return [];
    return entry.isDirectory() ? filesIn(path) : [path];
  });
}

/** All slips in the sources. */
export function allSlips(): readonly Slip[] {
  return SOURCES.flatMap(filesIn)
    .filter((file) => SOURCE.test(file) && !TESTS.test(file) && !LISTS.includes(file))
    .flatMap((file) => slipsIn(file, readFileSync(join(ROOT, file), 'utf8')));
}
