import { expect, type APIRequestContext, type Locator, type Page } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const example = (name: string) => readFileSync(join(import.meta.dirname, `../examples/${name}.json`), 'utf8');
/** The demo's plan file. */
export const TERN = example('tern');
/** The same car with a donor whose bearing nobody makes. */
export const STAG = example('tern-stag');
/** The same car with a donor that is not the limited-slip it was sold as. */
export const PACKHORSE = example('tern-packhorse');

/** The same axle on ladder bars. */
export const LADDER = example('tern-ladder');

/** Brings the demo in as a project of this journey's own and returns its variant's id. */
export const ownTern = (request: APIRequestContext, change = (text: string) => text): Promise<string> =>
  ownPlan(request, change(TERN));

/** Brings a plan file in as a project of its own and returns its variant's id. */
export async function ownPlan(request: APIRequestContext, file: string): Promise<string> {
  const answer = await request.post('/api/plan-files?who=Ansa', {
    data: file,
    headers: { 'content-type': 'application/json' },
  });
  expect(answer.status()).toBe(201);
  return ((await answer.json()) as { id: string }).id;
}

/** Opens a stage of a variant and waits until it stands. */
export async function openStage(page: Page, id: string, stage: string): Promise<void> {
  await page.goto(`/plan/${id}/${stage}`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible({ timeout: 60_000 });
}

/** One number of the running strip: its whole text. */
export const strip = (page: Page, label: string): Locator =>
  page.locator('ix-strip dl > div').filter({ has: page.getByText(label, { exact: true }) });

/** The field of a quantity; `n` counts its repeats from 1. */
export const field = (page: Page, name: string, n = 1): Locator =>
  page.getByRole('textbox', { name: n === 1 ? name : `${name}, reading ${n}`, exact: true });

/**
 * Types into a field and leaves it. The browser is told to focus and then to type, in two messages: where something came
 * between them, the text is typed once more; what stood there once has to stay.
 */
export async function enter(box: Locator, text: string): Promise<void> {
  await expect(async () => {
    await box.fill(text);
    await expect(box).toHaveValue(text, { timeout: 2000 });
  }).toPass();
  await box.press('Tab');
  await expect(box).not.toHaveValue('');
}

/** Types into the field of a label and leaves it. */
export const put = (page: Page, label: string, text: string): Promise<void> =>
  enter(page.getByLabel(label, { exact: true }), text);

/** Waits until the page says that all is saved. */
export const saved = async (page: Page): Promise<void> => {
  await expect(page.locator('.save')).toHaveText(/^Saved \d\d:\d\d$/);
};

/** Goes on with Tab until the wanted element has focus, as somebody without a mouse does. */
export async function tabTo(page: Page, wanted: Locator, most = 120): Promise<void> {
  for (let i = 0; i < most; i += 1) {
    if (await wanted.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error('Tab does not get there.');
}

/** Text of a PDF in reading order. */
export function textOfPdf(bytes: Buffer): string {
  const folder = mkdtempSync(join(tmpdir(), 'intervex-pdf-'));
  const file = join(folder, 'sheet.pdf');
  writeFileSync(file, bytes);
  const { stdout, status } = spawnSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  rmSync(folder, { recursive: true, force: true });
  expect(status).toBe(0);
  return stdout;
}

/** Ends the process of a stand-in, as a crash would. @throws Error where it does not run */
export function killStandin(file: string, port: number): void {
  const pid = readdirSync('/proc').find((name) => {
    try {
      return (
        /^\d+$/.test(name) &&
        readFileSync(`/proc/${name}/cmdline`, 'utf8').includes(`standins/dist/${file}`) &&
        readFileSync(`/proc/${name}/environ`, 'utf8').split('\0').includes(`PORT=${port}`)
      );
    } catch {
      return false;
    }
  });
  if (!pid) throw new Error(`${file} does not run on port ${port}.`);
  process.kill(Number(pid), 'SIGKILL');
}

/** Opens one tab of the stage after the other; a stage without tabs is looked at as it is. */
export async function everyTab(page: Page, look: (tab: string) => Promise<void>): Promise<void> {
  const list = page.locator('select.tabs');
  if (await list.count()) {
    for (const name of await list.locator('option').allTextContents()) {
      await list.selectOption({ label: name });
      await look(name.trim());
    }
    return;
  }
  const tabs = page.locator('.tabs label');
  const names = await tabs.allTextContents();
  for (const name of names.length ? names : ['']) {
    if (name) await tabs.filter({ hasText: name }).first().click();
    await look(name.trim());
  }
}
