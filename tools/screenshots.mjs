import { chromium } from '@playwright/test';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from './lib/application.mjs';
import { CHROMIUM } from './lib/chromium.mjs';
import { ensurePackages } from './lib/debian-packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { say } from './lib/say.mjs';

// One picture per main view, from the demo data, into docs/screenshots. With names, only those.
const PORT = 4394;
const BASE = `http://127.0.0.1:${PORT}`;
const FOLDER = join(ROOT, 'docs/screenshots');
const WIDE = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** @typedef {import('@playwright/test').Page} Page */
/** @typedef {{ name: string, stage?: string, path?: string, variant?: string, phone?: boolean, dark?: boolean, unit?: string, prepare?: (page: Page) => Promise<void>, after?: (page: Page) => Promise<void> }} Shot */

/** @type {readonly Shot[]} */
const SHOTS = [
  { name: 'brief', stage: 'brief' },
  {
    name: 'survey-room',
    stage: 'survey',
    prepare: async (page) => {
      await page.getByRole('radio', { name: 'Room' }).click();
    },
  },
  { name: 'donor', stage: 'donor' },
  { name: 'brackets', stage: 'brackets' },
  { name: 'routes', stage: 'routes' },
  {
    name: 'stance',
    stage: 'stance',
    prepare: async (page) => {
      // Dragged out to where the right lip comes near.
      const wheel = page.getByRole('slider', { name: 'Wheel offset, left wheel' });
      await wheel.focus();
      for (let i = 0; i < 15; i += 1) await page.keyboard.press('ArrowLeft');
    },
  },
  {
    name: 'shafts',
    stage: 'shafts',
    prepare: async (page) => {
      await page.getByRole('radio', { name: 'Stock pairs' }).click();
      await page.getByRole('button', { name: 'Search the counter' }).click();
      await page.locator('ix-pairs tbody tr').first().waitFor();
    },
  },
  {
    name: 'hubs',
    stage: 'hubs',
    variant: 'Packhorse axle',
    prepare: async (page) => {
      await page.getByRole('radio', { name: 'Re-drill the flange' }).check();
    },
  },
  {
    name: 'cut',
    stage: 'cut',
    prepare: async (page) => {
      await page.getByRole('radio', { name: 'Keep the pinion offset' }).check();
    },
  },
  {
    name: 'working',
    stage: 'cut',
    prepare: async (page) => {
      await page
        .locator('ix-strip')
        .getByRole('button', { name: /^Cut.*left/i })
        .first()
        .click();
    },
  },
  { name: 'driveline', stage: 'driveline' },
  {
    name: 'gears',
    stage: 'gears',
    prepare: async (page) => {
      await page.getByRole('radio', { name: 'Run', exact: true }).click();
      await page.getByRole('row').filter({ hasText: 'km/h' }).first().waitFor();
    },
  },
  { name: 'sheets', stage: 'sheets' },
  { name: 'projects', stage: '' },
  { name: 'data', stage: '', path: '/data' },
  {
    name: 'workshop',
    stage: '',
    path: '/workshop',
    prepare: async (page) => {
      await page.getByRole('button', { name: 'Share in the workshop' }).click();
      await page.getByRole('textbox', { name: 'Name' }).fill('Tove');
      await page.getByRole('button', { name: 'Add' }).click();
      await page.getByRole('button', { name: 'Pair a phone with Tove' }).click();
      await page.getByRole('img', { name: /QR code/ }).waitFor();
    },
    after: async (page) => {
      await page.getByRole('button', { name: 'Close it to the network' }).click();
      await page.getByRole('button', { name: 'Share in the workshop' }).waitFor();
    },
  },
  {
    name: 'phone-reading',
    stage: 'survey',
    phone: true,
    prepare: async (page) => {
      await page.getByRole('combobox', { name: 'Heading' }).selectOption('Brakes and studs');
      for (let i = 0; i < 2; i += 1) await page.getByRole('button', { name: 'Skip' }).click();
      await page.getByRole('button', { name: 'Instruments' }).click();
      await page.getByRole('menuitem', { name: 'Caliper' }).click();
    },
  },
  {
    name: 'motion',
    stage: 'motion',
    variant: 'Ladder bars',
    prepare: async (page) => {
      await page.getByRole('slider', { name: 'Heave' }).fill('48');
      await page.getByRole('slider', { name: 'Roll' }).fill('1.2');
    },
  },
  {
    name: 'motion-space-dark',
    stage: 'motion',
    variant: 'Ladder bars',
    dark: true,
    prepare: async (page) => {
      await page.getByRole('slider', { name: 'Heave' }).fill('48');
      await page.getByRole('slider', { name: 'Roll' }).fill('1.2');
      await page.getByRole('button', { name: 'Show it in space' }).click();
      const canvas = page.getByRole('img', { name: 'The axle in space' });
      await canvas.waitFor();
      // The drawings give way to the view in space.
      const divider = page.getByRole('separator').first();
      await divider.focus();
      for (let i = 0; i < 20; i += 1) await page.keyboard.press('ArrowUp');
      await canvas.scrollIntoViewIfNeeded();
      await page.waitForTimeout(600);
    },
  },
];

/** Takes one picture; what a picture changed in the plan is undone by a fresh project each time. */
async function shoot(/** @type {import('@playwright/test').Browser} */ browser, /** @type {Shot} */ shot) {
  const context = await browser.newContext({
    viewport: shot.phone ? PHONE : WIDE,
    colorScheme: shot.dark ? 'dark' : 'light',
    reducedMotion: 'reduce',
    locale: 'en-GB',
  });
  await context.addInitScript((unit) => {
    globalThis.localStorage.setItem('intervex.unit', unit);
    globalThis.localStorage.setItem('intervex.person', 'Ansa Pell');
  }, shot.unit ?? 'mm');
  const page = await context.newPage();
  const projects = await (await page.request.get(`${BASE}/api/projects`)).json();
  const { variants } = projects[0];
  const { id } = variants.find((/** @type {{ name: string }} */ v) => v.name === shot.variant) ?? variants[0];
  await page.goto(shot.stage ? `${BASE}/plan/${id}/${shot.stage}` : `${BASE}${shot.path ?? '/projects'}`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await shot.prepare?.(page);
  await page.waitForLoadState('networkidle');
  await page.waitForTimeout(700);
  await page.screenshot({ path: join(FOLDER, `${shot.name}.png`) });
  await shot.after?.(page);
  if (shot.stage && shot.prepare && (await page.getByRole('button', { name: 'Undo' }).isEnabled()))
    await page.getByRole('button', { name: 'Undo' }).click();
  await page.waitForTimeout(300);
  await context.close();
}

async function main() {
  ensurePackages(['database', 'browser']);
  const wanted = process.argv.slice(2);
  if (wanted.length === 0) rmSync(FOLDER, { recursive: true, force: true });
  mkdirSync(FOLDER, { recursive: true });
  const data = mkdtempSync(join(tmpdir(), 'intervex-shots-'));
  const application = await startApplication({ port: PORT, data });
  const browser = await chromium.launch(CHROMIUM);
  try {
    for (const shot of SHOTS.filter(({ name }) => wanted.length === 0 || wanted.includes(name))) {
      await shoot(browser, shot);
      say(`docs/screenshots/${shot.name}.png`);
    }
  } finally {
    await browser.close();
    await application.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

await main();
