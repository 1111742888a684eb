import { expect } from '@playwright/test';
import { field, openStage, ownTern, saved, strip } from '../bench-hand';
import { test } from '../journey';

test('inch work follows the instrument and the step of the tape; nothing mixes units', async ({
  page,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'donor');
  await page.getByRole('radio', { name: 'inch' }).check();
  // Off the tape: 792.3 and 792.5 read, 792.0 … a fraction of a sixteenth. Off the caliper: a decimal.
  await expect(field(page, 'Casting to housing end, left')).toHaveValue(/⁄16|⁄8|⁄4|⁄2/);
  await expect(field(page, 'Brake space, left')).toHaveValue(/^\d\.\d{3}$/);
  await page.getByRole('button', { name: /step of tape and rule/ }).click();
  await page.getByRole('menuitemradio', { name: /sixty-fourth/ }).click();
  await expect(field(page, 'Casting to housing end, left')).toHaveValue(/^23 \d+⁄\d+ [+−] \.\d{3}$/);
  await openStage(page, id, 'stance');
  // A wheel’s offset is called by its millimetres; nothing else is.
  const said = await page.locator('body').innerText();
  expect(said).toMatch(/ET [+−]?\d+\.\d mm/);
  expect(said.replace(/ET [+−]?\d+\.\d mm/g, '')).not.toMatch(/\d mm\b/);
  await page.getByRole('button', { name: /step of tape and rule/ }).click();
  await page.getByRole('menuitemradio', { name: /all in decimals/ }).click();
  await expect(strip(page, 'Cut L')).toContainText(/^Cut L ?3\.583 ?in/);
});

test('force, mass and torque are typed and shown in either system', async ({ page, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'brief');
  const mass = field(page, 'Mass with driver');
  await mass.fill('2900 lb');
  await mass.press('Enter');
  // 2900 lb is 1315.4 kg.
  await expect(mass).toHaveValue('1315.418');
  await page.getByRole('radio', { name: 'inch' }).check();
  await expect(mass).toHaveValue('2900');
  await mass.fill('1250 kg');
  await mass.press('Enter');
  await expect(mass).toHaveValue('2755.78');
  await mass.fill('40 N');
  await expect(page.getByRole('alert')).toContainText(
    '“N” is no unit of a mass. Write it like 1020 kg or 2250 lb.',
  );
  await expect(page.getByText('lb·ft').first()).toBeVisible();
});

test('the drawing is enlarged, moved, asked, and edited where a dimension stands', async ({
  page,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'donor');
  const picture = page.locator('.drawing svg').first();
  const scale = page.locator('.drawing .scale').first();
  await expect(scale).toContainText('1 : 10');
  // By wheel, keys and button.
  const box = await picture.boundingBox();
  if (!box) throw new Error('no drawing');
  await page.mouse.move(box.x + box.width * 0.3, box.y + box.height / 2);
  await page.mouse.wheel(0, -600);
  await expect(scale).not.toContainText('1 : 10');
  const shapes = page.locator('.drawing g.shapes').first();
  const before = await shapes.getAttribute('transform');
  await picture.focus();
  await page.keyboard.press('ArrowRight');
  await expect(shapes).not.toHaveAttribute('transform', before ?? '');
  await page.keyboard.press('0');
  await expect(scale).toContainText('1 : 10');
  // A double click goes close to a thing, another one back.
  const tube = page.locator('.drawing polygon.tube').first();
  await tube.dblclick({ position: { x: 60, y: 8 } });
  await expect(scale).not.toContainText('1 : 10');
  await page.locator('.drawing').getByRole('button', { name: 'Whole drawing' }).click();
  await expect(scale).toContainText('1 : 10');
  // What it is, and how long.
  await tube.hover({ position: { x: 60, y: 8 } });
  await expect(page.locator('.hover')).toContainText(/housing end, (left|right): \d+\.\d mm/);
  // Changed at its dimension; Escape leaves it alone.
  const half = page.getByRole('button', { name: /^Pinion axis to casting face, left/ });
  await half.focus();
  await page.keyboard.press('Enter');
  const editor = page.getByRole('dialog', { name: 'Change it here' });
  await expect(editor).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(editor).toHaveCount(0);
  await half.click();
  await editor.getByRole('textbox').first().fill('129.4');
  await page.keyboard.press('Enter');
  await expect(editor).toHaveCount(0);
  await saved(page);
  await expect(field(page, 'Pinion axis to casting face, left')).toHaveValue(/129\.4/);
});

test('one line says what is next and goes there', async ({ page, request }) => {
  const id = await ownTern(request, (text) => {
    const file = JSON.parse(text) as { plan: { readings: Record<string, unknown> } };
    delete file.plan.readings['donor.sideGear.right'];
    return JSON.stringify(file);
  });
  await openStage(page, id, 'donor');
  const next = page.getByRole('region', { name: 'Next step' });
  await expect(next).toContainText('Read pinion axis to side-gear spline, right.');
  await expect(next).toContainText('needs it');
  await next.getByRole('button', { name: 'Go there' }).click();
  await expect(field(page, 'Pinion axis to side-gear spline, right')).toBeFocused();
  await page.keyboard.type('18.5');
  await page.keyboard.press('Enter');
  await expect(next).not.toContainText('side-gear spline, right');
});

test('the cut finds its place: the best by a button, the nearest where it is in the way', async ({
  page,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'cut');
  await expect(page.getByText('Free for the first mark:').first()).toBeVisible();
  await page.getByRole('button', { name: 'Move it to the best place' }).first().click();
  await expect(page.getByText('The mark stands in the best place.').first()).toBeVisible();
  // Into a bracket: a stop that offers the nearest free place.
  const mark = page
    .getByRole('group', { name: '' })
    .locator('#q-cut\\.mark\\.left-0')
    .or(page.locator('#q-cut\\.mark\\.left-0'))
    .first();
  await mark.fill('100');
  await mark.press('Enter');
  await page.keyboard.press('Escape');
  await page
    .getByRole('button', { name: /caution|stop/ })
    .last()
    .click();
  const offer = page.getByRole('button', { name: /^Move the first mark to/ }).first();
  await expect(offer).toBeVisible();
  await offer.click();
  await expect(page.getByRole('button', { name: /^Move the first mark to/ })).toHaveCount(0);
});

test('the strip holds what the project chose, on every page of it', async ({ page, context, request }) => {
  const id = await ownTern(request);
  await openStage(page, id, 'cut');
  await page.getByRole('button', { name: 'Numbers of this strip' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Factor on yield' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Worst tilt' }).click();
  await page.keyboard.press('Escape');
  await expect(strip(page, 'Factor on yield')).toBeVisible();
  const other = await context.newPage();
  await openStage(other, id, 'donor');
  await expect(strip(other, 'Factor on yield')).toBeVisible();
  await expect(strip(other, 'Worst tilt')).toHaveCount(0);
});
