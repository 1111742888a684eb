import { expect, type Page } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { field, openStage, ownPlan, ownTern, PACKHORSE, saved, textOfPdf } from '../bench-hand';
import { test } from '../journey';

const fill = async (page: Page, name: string, text: string) => {
  await field(page, name).fill(text);
  await field(page, name).press('Enter');
};
const verdict = (page: Page) => page.locator('ix-pattern-desk').getByRole('status');

test('a flange is re-drilled from 5×120 to 5×108, and its jig measures true', async ({ page, request }) => {
  const id = await ownPlan(request, PACKHORSE);
  await openStage(page, id, 'hubs');
  await expect(verdict(page)).toContainText(
    /It can be re-drilled: new holes 44\.\d+° from the old ones leave 13\.\d+ mm/,
  );
  // Without the rotor screw the new holes stand in the middle between the old ones.
  await page.getByRole('button', { name: 'Remove row 1' }).click();
  await fill(page, 'Donor flange PCD', '120');
  await fill(page, 'Wheel PCD', '108');
  await expect(verdict(page)).toContainText(
    'new holes 36.00° from the old ones leave 21.69 mm of metal to an old stud hole; 7.00 mm are needed.',
  );
  await page.getByRole('radio', { name: 'Re-drill the flange' }).check();
  await saved(page);

  // The jig on paper: the rim of 158.4 and the ruler of 100 mm, measured on the rendered page.
  const pdf = await (await request.get(`/api/variants/${id}/shapes/jig.pdf?paper=a4`)).body();
  expect(textOfPdf(pdf)).toContain('36.00° from an old hole; 21.69 mm of metal');
  const folder = mkdtempSync(join(tmpdir(), 'intervex-jig-'));
  writeFileSync(join(folder, 'jig.pdf'), pdf);
  spawnSync('pdftoppm', ['-r', '254', '-gray', '-singlefile', join(folder, 'jig.pdf'), join(folder, 'jig')]);
  const data = readFileSync(join(folder, 'jig.pgm'));
  rmSync(folder, { recursive: true, force: true });
  const [head, width, height] =
    /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(data.subarray(0, 40).toString('latin1')) ?? [];
  const rows = Array.from({ length: Number(height) }, (_, y) => {
    const row = data.subarray(
      (head?.length ?? 0) + y * Number(width),
      (head?.length ?? 0) + (y + 1) * Number(width),
    );
    return [row.findIndex((v) => v < 160), row.findLastIndex((v) => v < 160)] as const;
  });
  const across = Math.max(...rows.slice(320, 2550).map(([a, b]) => (b - a) / 10));
  expect(across).toBeGreaterThan(158.2);
  expect(across).toBeLessThan(158.8);
});

test('6×139.7 to 5×120.65 is refused with its figure, and the other ways are weighed', async ({
  page,
  request,
}) => {
  const id = await ownPlan(request, PACKHORSE);
  await openStage(page, id, 'hubs');
  await page.getByRole('button', { name: 'Remove row 1' }).click();
  await fill(page, 'Donor flange studs', '6');
  await fill(page, 'Donor flange PCD', '139.7');
  await fill(page, 'Wheel PCD', '120.65');
  await expect(verdict(page)).toContainText(
    'It cannot be re-drilled. The best clocking still runs 2.30 mm into an old stud hole.',
  );
  await expect(page.getByRole('row', { name: /Re-drill the flange/ })).toContainText('Not possible.');
  await page.getByRole('radio', { name: 'Re-drill the flange' }).check();
  await expect(page.getByRole('link', { name: /Hub ends/ })).toContainText('stop');
  await fill(page, 'Adapters, cost', '140');
  await expect(page.getByRole('row', { name: /Bolted adapter/ })).toContainText('140');
  await page.getByRole('radio', { name: 'Bolted adapter' }).check();
  // The wheels still stand where they stood without it: chosen under Stance too, the stop goes.
  await page.getByRole('button', { name: /\d stop/ }).click();
  await expect(
    page.getByRole('heading', { name: /An adapter is chosen here, but the wheels are placed without it/ }),
  ).toBeVisible();
  await saved(page);
  await openStage(page, id, 'stance');
  await page.getByRole('combobox', { name: 'Between flange and wheel' }).selectOption('bolted adapter');
  await fill(page, 'Spacer or adapter', '25');
  await expect(page.getByRole('link', { name: /Hub ends/ })).not.toContainText('stop');
  await saved(page);
  const refused = await request.get(`/api/variants/${id}/shapes/jig.dxf`);
  expect(refused.status()).toBe(404);
  expect(((await refused.json()) as { message: string }).message).toContain('2.30 mm into an old stud hole');
});

test('pairs of holes make a circle, the odd one is named, and a drawing is read in', async ({
  page,
  request,
}) => {
  const id = await ownTern(request);
  await openStage(page, id, 'hubs');
  const wheel = page.locator('ix-pattern').nth(1);
  // A third pair that no circle explains: one hole too many counted.
  await wheel.getByLabel('New row, Holes on').fill('1');
  await wheel.getByLabel('New row, Read').fill('66.9');
  await wheel.getByRole('button', { name: /^Add to/ }).click();
  await expect(wheel.getByRole('alert')).toContainText(
    'Reading 3 gives a circle of 113.82 mm, the others 108.0',
  );
  await wheel.getByLabel('Row 3, Read').fill('63.45 furlong');
  await wheel.getByLabel('Row 3, Read').press('Tab');
  await expect(wheel.getByRole('alert').first()).toContainText('Read:');
  await expect(wheel.getByLabel('Row 3, Read')).toHaveValue('63.45 furlong');
  await wheel.getByLabel('Row 3, Read').fill('63.45');
  await wheel.getByLabel('Row 3, Read').press('Tab');
  await expect(wheel.getByRole('alert')).toHaveCount(0);
  await wheel.getByRole('button', { name: 'Use as its circle' }).click();
  await expect(field(page, 'Wheel PCD')).toHaveValue(/^10[78]\.\d+$/);

  // The flange of another project as a drawing, made by the application itself.
  const other = await ownPlan(request, PACKHORSE);
  const dxf = await (await request.get(`/api/variants/${other}/shapes/flange.dxf`)).body();
  const drawing = page.locator('#drawing');
  await drawing.setInputFiles({ name: 'notes.dxf', mimeType: 'application/dxf', buffer: Buffer.from('hello') });
  await expect(page.getByRole('alert').filter({ hasText: 'no DXF' })).toContainText(
    'Right would be: an ASCII DXF',
  );
  await drawing.setInputFiles({ name: 'flange.dxf', mimeType: 'application/dxf', buffer: dxf });
  await page.getByRole('button', { name: 'Take as flange' }).first().click();
  await expect(field(page, 'Donor flange diameter')).toHaveValue('158.4');
  await saved(page);
});
