import { expect, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { enter, field, openStage, ownPlan, ownTern, saved, TERN } from '../bench-hand';
import { test } from '../journey';

const example = (name: string) =>
  readFileSync(join(import.meta.dirname, `../../examples/${name}.json`), 'utf8');

interface File {
  plan: {
    brackets: Record<string, Record<string, unknown>>;
    obstacles: Record<string, Record<string, unknown>>;
    readings: Record<string, { repeats: { value: number }[]; instrument: string; datum?: string }>;
  };
}
function changed(text: string, change: (plan: File['plan']) => void): string {
  const file = JSON.parse(text) as File;
  change(file.plan);
  return JSON.stringify(file);
}
const read = (value: number, instrument = 'tape') => ({ repeats: [{ value }], instrument });
const tab = (page: Page, name: string) => page.getByRole('radio', { name, exact: true }).check();
const check = (page: Page, text: string | RegExp) => page.locator('.check').filter({ hasText: text });
const DEGREE = Math.PI / 180;

test('a pair from stock for C-clips is refused once the ends are to be bolted in', async ({
  page,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'shafts');
  await tab(page, 'Stock pairs');
  await page.getByRole('button', { name: 'Search the counter' }).click();
  await page.locator('ix-pairs tbody tr').first().getByRole('button', { name: 'take' }).click();
  await saved(page);
  await expect(check(page, /does not suit/)).toHaveCount(0);
  await openStage(page, id, 'cut');
  await page.getByRole('combobox', { name: 'Ends afterwards' }).selectOption('boltIn');
  await saved(page);
  await openStage(page, id, 'shafts');
  await expect(check(page, /Left shaft .* does not suit: .*/).first()).toBeVisible();
  await expect(check(page, /Right shaft .* does not suit/).first()).toBeVisible();
});

test('a truss that comes through the floor within the travel is a stop', async ({ page, request }) => {
  const truss = {
    name: 'Truss',
    kind: 'truss',
    side: 'across',
    hold: 'welded',
    edge: 'middle',
    wide: 900,
    round: 60,
  };
  const file = changed(example('tern-ladder'), (plan) => {
    Object.assign(plan.readings, {
      'body.casting': read(130),
      'body.cover': read(165),
      'body.yoke': read(95, 'caliper'),
    });
    plan.obstacles = { floor: { name: 'Floor', kind: 'point', x: 5, y: 240, z: 470 } };
    plan.brackets = { truss: { ...truss, high: 30, place: { datum: 'centre', at: 0, clock: 0 } } };
  });
  const id = await ownPlan(request, file);
  await openStage(page, id, 'motion');
  await tab(page, 'Room');
  await expect(check(page, /Floor: met/)).toHaveCount(0);
  await openStage(page, id, 'brackets');
  await page.getByRole('radio', { name: /^Truss/ }).check();
  await enter(page.getByRole('textbox', { name: 'Off the skin' }), '86 mm');
  await saved(page);
  await openStage(page, id, 'motion');
  await tab(page, 'Room');
  await expect(check(page, 'Floor: met by the Truss').first()).toBeVisible();
});

test('the right bracket of a pair that is turned makes another link of it', async ({ page, request }) => {
  const id = await ownPlan(
    request,
    changed(example('packhorse'), ({ brackets }) => {
      const { lowerR } = brackets;
      const place = lowerR?.['place'] as { clock: number };
      if (lowerR) lowerR['place'] = { ...place, clock: place.clock - 20 * DEGREE };
    }),
  );
  await openStage(page, id, 'motion');
  await tab(page, 'Links');
  // By coordinates: its bolt 20° on about the tube, the link 33 mm longer than the left one.
  await expect(check(page, /Lower link: both brackets do not take links alike/).first()).toBeVisible();
  await expect(check(page, /Lower link: both brackets do not take links alike/).first()).toContainText(/33\.0/);
});

test('advice that the shims at hand cannot make fills nothing, and says what to get', async ({
  page,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'gears');
  await tab(page, 'Set-up');
  const write = (name: string, text: string) => page.getByRole('textbox', { name, exact: true }).fill(text);
  await write('Behind the pinion’s head', '0.9');
  await write('Beside the carrier, each used once', '2.1 1.9');
  await write('Pinion shim', '0.9');
  await write('Carrier, ring side', '2.1');
  await write('Carrier, other side', '1.9');
  await write('Backlash at four teeth or more', '0.41 0.43 0.42 0.4');
  await page.getByRole('button', { name: 'Note this trial' }).click();
  await expect(page.getByText('Nothing nearer can be put in')).toBeVisible();
  await expect(page.getByText(/Get those named, or take the set as it is/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Use these for the next trial' })).toHaveCount(0);
  // With a kit that can, it is offered, in the unit of the page.
  await write('Beside the carrier, each used once', '2.1 1.9 1.5 0.6 0.5 0.4 0.3 0.2 0.15 0.1 0.05');
  await page.getByRole('textbox', { name: 'Pinion shim', exact: true }).click();
  await expect(page.getByText('Try next')).toBeVisible();
  await expect(page.getByText(/The carrier moves 0\.\d+ mm toward the pinion/)).toBeVisible();
});

test('lean and twist reckon with the floor under each tyre', async ({ page, request }) => {
  const corners = ['leftFront', 'rightFront', 'rightRear', 'leftRear'];
  const [floors, sills] = [
    [512, 509, 514, 505],
    [236, 241, 242, 249],
  ] as const;
  const id = await ownPlan(
    request,
    changed(TERN, (plan) => {
      corners.forEach((c, i) => {
        plan.readings[`level.floor.${c}`] = read(floors[i] ?? 0);
        plan.readings[`level.height.${c}`] = read(sills[i] ?? 0);
      });
    }),
  );
  await openStage(page, id, 'survey');
  await tab(page, 'Level');
  // (236 − 512) − (241 − 509) and (249 − 505) − (242 − 514).
  await expect(page.getByText(/−8\.0 mm/).first()).toBeVisible();
  await expect(page.getByText(/16\.0 mm/).first()).toBeVisible();
  await enter(field(page, 'Floor, left front'), '504 mm');
  await expect(page.getByText(/−8\.0 mm/)).toHaveCount(0);
});

test('a perch on the other side of its tube from the spring is a stop', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'brackets');
  await page.getByRole('radio', { name: /^Left perch/ }).check();
  await expect(page.getByRole('textbox', { name: 'Wanted distance' })).toHaveValue('0.0');
  await enter(page.getByRole('textbox', { name: 'Wanted clock: top 0, front +' }), '180');
  await saved(page);
  await expect(
    check(page, /Left perch stands on the other side of its tube from its spring/).first(),
  ).toBeVisible();
});
