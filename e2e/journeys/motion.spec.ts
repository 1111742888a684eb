import { expect, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { enter, field, openStage, ownPlan, put, saved, strip, textOfPdf } from '../bench-hand';
import { test } from '../journey';

const example = (name: string) =>
  readFileSync(join(import.meta.dirname, `../../examples/${name}.json`), 'utf8');
const LADDER = example('tern-ladder');
const PARALLEL = example('packhorse');

type Things = Record<string, Record<string, unknown>>;
interface PlanText {
  plan: {
    arms: Things;
    obstacles: Things;
    brackets: Things;
    choices: Record<string, unknown>;
    readings: Record<string, { repeats: { value: number }[]; instrument: string; datum?: string }>;
  };
}
/** An example with something of it changed. */
function changed(text: string, change: (plan: PlanText['plan']) => void): string {
  const file = JSON.parse(text) as PlanText;
  change(file.plan);
  return JSON.stringify(file);
}
const read = (value: number, instrument = 'tape') => ({ repeats: [{ value }], instrument });
const tab = (page: Page, name: string) => page.getByRole('radio', { name, exact: true }).check();
const check = (page: Page, text: string) => page.locator('ix-open-checks .check').filter({ hasText: text });
const row = (page: Page, name: string) => page.getByRole('row').filter({ hasText: name });
/** Number that a row of a table says first. */
async function said(page: Page, name: string): Promise<number> {
  const text = await row(page, name).getByRole('button').first().innerText();
  return Number(/−?[\d.]+/.exec(text.replace(/\s/g, ''))?.[0]?.replace('−', '-'));
}
const pick = (page: Page, name: RegExp) => page.getByRole('radio', { name }).first().check();

test('ladder bars: the front pivot is moved to the neutral line, by numbers and by hand', async ({
  page,
  request,
}) => {
  const file = changed(LADDER, ({ arms }) => {
    for (const key of ['cHoles', 'cRead', 'cUse', 'cStepX', 'cStepZ']) delete arms['bar']?.[key];
  });
  const id = await ownPlan(request, file);
  await openStage(page, id, 'motion');
  await tab(page, 'Cycle');
  // Pivot at 842 forward, 331 up; the line stands at 510 · 842 / 2450 = 175.3 there.
  expect(await said(page, 'Above the neutral line')).toBeCloseTo(331 - 175.3, 0);
  await tab(page, 'Links');
  await pick(page, /^Ladder bar/);
  await put(page, 'Car end, above the ground', '175.27');
  await saved(page);
  await tab(page, 'Cycle');
  await expect.poll(() => said(page, 'Above the neutral line')).toBeCloseTo(0, 0);
  expect(await said(page, 'Anti-squat')).toBeCloseTo(100, 0);
  // Its working is a click away, and comes down to the pivot as read.
  await row(page, 'Anti-squat').getByRole('button').first().click();
  await expect(page.getByRole('complementary', { name: 'Working' })).toContainText('Ladder bar, car end, up');
  await page.keyboard.press('Escape');
  // By hand: the pivot’s handle, with the keys.
  const handle = page.getByRole('slider', { name: /Ladder bar, car end/ }).first();
  await handle.focus();
  await handle.press('ArrowLeft');
  await expect
    .poll(async () => {
      const { plan } = (await (await request.get(`/api/variants/${id}`)).json()) as { plan: { arms: Things } };
      return plan.arms['bar']?.['cx'];
    })
    .not.toBe(842);
  await expect(strip(page, 'WMS width')).toBeVisible();
});

test('parallel links: the bind is shown, and another hole makes it less', async ({ page, request }) => {
  const id = await ownPlan(
    request,
    changed(PARALLEL, ({ arms, readings }) => {
      arms['upper'] = { ...arms['upper'], cHoles: 5, cRead: 1, cUse: 1, cStepX: 0, cStepZ: 28 };
      readings['stance.lean'] = read(0.06, 'chosen');
    }),
  );
  await openStage(page, id, 'motion');
  await expect(check(page, 'Links bind in the travel')).toBeVisible();
  const before = await said(page, 'Length that links lack in roll');
  expect(before).toBeGreaterThan(1);
  await tab(page, 'Holes');
  const table = page.getByRole('table').nth(1);
  await expect(table.getByRole('row')).toHaveCount(6);
  const binds = await table.locator('td[data-label="Bind"]').allInnerTexts();
  const least = binds
    .map((t) => Number(t.replace(/[^\d.]/g, '')))
    .reduce((best, v, i, all) => (v < (all[best] ?? 0) ? i : best), 0);
  const best = table.getByRole('row').nth(least + 1);
  await best.getByRole('button', { name: /^Use it/ }).click();
  await saved(page);
  await expect(best).toContainText('in use');
  await tab(page, 'Cycle');
  await expect.poll(() => said(page, 'Length that links lack in roll')).toBeLessThan(before);
});

test('a lateral bar takes a tyre to the body, and a longer one does not', async ({ page, request }) => {
  const short = changed(LADDER, ({ arms, readings }) => {
    arms['lateral'] = { ...arms['lateral'], ax: -96, ay: -60, az: 281, cx: -99, cy: 330, cz: 330 };
    readings['spring.droop'] = read(110);
  });
  const id = await ownPlan(request, short);
  await openStage(page, id, 'stance');
  const least = async () => {
    const text = await strip(page, 'Least clearance').innerText();
    return Number(/−?[\d.]+/.exec(text.replace('Least clearance', ''))?.[0]?.replace('−', '-'));
  };
  const before = await least();
  await openStage(page, id, 'motion');
  await expect(check(page, 'Axle goes sideways over the travel')).toBeVisible();
  await tab(page, 'Links');
  await pick(page, /^Lateral bar/);
  await put(page, 'Axle end, left', '-420');
  await put(page, 'Car end, left of the middle', '440');
  await put(page, 'Car end, above the ground', '283');
  await saved(page);
  await openStage(page, id, 'stance');
  expect(await least()).toBeGreaterThan(before + 3);
});

test('the driveline follows the axle: joints over the travel, the slip joint where the links take it', async ({
  page,
  request,
}) => {
  const id = await ownPlan(request, LADDER);
  await openStage(page, id, 'driveline');
  await tab(page, 'Driveshaft');
  const angle = await said(page, 'Joint 2 at full droop');
  expect(angle).toBeGreaterThan(5);
  await row(page, 'Longer over the travel').getByRole('button').first().click();
  await expect(page.getByRole('complementary', { name: 'Working' })).not.toContainText('straight up and down');
  await page.keyboard.press('Escape');
  // Longer bars turn the pinion less.
  await openStage(page, id, 'motion');
  await tab(page, 'Links');
  await pick(page, /^Ladder bar/);
  await put(page, 'Car end, forward of the axle', '1300');
  await saved(page);
  await openStage(page, id, 'driveline');
  await tab(page, 'Driveshaft');
  await expect.poll(() => said(page, 'Joint 2 at full droop')).toBeLessThan(angle);
});

test('launch shears a small bolt, and a larger one bears it, in the bracket as well', async ({
  page,
  request,
}) => {
  const id = await ownPlan(
    request,
    changed(PARALLEL, ({ brackets, arms }) => {
      brackets['lowerL'] = { ...brackets['lowerL'], bolt: 5 };
      arms['lower'] = { ...arms['lower'], bolt: 5 };
    }),
  );
  await openStage(page, id, 'motion');
  await tab(page, 'Loads');
  await expect(row(page, 'Lower link, left').first()).toContainText(/−[\d,. ]+/);
  await expect(check(page, 'Lower link, left: its bolt may shear')).toBeVisible();
  await openStage(page, id, 'brackets');
  await expect(check(page, 'Lower link L: its bolt may shear')).toBeVisible();
  await openStage(page, id, 'motion');
  await tab(page, 'Links');
  await pick(page, /^Lower link/);
  await put(page, 'Bolt', '19.05');
  await saved(page);
  await tab(page, 'Loads');
  await expect(check(page, 'Lower link, left: its bolt may shear')).toHaveCount(0);
});

test('what is touched at full droop is named, and shown where it is', async ({ page, request }) => {
  const id = await ownPlan(request, LADDER);
  await openStage(page, id, 'motion');
  await tab(page, 'Room');
  await page.getByRole('button', { name: 'Add what is in the way' }).click();
  await put(page, 'What', 'Brake line tab');
  await page.getByLabel('As a', { exact: true }).selectOption('point');
  await put(page, 'Forward of the axle', '-96');
  await put(page, 'Left of the middle', '-380');
  await put(page, 'Above the ground', '208');
  await page.getByRole('button', { name: 'Add it' }).click();
  await saved(page);
  await expect(check(page, 'Brake line tab: met by the')).toBeVisible();
  const line = row(page, 'Brake line tab');
  await expect(line).toContainText(/down/);
  await line.getByRole('button', { name: /^Put it there/ }).click();
  await tab(page, 'Cycle');
  await expect(page.getByRole('slider', { name: 'Heave' })).toHaveAttribute('aria-valuetext', /down$/);
  // An edge without its other end is refused with the field’s name, and what was typed stays.
  await tab(page, 'Room');
  await put(page, 'Above the ground', '9000');
  await expect(page.getByRole('alert').filter({ hasText: 'Above the ground' })).toBeVisible();
  await expect(page.getByLabel('Above the ground', { exact: true })).toHaveValue('9000');
});

test('the centre of gravity is found on scales and goes before the brief’s', async ({ page, request }) => {
  const id = await ownPlan(
    request,
    changed(LADDER, ({ readings }) => {
      delete readings['scales.leftFront'];
    }),
  );
  await openStage(page, id, 'motion');
  const before = await said(page, 'Anti-squat');
  await tab(page, 'Scales');
  for (const [name, value] of [
    ['Left front, level', '281'],
    ['Right front, level', '275'],
    ['Left rear, level', '231'],
    ['Right rear, level', '235'],
    ['Front raised by', '402'],
    // 466 and (1022 · (560 − 287) · tan(asin(402 / 2450))) / 2450 more.
    ['Both rear scales, front raised', '484.94'],
    ['Front track', '1320'],
  ] as const) {
    await enter(field(page, name), value);
  }
  await saved(page);
  expect(await said(page, 'Centre of gravity above the ground')).toBeCloseTo(560, 0);
  expect(await said(page, 'Centre of gravity before the rear axle')).toBeCloseTo((556 / 1022) * 2450, 0);
  await tab(page, 'Cycle');
  await expect.poll(() => said(page, 'Anti-squat')).toBeCloseTo((before * 510) / 560, 0);
});

test('the view in space is opened and turned by keyboard; sheets and plots say the same', async ({
  page,
  request,
}) => {
  const id = await ownPlan(request, PARALLEL);
  await openStage(page, id, 'motion');
  const open = page.getByRole('button', { name: 'Show it in space' });
  await open.focus();
  await page.keyboard.press('Enter');
  const canvas = page.getByRole('img', { name: 'The axle in space' });
  await expect(canvas).toBeVisible();
  const from = page.locator('ix-space output').first();
  await expect(from).toHaveText(/° round the car/);
  const first = (await from.textContent()) ?? '';
  await canvas.focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowUp');
  await expect(from).not.toHaveText(first);
  await page.keyboard.press('Home');
  await expect(from).toHaveText(first);
  await expect(page.locator('#space-words')).toContainText('Lower link, left');
  const file = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the scene as glTF' }).click();
  const gltf = JSON.parse(readFileSync((await (await file).path()) ?? '', 'utf8')) as {
    asset: { version: string };
    nodes: { name?: string }[];
  };
  expect(gltf.asset.version).toBe('2.0');
  expect(gltf.nodes.some(({ name }) => name?.startsWith('Lower link'))).toBe(true);

  // The cycle plays, and stops where somebody takes the slider.
  await page.getByRole('button', { name: 'Play a cycle' }).click();
  await expect(page.getByRole('slider', { name: 'Heave' })).not.toHaveAttribute(
    'aria-valuetext',
    'ride height',
  );
  await page.getByRole('button', { name: 'Back to ride height' }).click();
  await expect(page.getByRole('slider', { name: 'Heave' })).toHaveAttribute('aria-valuetext', 'ride height');
  await tab(page, 'Plots');
  await expect(page.getByRole('img', { name: /^Anti-squat: .* at full droop/ })).toBeVisible();
  const pdf = textOfPdf(
    await (await request.get(`/api/variants/${id}/links-and-set-up.pdf?paper=a4&units=mm`)).body(),
  );
  expect(pdf).toMatch(/Links, eye to eye/);
  expect(pdf).toMatch(/car 2 of 4/);
  const travel = await (await request.get(`/api/variants/${id}/along-the-travel.csv?units=mm`)).text();
  expect(travel).toMatch(/74.0 mm down/);
  const curves = textOfPdf(
    await (await request.get(`/api/variants/${id}/along-the-travel.pdf?paper=letter&units=in`)).body(),
  );
  expect(curves).toMatch(/Anti-squat along the heave/);
});

test('a spring is chosen from the counter by the frequency that is wanted, and is the seller’s word until read', async ({
  page,
  request,
}) => {
  const id = await ownPlan(
    request,
    changed(example('packhorse-triangulated'), ({ readings }) => {
      // A strip car does not roll: its springs are held to both ends of the travel alone.
      readings['stance.lean'] = { repeats: [{ value: 0 }], instrument: 'chosen' };
    }),
  );
  await openStage(page, id, 'motion');
  await tab(page, 'Springs');
  const before = await said(page, 'by the frequency wanted');
  await put(page, 'Natural frequency wanted', '1.7');
  // The rate goes with the square of the frequency.
  await expect
    .poll(async () => (await said(page, 'by the frequency wanted')) / before)
    .toBeCloseTo((1.7 / 1.5) ** 2, 1);
  await page.getByRole('button', { name: 'Ask the counter for springs' }).click();
  await expect(page.getByText(/\d+ of 40 would do; \d{3} looked through/)).toBeVisible();
  const first = page.getByRole('listitem').filter({ hasText: 'would do' }).first();
  const number = /WC-\d+/.exec(await first.innerText())?.[0] ?? '';
  const rate = /([\d.]+) N\/mm/.exec(await first.innerText())?.[1] ?? '';
  await page.getByRole('button', { name: `take ${number}` }).click();
  await expect(page.getByRole('button', { name: `taken ${number}` })).toBeVisible();
  await expect(field(page, 'Rate of one spring')).toHaveValue(rate);
  await expect(page.getByRole('button', { name: 'seller, instrument for Rate of one spring' })).toBeVisible();
  await saved(page);
  // Read on a press it is softer than its list: what was read counts, and the check says so.
  await put(page, 'Rate of one spring', String(Number(rate) * 0.85));
  await expect(check(page, `Spring ${number}: its rate not as its list says`)).toBeVisible();
  await expect
    .poll(async () =>
      textOfPdf(await (await request.get(`/api/variants/${id}/links-and-set-up.pdf?paper=a4&units=mm`)).body()),
    )
    .toContain(`${number}, Withy Shaftworks`);
});
