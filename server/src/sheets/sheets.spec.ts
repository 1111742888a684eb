import { spawnSync } from 'node:child_process';
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

async function pdf(query = ''): Promise<string> {
  const response = await fetch(`${h.url}/api/variants/${id}/cut-sheet.pdf${query}`);
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

/** Longest run of dark pixels in a row: where it starts and how long it is. */
function longestRun(page: ReturnType<typeof pixels>, y: number): number {
  let best = 0;
  let run = 0;
  for (let x = 0; x < page.width; x += 1) {
    run = page.at(x, y) < 140 ? run + 1 : 0;
    best = Math.max(best, run);
  }
  return best;
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
      'Drawn 1 : 10',
      'qualified welder',
      'Page 1 of',
    ])
      expect(text).toContain(words);
  });

  it('prints in inches when asked', async () => {
    const text = run('pdftotext', '-layout', await pdf('?units=frac'), '-').stdout;
    expect(text).toContain('11 9/16 in +0.5 mm');
  });

  it('is to scale with a ruler: the 100 mm bar, and the old axle at 1 : 10', async () => {
    const dpi = 300;
    const page = pixels(await pdf(), dpi);
    const perMm = dpi / 25.4;
    // Full rows of dark pixels: table rules are lighter; heading rules span the page (182 mm).
    const runs = Array.from({ length: page.height }, (_, y) => longestRun(page, y) / perMm);
    const bar = runs.filter((mm) => Math.abs(mm - 100) < 3);
    expect(bar.length).toBeGreaterThan(0);
    expect(Math.max(...bar)).toBeCloseTo(100, 0);
    // The tubes are the longest horizontal edges of the drawing: left new tube 497.0 mm, drawn 49.7 mm.
    const tube = runs.filter((mm) => Math.abs(mm - 50.36) < 0.35 || Math.abs(mm - 49.7) < 0.35);
    expect(tube.length).toBeGreaterThan(0);
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
    const { text, headers } = await h.call('GET', `/api/variants/${id}/cut-sheet.csv`);
    expect(headers.get('content-type')).toContain('text/csv');
    expect(text.charCodeAt(0)).toBe(0xfeff);
    const python =
      "import csv,sys,json;print(json.dumps(list(csv.DictReader(open(sys.argv[1],encoding='utf-8-sig')))))";
    writeFileSync(join(folder, 'sheet.csv'), text);
    const read = run('python3', '-c', python, join(folder, 'sheet.csv'));
    const rows: Record<string, string>[] =
      read.status === 0 ? (JSON.parse(read.stdout) as Record<string, string>[]) : [];
    if (read.status === 0) {
      const outer = rows.find((r) => r['item'] === 'Outer mark' && r['side'] === 'left');
      expect(outer).toMatchObject({ value: '294.2', unit: 'mm', text: '294.2 mm' });
      expect(rows.every((r) => Object.keys(r).length === 8)).toBe(true);
    }
    expect(text).toContain(
      'Marks and lengths,Outer mark,from the casting face; blade inboard of it,left,294.2,mm,',
    );
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
