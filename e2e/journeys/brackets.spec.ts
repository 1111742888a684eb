import { expect, type APIRequestContext, type Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openStage, ownPlan, ownTern, put, saved, textOfPdf } from '../bench-hand';
import { PORT } from '../playwright.config';
import { test } from '../journey';

const examples = join(import.meta.dirname, '../../examples');
const HAULER = readFileSync(join(examples, 'hauler.json'), 'utf8');
const ESTATE = readFileSync(join(examples, 'packhorse.json'), 'utf8');

interface PlanText {
  plan: {
    brackets: Record<string, Record<string, unknown>>;
    readings: Record<string, { repeats: { value: number }[] }>;
  };
}
/** An example with something of it changed. */
const changed = (text: string, change: (file: PlanText) => void): string => {
  const file = JSON.parse(text) as PlanText;
  change(file);
  return JSON.stringify(file);
};
const tab = (page: Page, name: string) => page.getByRole('radio', { name, exact: true }).check();
const check = (page: Page, text: string) => page.locator('ix-open-checks .check').filter({ hasText: text });

test('a pickup’s brackets are carried to another axle with a flip, U-bolts and studs named', async ({
  page,
  request,
}) => {
  const id = await ownPlan(request, HAULER);
  await openStage(page, id, 'brackets');
  const row = page.getByRole('row').filter({ hasText: 'Left shock mount' });
  // 304.8 outboard of a face at 96.2 − 4.5 from the middle: 396.5, whatever axle it goes on.
  await expect(
    row.getByRole('button', { name: /^Left shock mount, outer edge from the car’s centreline 396\.5 mm/ }),
  ).toBeVisible();
  await row.getByRole('button', { name: /outer edge from the car’s centreline/ }).click();
  await expect(page.getByText('Its distance and the casting face; left is plus')).toBeVisible();
  await page.keyboard.press('Escape');
  await tab(page, 'Springs');
  // Half of each tube: 69.87/2 + 31.2 + 52.1 + 28.4 + 76.18/2.
  await expect(page.getByRole('row').filter({ hasText: 'Car comes down by the flip' })).toContainText('184.7');
  await expect(check(page, 'Left U-bolts do not go through their plate')).toBeVisible();
  const pdf = await request.get(`/api/variants/${id}/links-and-bolts.pdf?paper=a4&units=mm`);
  const text = textOfPdf(await pdf.body());
  expect(text).toMatch(/Straight bar/);
  expect(text).toMatch(/Springs as wanted/);
  // Other studs than the pickup’s wheels.
  await openStage(page, id, 'donor');
  await tab(page, 'Mating');
  const stud = page.getByRole('row').filter({ hasText: 'Stud to nut' });
  await expect(stud).toContainText('1/2-20 UNF');
  await expect(stud).toContainText('M12 × 1.5');
});

test('a truss kit is placed as one, covers the breather, and the breather is moved', async ({
  page,
  request,
}) => {
  const id = await ownPlan(
    request,
    changed(ESTATE, ({ plan }) => {
      plan.brackets['breather'] = {
        ...plan.brackets['breather'],
        place: { datum: 'casting', at: 120, clock: 0 },
      };
      delete plan.brackets['upperL'];
    }),
  );
  await openStage(page, id, 'brackets');
  const covered = check(page, 'Breather is covered by Truss');
  await expect(covered).toBeVisible();
  const said = (await covered.innerText()).match(
    /free ([\d.]+) mm outboard of the left casting face, (−?[\d.]+)°/,
  );
  if (!said?.[1] || !said[2]) throw new Error('No free place is offered.');
  await page.getByRole('radio', { name: /^Breather/ }).check();
  await put(page, 'Wanted distance', said[1]);
  await put(page, 'Wanted clock: top 0, front +', said[2].replace('−', '-'));
  await expect(covered).toHaveCount(0);
  await saved(page);
  // The kit is moved by one number, and what belongs to it goes along; its two datums then contradict each other.
  await put(page, 'Row 1, At', '30');
  await expect(check(page, 'Truss kit')).toHaveCount(0);
  await page
    .getByRole('button', { name: /checks|cautions|stops/ })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: 'Truss kit: its datums' })).toBeVisible();
});

test('a bracket on another and a perch on the cut are named, and dragged clear with the keys', async ({
  page,
  request,
}) => {
  const id = await ownTern(request, (text) =>
    changed(text, ({ plan }) => {
      plan.brackets['perchL'] = { ...plan.brackets['perchL'], place: { datum: 'casting', at: 210, clock: 0 } };
      plan.brackets['hose'] = {
        ...plan.brackets['hose'],
        side: 'left',
        place: { datum: 'casting', at: 250, clock: 0.2 },
      };
    }),
  );
  await openStage(page, id, 'brackets');
  const cut = check(page, 'The left cut runs through Left perch');
  const lies = check(page, 'Hose tab lies on Left perch');
  await expect(cut).toBeVisible();
  await expect(lies).toBeVisible();
  const perch = page.getByRole('slider', { name: 'Left perch, left tube' });
  await perch.focus();
  // The left tube’s outboard end is at the picture’s left: ten millimetres a step with Shift.
  for (let i = 0; i < 14; i += 1) await page.keyboard.press('Shift+ArrowLeft');
  await expect(cut).toHaveCount(0);
  await expect(lies).toHaveCount(0);
  await expect(perch).toHaveAttribute('aria-valuenow', '350');
  const row = page.locator('ix-brackets').getByRole('row').filter({ hasText: 'Left perch' });
  await expect(row).toContainText('350.0');
  const before = await row.innerText();
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('ArrowUp');
  await expect(row).not.toHaveText(before);
  await saved(page);
  // With the pointer, back on the cut.
  const knob = await perch.locator('.knob').boundingBox();
  if (!knob) throw new Error('The perch has no handle.');
  await page.mouse.move(knob.x + 4, knob.y + 4);
  await page.mouse.down();
  await page.mouse.move(knob.x + 44, knob.y + 4, { steps: 6 });
  await page.mouse.up();
  const now = Number(await perch.getAttribute('aria-valuenow'));
  expect(now).toBeLessThan(320);
});

test('link brackets follow from the car’s own pickup points, by halves', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'brackets');
  await page.getByRole('button', { name: 'Add a bracket' }).click();
  await put(page, 'Name', 'Lower link L');
  await page.getByLabel('Kind', { exact: true }).selectOption('link');
  await page.getByLabel('On the tube', { exact: true }).selectOption('left');
  await page.getByLabel('Held', { exact: true }).selectOption('welded');
  await put(page, 'Along the axle', '46');
  await put(page, 'Round the tube', '60');
  await page.getByLabel('Measured at its', { exact: true }).selectOption('middle');
  await page.getByRole('button', { name: 'Add it' }).click();
  await put(page, 'Pickup pair on the car, apart', '36 1/8 in');
  // 36.125 in is 917.575 mm: half of it on either side.
  await expect(page.getByRole('row').filter({ hasText: 'Lower link L' })).toContainText('458.8');
  await page.getByRole('button', { name: 'Same on the other side' }).click();
  await expect(page.getByRole('row').filter({ hasText: 'Lower link R' })).toContainText('−458.8');
  await put(page, 'Bolt', '60');
  await expect(
    page.getByRole('alert').filter({ hasText: 'must be smaller than its bracket is wide' }),
  ).toBeVisible();
  await saved(page);
});

/** Circles and corners of a drawing, by another program. */
function readByOther(bytes: Buffer): { layers: string[]; wide: number; high: number } {
  const folder = mkdtempSync(join(tmpdir(), 'intervex-dxf-'));
  const file = join(folder, 'wrap.dxf');
  writeFileSync(file, bytes);
  const script = [
    'import ezdxf, json, sys',
    'doc = ezdxf.readfile(sys.argv[1])',
    'm = doc.modelspace()',
    'p = [q for e in m.query(\'LWPOLYLINE[layer=="outline"]\') for q in e.get_points()]',
    'xs = [q[0] for q in p]; ys = [q[1] for q in p]',
    "print(json.dumps({'layers': sorted({e.dxf.layer for e in m}), 'wide': max(xs) - min(xs), 'high': max(ys) - min(ys)}))",
  ].join('\n');
  return JSON.parse(execFileSync('/usr/bin/python3', ['-c', script, file], { encoding: 'utf8' })) as ReturnType<
    typeof readByOther
  >;
}

test('templates are made in full size, and measured', async ({ page, request }) => {
  const id = await ownPlan(request, ESTATE);
  await openStage(page, id, 'brackets');
  await tab(page, 'Templates');
  await expect(page.getByRole('heading', { name: 'Wrap of the left tube' })).toBeVisible();
  const dxf = await request.get(`/api/variants/${id}/shapes/wrap-left.dxf`);
  expect(dxf.status()).toBe(200);
  const { wide, high, layers } = readByOther(await dxf.body());
  // Once round 76.18 mm, and the finished tube.
  expect(high).toBeCloseTo(Math.PI * 76.18, 2);
  expect(wide).toBeGreaterThan(420);
  expect(layers).toEqual(expect.arrayContaining(['drill', 'locate', 'mark', 'outline']));
  const pdf = await request.get(`/api/variants/${id}/shapes/wrap-left.pdf?paper=letter`);
  expect(pdf.status()).toBe(200);
  expect(textOfPdf(await pdf.body())).toMatch(/Tile 1 of \d+.*1 : 1/);
  for (const name of ['saddles', 'notch']) {
    const svg = await request.get(`/api/variants/${id}/shapes/${name}.svg`);
    expect(svg.status()).toBe(200);
    expect(await svg.text()).toContain('mm"');
  }
  const lacking = await request.get(`/api/variants/${id}/shapes/plate.pdf`);
  expect(lacking.status()).toBe(404);
  expect(await lacking.text()).toContain('clamp.bolt');
  expect((await request.get(`/api/variants/${id}/shapes/wrap-left.step`)).status()).toBe(400);
});

const setGauge = async (request: APIRequestContext, value: number) => {
  const answer = await request.post(`http://127.0.0.1:${PORT + 1}/devices/gauge/set`, {
    data: { value, noise: 0, drift: 0, fault: 'none', connected: true },
  });
  expect(answer.ok()).toBe(true);
};

test('the phone shows one bracket at a time with the live gauge', async ({ page, request }) => {
  const id = await ownTern(request);
  await page.setViewportSize({ width: 390, height: 844 });
  await openStage(page, id, 'brackets');
  await tab(page, 'Card');
  const name = page.locator('ix-card-desk h2');
  for (let i = 0; i < 8 && (await name.innerText()) !== 'Left perch'; i += 1)
    await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(name).toHaveText('Left perch');
  await setGauge(request, -2.4);
  await page.getByRole('button', { name: 'Instruments' }).click();
  await page.getByRole('menuitem', { name: /[Gg]auge/ }).click();
  // The seat wants −4.4° against the flat.
  await expect(page.locator('.live')).toContainText('−2.4°: front 2.0° too high');
  await setGauge(request, -4.4);
  await expect(page.locator('.live')).toContainText('−4.4°: right');
});

test('the weld order changes when a truss is added, and waits at its holds', async ({ page, request }) => {
  const id = await ownTern(request, (text) =>
    changed(text, ({ plan }) => {
      for (const b of Object.values(plan.brackets)) b['made'] = { by: 'tacked', at: 60 };
    }),
  );
  await openStage(page, id, 'brackets');
  await tab(page, 'Weld order');
  const steps = page.locator('ix-order-desk li');
  const texts = () => steps.allInnerTexts();
  const before = await texts();
  expect(before.some((t) => t.includes('truss'))).toBe(false);
  const at = (all: string[], words: string) => all.findIndex((t) => t.includes(words));
  expect(at(before, 'Weld Left perch')).toBeGreaterThan(at(before, 'Weld Left shock mount'));
  await tab(page, 'Map');
  await page.getByRole('button', { name: 'Add a bracket' }).click();
  await put(page, 'Name', 'Back truss');
  await page.getByLabel('Kind', { exact: true }).selectOption('truss');
  await page.getByLabel('On the tube', { exact: true }).selectOption('across');
  await page.getByLabel('Held', { exact: true }).selectOption('welded');
  await page.getByLabel('Measured at its', { exact: true }).selectOption('middle');
  await put(page, 'Along the axle', '520');
  await put(page, 'Round the tube', '30');
  await page.getByRole('button', { name: 'Add it' }).click();
  await put(page, 'Wanted distance', '0');
  await tab(page, 'Weld order');
  await expect.poll(async () => at(await texts(), 'Weld Back truss')).toBeGreaterThan(0);
  const after = await texts();
  expect(at(after, 'Weld Back truss')).toBeLessThan(at(after, 'Weld Left shock mount'));
  const weld = page.getByRole('checkbox', { name: /Weld Back truss/ });
  await expect(weld).toBeDisabled();
  await expect(page.getByText('Not read yet: Back truss.')).toBeVisible();
  await expect(page.getByRole('checkbox', { name: /Read every bracket’s distance/ })).toBeDisabled();
  await tab(page, 'Map');
  await page.getByRole('radio', { name: /^Back truss/ }).check();
  await put(page, 'Now from the left casting face', '-380');
  await tab(page, 'Weld order');
  for (const hold of [/Read every bracket’s distance/, /Put the axle under the car/, /Cycle it/])
    await page.getByRole('checkbox', { name: hold }).check();
  await expect(weld).toBeEnabled();
  await saved(page);
});
