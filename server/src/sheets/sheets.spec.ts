import { spawnSync } from 'node:child_process';
import type { Reading } from '@intervex/core';
import { parse } from 'csv-parse/sync';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startHarness, type Harness } from '../testing/harness';
import { fittingScale } from './paper';

const tern = readFileSync(join(import.meta.dirname, '../../../examples/tern.json'), 'utf8');
let h: Harness;
let id = '';
let folder = '';
beforeAll(async () => {
  h = await startHarness();
  id = (await h.call('POST', '/api/plan-files', tern)).json.id;
  folder = mkdtempSync(join(tmpdir(), 'intervex-sheet-'));
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await h.close();
});

async function pdf(query = '', sheet = 'cut-sheet'): Promise<string> {
  const response = await fetch(`${h.url}/api/variants/${id}/${sheet}.pdf${query}`);
  expect(response.headers.get('content-type')).toBe('application/pdf');
  const file = join(folder, 'sheet.pdf');
  writeFileSync(file, Buffer.from(await response.arrayBuffer()));
  return file;
}

const run = (program: string, ...args: string[]) => spawnSync(program, args, { encoding: 'utf8' });

/** A page as grey values, row by row. */
function pixels(
  file: string,
  dpi: number,
): { width: number; height: number; at: (x: number, y: number) => number } {
  const out = join(folder, 'page');
  run('pdftoppm', '-r', String(dpi), '-gray', '-f', '1', '-l', '1', '-singlefile', file, out);
  const data = readFileSync(`${out}.pgm`);
  const header = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(data.subarray(0, 40).toString('latin1'));
  if (!header) throw new Error('not a grey picture');
  const [width, height] = [Number(header[1]), Number(header[2])];
  return { width, height, at: (x, y) => data[header[0].length + y * width + x] ?? 255 };
}

/** Longest run of dark pixels in a row. */
function longestRun(page: ReturnType<typeof pixels>, y: number): number {
  let best = 0;
  let length = 0;
  for (let x = 0; x < page.width; x += 1) {
    length = page.at(x, y) < 150 ? length + 1 : 0;
    best = Math.max(best, length);
  }
  return best;
}

/** Where the first and last dark pixel of a row lie, mm from the left edge; undefined for a blank row. */
function extent(
  page: ReturnType<typeof pixels>,
  y: number,
  perMm: number,
): readonly [number, number] | undefined {
  const dark: number[] = [];
  for (let x = 0; x < page.width; x += 1) if (page.at(x, y) < 150) dark.push(x);
  const [first, last] = [dark[0], dark.at(-1)];
  return first === undefined || last === undefined ? undefined : [first / perMm, (last + 1) / perMm];
}

/** Middle of the height of a word's last place on page 1, mm from the top, by an independent reader of the PDF. */
function heightOf(file: string, word: string): number {
  const { stdout } = run('pdftotext', '-bbox', '-f', '1', '-l', '1', file, '-');
  const line = stdout.split('\n').findLast((l) => l.includes(`>${word}<`));
  const found = /yMin="([\d.]+)".*yMax="([\d.]+)"/.exec(line ?? '');
  if (!found) throw new Error(`“${word}” is not on the page.`);
  return ((Number(found[1]) + Number(found[2])) / 2) * (25.4 / 72);
}

describe('cut sheet, PDF', () => {
  it.each([
    ['a4', 'A4'],
    ['letter', 'letter'],
  ])('prints on %s', async (paper, size) => {
    expect(run('pdfinfo', await pdf(`?paper=${paper}`)).stdout).toContain(size);
  });

  it('says the marks, checks and cautions in text', async () => {
    const text = run('pdftotext', '-layout', await pdf(), '-').stdout;
    for (const words of [
      'Hollin Tern',
      'Marrow Carter van axle',
      '202.0 mm',
      '294.2 mm',
      '255.7 mm',
      '89.0 mm',
      '38.5 mm',
      '684.5 mm',
      'Camber from the left cut',
      '0.15°',
      'drawn 1 : 10',
      'qualified welder',
      'Page 1 of',
    ])
      expect(text).toContain(words);
  });

  it('prints in inches when asked', async () => {
    const text = run('pdftotext', '-layout', await pdf('?units=frac'), '-').stdout;
    expect(text).toContain('11 9⁄16 + .020 in*');
  });

  it.each(['a4', 'letter'])('is to scale with a ruler on %s: WMS width 1402.0 mm at 1 : 10', async (paper) => {
    const dpi = 400;
    const perMm = dpi / 25.4;
    const file = await pdf(`?paper=${paper}`);
    const page = pixels(file, dpi);
    // 2 mm below the line of the width only its two extension lines, 0.3 pt wide, are the outermost ink.
    const lines = extent(page, Math.round((heightOf(file, '1402.0') + 2) * perMm), perMm);
    if (!lines) throw new Error('The dimension is not drawn.');
    expect(lines[1] - lines[0] - 0.3 / (72 / 25.4)).toBeGreaterThan(140.2 - 0.12);
    expect(lines[1] - lines[0] - 0.3 / (72 / 25.4)).toBeLessThan(140.2 + 0.12);
  });

  it('carries a bar of 100 mm to prove the printer’s scale', async () => {
    const dpi = 400;
    const perMm = dpi / 25.4;
    const page = pixels(await pdf(), dpi);
    const lengths = Array.from({ length: page.height }, (_, y) => longestRun(page, y) / perMm);
    const bar = lengths.filter((mm) => Math.abs(mm - 100) < 0.15);
    expect(bar.length).toBeGreaterThan(0);
  });

  it('picks the largest standard scale that fits', () => {
    expect(fittingScale(1533.5, 178)).toBe(10);
    expect(fittingScale(1401.9, 178)).toBe(8);
    expect(fittingScale(170, 178)).toBe(1);
    expect(fittingScale(9000, 178)).toBe(55);
  });
});

describe('cut sheet, table', () => {
  it('opens as a table: every row as wide as the head, numbers plain', async () => {
    const response = await fetch(`${h.url}/api/variants/${id}/cut-sheet.csv`);
    expect(response.headers.get('content-type')).toContain('text/csv');
    const bytes = Buffer.from(await response.arrayBuffer());
    // Spreadsheets know UTF-8 by its mark.
    expect([...bytes.subarray(0, 3)]).toEqual([0xef, 0xbb, 0xbf]);
    const rows: Record<string, string>[] = parse(bytes, { columns: true, bom: true });
    expect(rows.every((r) => Object.keys(r).length === 8)).toBe(true);
    const find = (item: string, side: string) => rows.find((r) => r['item'] === item && r['side'] === side);
    expect(find('Outer mark', 'left')).toMatchObject({ value: '294.2', unit: 'mm', text: '294.2 mm*' });
    expect(find('Outer mark', 'right')).toMatchObject({ value: '255.7', unit: 'mm' });
    expect(find('Slug that falls out', 'right')).toMatchObject({ value: '38.5' });
  });

  it('takes no name for a formula', async () => {
    const evil = JSON.parse(tern) as { plan: { brief: { vehicle: string } } };
    evil.plan.brief.vehicle = '=1+2';
    const made = (await h.call('POST', '/api/plan-files', evil)).json;
    const { text } = await h.call('GET', `/api/variants/${made.id}/cut-sheet.csv`);
    expect(text).toContain("'=1+2");
    expect(text).not.toMatch(/,=1\+2/);
  });
});

describe('survey sheet', () => {
  const words = async (query: string) =>
    run('pdftotext', '-layout', await pdf(query, 'survey-sheet'), '-').stdout;

  it('is blank to write on, in walking order', async () => {
    const text = await words('');
    expect(text).toContain('Read by');
    const order = [
      'Floor, left front',
      'Sill, left front',
      'Centreline to left WMS',
      'Perch spacing',
      'Wheel PCD',
    ];
    const places = order.map((name) => text.indexOf(name));
    expect(places.every((p) => p >= 0)).toBe(true);
    expect([...places].sort((a, b) => a - b)).toEqual(places);
    expect(text).toContain('inner arch');
    expect(text).not.toContain('±');
  });

  it('is filled with what was read, each repeat and the mean', async () => {
    const text = await words('?filled=true&paper=letter');
    const { readings } = (JSON.parse(tern) as { plan: { readings: Record<string, Reading> } }).plan;
    const near = text.indexOf('Centreline to left WMS');
    const around = text.slice(near - 300, near + 300);
    const repeats = readings['survey.left']?.repeats ?? [];
    expect(repeats.length).toBeGreaterThan(0);
    for (const { value } of repeats) expect(around).toContain(`${value.toFixed(1)} mm`);
    expect(text).toContain('±');
  });

  it('goes to the seller for a donor too', async () => {
    const text = await words('?stage=donor');
    for (const name of ['Seen inside', 'Break-away torque', 'Bearing journal', 'Inserts and sleeves'])
      expect(text).toContain(name);
    expect((await h.call('GET', `/api/variants/${id}/survey-sheet.pdf?stage=brief`)).status).toBe(400);
  });
});
