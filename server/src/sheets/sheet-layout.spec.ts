import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readPlanText, type VariantView } from '@intervex/contract';
import { evaluate, quantity, SIDES, WALKED, type Sheet, type LengthUnit, type Plan } from '@intervex/core';
import { SHEETS, sheetOf } from '@intervex/core/sheets';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { sheetPdf } from './sheet-pdf';
import { surveySheetPdf } from './survey-sheet-pdf';

const read = readPlanText(readFileSync(join(import.meta.dirname, '../../../examples/tern.json'), 'utf8'));
if (!read.ok) throw new Error('The example is refused.');
const demo = read.file.plan;

/** What is read off by the seller's word in odd lengths: every figure long, every uncertainty printed. */
function long(choices: Partial<Plan['choices']>): Plan {
  const odd = (id: string, value: number, i: number) =>
    quantity(id).unit === 'mm' ? Math.min(quantity(id).max, value + 0.37 + (i % 7) / 13) : value;
  const extra: readonly (readonly [string, number])[] = [
    ...SIDES.flatMap(
      (side) =>
        [
          [`cut.endPiece.${side}`, 62.43],
          [`after.tacked.${side}`, 497.93],
          [`after.welded.${side}`, 496.81],
        ] as const,
    ),
    ['tube.insert', 58.37],
    ['convert.space', 63.41],
    ['float.shift', 20.37],
    ['brief.targetWidth', 1401.33],
  ];
  const all = { ...demo.readings, ...Object.fromEntries(extra.map(([id, value]) => [id, one(id, value)])) };
  const readings = Object.fromEntries(
    Object.entries(all).map(([id, r], i) => [
      id,
      {
        ...r,
        repeats: [...r.repeats, ...r.repeats, ...r.repeats].map((x) => ({ ...x, value: odd(id, x.value, i) })),
      },
    ]),
  );
  const who = 'Somebody With A Rather Long Name Of Lapwing Yard';
  return {
    ...demo,
    brief: {
      ...demo.brief,
      vehicle: 'Hollin Tern with the long tail and two seats',
      donor: 'Marrow Carter van axle, long',
    },
    choices: { ...demo.choices, ...choices },
    readings,
    accepted: {
      'square.camber.left': {
        reason: 'A reason that goes on. '.repeat(9),
        figure: 1,
        who,
        at: '2027-02-03T09:00:00Z',
      },
    },
  };
}
const one = (id: string, value: number) => ({ repeats: [{ value }], instrument: quantity(id).instrument });

/** An example’s own plan. */
function example(name: string): Plan {
  const file = readPlanText(readFileSync(join(import.meta.dirname, `../../../examples/${name}.json`), 'utf8'));
  if (!file.ok) throw new Error(`The example ${name} cannot be read.`);
  return file.file.plan;
}
const PLANS: readonly (readonly [string, Plan])[] = [
  ['slug', long({})],
  ['end off', long({ method: 'endOff', datum: 'pinion' })],
  ['new tubes, full-float', long({ method: 'newTubes', retentionTo: 'fullFloat' })],
  ['on links', example('packhorse')],
];
const UNITS: readonly LengthUnit[] = ['mm', 'in', 'frac', 'frac64'];
const PAPERS = ['a4', 'letter'] as const;
const variant = (plan: Plan): VariantView => ({
  id: '7d0c2f4e-1111-4c9a-9d2e-3b1f0a8c5e77',
  name: 'Carter axle, even up',
  projectId: '5a1f7c9e-2222-4c9a-9d2e-3b1f0a8c5e77',
  projectName: 'Tern',
  revision: 3,
  savedAt: '2026-11-02T10:00:00Z',
  plan,
  canUndo: true,
  canRedo: false,
});

let folder = '';
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'intervex-layout-'));
});
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});

interface Word {
  readonly page: number;
  readonly text: string;
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
}

/** Every word of a PDF with its box, points, by an independent reader; and the size of its pages. */
function wordsOf(pdf: Buffer): {
  readonly words: readonly Word[];
  readonly wide: number;
  readonly high: number;
} {
  const file = join(folder, 'sheet.pdf');
  writeFileSync(file, pdf);
  const { stdout } = spawnSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8', maxBuffer: 1e8 });
  const words: Word[] = [];
  let [page, wide, high] = [0, 0, 0];
  for (const line of stdout.split('\n')) {
    const sheet = /<page width="([\d.]+)" height="([\d.]+)"/.exec(line);
    if (sheet) [page, wide, high] = [page + 1, Number(sheet[1]), Number(sheet[2])];
    const at = /<word xMin="([-\d.]+)" yMin="([-\d.]+)" xMax="([-\d.]+)" yMax="([-\d.]+)">(.*)<\/word>/.exec(
      line,
    );
    if (!at) continue;
    const [x0, y0, x1, y1] = [at[1], at[2], at[3], at[4]].map(Number) as [number, number, number, number];
    words.push({ page, text: at[5] ?? '', x0, x1, y0, y1 });
  }
  return { words, wide, high };
}

/** Words that stand over each other or off the paper. A font's box is taller than its letters. */
function collisions({ words, wide, high }: ReturnType<typeof wordsOf>): string[] {
  const off = words
    .filter((w) => w.x0 < 20 || w.x1 > wide - 20 || w.y0 < 10 || w.y1 > high - 10)
    .map((w) => `“${w.text}” off the paper, page ${w.page}`);
  const over = words.flatMap((a, i) =>
    words.slice(i + 1).flatMap((b) => {
      if (a.page !== b.page) return [];
      const x = Math.min(a.x1, b.x1) - Math.max(a.x0, b.x0);
      const y = Math.min(a.y1, b.y1) - Math.max(a.y0, b.y0);
      return x > 0.6 && y > 0.35 * Math.min(a.y1 - a.y0, b.y1 - b.y0)
        ? [`“${a.text}” over “${b.text}”, page ${a.page}`]
        : [];
    }),
  );
  return [...off, ...over];
}

/** Figures of the tables that do not stand whole on one line. */
function broken({ words }: ReturnType<typeof wordsOf>, sheet: Sheet): string[] {
  const lines = new Map<string, Word[]>();
  for (const w of words) {
    const key = `${w.page} ${Math.round(w.y0)}`;
    lines.set(key, [...(lines.get(key) ?? []), w]);
  }
  const text = [...lines.values()]
    .map((line) =>
      [...line]
        .sort((a, b) => a.x0 - b.x0)
        .map((w) => w.text)
        .join(' '),
    )
    .join('\n');
  return sheet.sections.flatMap(({ rows }) =>
    rows.flatMap(({ item, cells }) =>
      cells
        .map((cell) => cell.text)
        .filter((cell) => /\d/.test(cell) && !text.includes(cell))
        .map((cell) => `${item}: ${cell}`),
    ),
  );
}

const CASES = PLANS.flatMap(([name, plan]) =>
  // Fractions are the longest: these on both papers.
  UNITS.flatMap((units) =>
    PAPERS.filter((paper) => units.startsWith('frac') || paper === 'a4').map((paper) => ({
      name,
      plan,
      units,
      paper,
    })),
  ),
);

describe('no figure of a sheet overlaps, is cut off or wraps', () => {
  it.each(CASES)('all sheets: $name, $units, $paper', async ({ name, plan, units, paper }) => {
    const results = evaluate(plan);
    // What is ordered does not follow from how the end comes off.
    const links = ['suspension', 'travel', 'links'];
    for (const def of SHEETS.filter((s) =>
      name === 'on links' ? links.includes(s.id) : s.bench || name !== 'end off',
    )) {
      const found = wordsOf(await sheetPdf(variant(plan), def, { units, paper }, results));
      expect(collisions(found), def.id).toEqual([]);
      // On the wall a fraction’s rest stands under it.
      if (!def.wall) expect(broken(found, sheetOf(def, results, units)), def.id).toEqual([]);
    }
  });

  it.each(CASES.filter((c) => c.name === 'slug'))(
    'survey sheets: $units, $paper',
    async ({ plan, units, paper }) => {
      for (const stage of WALKED)
        for (const filled of [true, false]) {
          const found = wordsOf(await surveySheetPdf(variant(plan), { units, paper, stage, filled }));
          expect(collisions(found), stage).toEqual([]);
        }
    },
  );

  // As long as a field allows, in scripts that have no letters in common.
  const LONG = {
    Latin: 'Wide-shouldered narrowing of the van axle for the long hill, second attempt, W W',
    'Greek and Cyrillic': 'Στενός άξονας Ω ≥ 57⅜, Жёсткий мост ł ğ, и ещё раз то же самое до конца строки!!',
    Japanese:
      '車軸を狭める計画、二回目の試みで左右のチューブを切り詰めて溶接する長い名前の例、車軸を狭める計画、二回目の試みで左右のチューブを切り',
  } as const;
  it.each(Object.entries(LONG))('with the longest names: %s', async (_, name) => {
    const plan = PLANS[0]?.[1] as Plan;
    const named: VariantView = {
      ...variant({
        ...plan,
        brief: { ...plan.brief, vehicle: name, donor: name, notes: `${name}. ${name}.` },
        tubeItems: { a: { side: 'left', name: name.slice(0, 60), from: 300, to: 330 } },
      }),
      projectName: name,
      name,
    };
    const results = evaluate(named.plan);
    for (const paper of PAPERS)
      for (const def of SHEETS) {
        const found = wordsOf(await sheetPdf(named, def, { units: 'frac64', paper }, results));
        expect(collisions(found), def.id).toEqual([]);
        // The name stands in the sheet as it is, and every page says what a sheet is not.
        expect(found.words.map((w) => w.text).join('')).toContain(
          name.replace(/\s/g, '').slice(0, 12).replace(/&/g, '&amp;'),
        );
        const pages = new Set(found.words.map((w) => w.page));
        const says = found.words.filter((w) => w.text === 'approve.').map((w) => w.page);
        expect(new Set(says)).toEqual(pages);
      }
  });

  it('are read aloud in order: tagged, with language and author', async () => {
    const pdf = await sheetPdf(variant(PLANS[0]?.[1] as Plan), SHEETS[0] as (typeof SHEETS)[number], {
      units: 'mm',
      paper: 'a4',
    });
    const file = join(folder, 'tagged.pdf');
    writeFileSync(file, pdf);
    const said = (...args: string[]) => spawnSync('pdfinfo', [...args, file], { encoding: 'utf8' }).stdout;
    expect(said()).toMatch(/Tagged: +yes/);
    expect(said()).toMatch(/Author: +Intervex/);
    const structure = said('-struct-text');
    for (const kind of ['Document', 'H1', 'H2', 'Figure', 'Table', 'TR', 'TH', 'TD'])
      expect(structure).toContain(kind);
    // The name of a row comes before its values.
    expect(structure).toMatch(/Inner mark[\s\S]{0,600}?\d+\.\d mm/);
    expect(pdf.toString('latin1')).toMatch(/\/Lang \(en-GB\)/);
  });
});
