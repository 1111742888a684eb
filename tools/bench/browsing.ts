import { chromium, type Browser, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { CHROMIUM } from '../lib/chromium.mjs';
import { ROOT } from '../lib/paths.mjs';
import { figureOf, median, type BenchFigure } from './figure';

const KEYSTROKES = 60;
const FOLLOWS = 20;
/** Things on the tube one of which is dragged. */
const MANY = 40;
/** Between two keystrokes of a quick hand, ms. What is done after the paint is done in between. */
const PACE_MS = 150;

/** Runs in the page: makes the i-th change and waits until it shows and its frame is painted. */
type Change = (i: number) => Promise<void>;

/**
 * Median time the page's main thread works for one change: script, style, layout and paint, as the browser
 * counts it. The wait for the display's next frame, up to 16.7 ms at 60 Hz, is no work and not in it. The change and the
 * plainest one there is take turns, so that both meet the machine in the same mood.
 */
async function workOf(page: Page, make: Change): Promise<{ readonly value: number; readonly plain: number }> {
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  const busy = async () => {
    const { metrics } = await session.send('Performance.getMetrics');
    return 1000 * (metrics.find((m) => m.name === 'TaskDuration')?.value ?? Number.NaN);
  };
  const once = async (change: Change, i: number) => {
    await page.waitForTimeout(PACE_MS);
    const before = await busy();
    await page.evaluate(change, i);
    return (await busy()) - before;
  };
  const [times, plain]: [number[], number[]] = [[], []];
  for (let i = 0; i < KEYSTROKES; i += 1) {
    plain.push(await once(plainText, i));
    times.push(await once(make, i));
  }
  return { value: median(times), plain: median(plain) };
}

/** What it is measured beside. */
const beside = (plain: number) => ({ name: 'one line of plain text changed', value: plain, unit: 'ms' });

/** A reading typed over: done when the drawing shows the new dimension and has been painted. */
async function typeOver(i: number): Promise<void> {
  const field = document.querySelector<HTMLInputElement>('[id="q-donor.half.left-0"]');
  const dimension = document.querySelector('ix-view .dimension text');
  if (!field || !dimension) throw new Error('no field or no drawing');
  const before = dimension.textContent;
  field.value = String(780.3 + i / 2);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  do await new Promise((painted) => requestAnimationFrame(() => setTimeout(painted)));
  while (dimension.textContent === before);
}

/** The first handle dragged to and fro: done when the wheel, or the driveshaft, stands elsewhere and has been painted. */
async function dragHandle(i: number): Promise<void> {
  const handle = document.querySelector<SVGGElement>('ix-view .handle');
  const moved = ['tyre', 'bracket', 'tube']
    .map((style) => `ix-view polygon.${style}`)
    .find((shapes) => document.querySelector(shapes));
  if (!handle || !moved) throw new Error('nothing to drag');
  const box = handle.getBoundingClientRect();
  const at = {
    clientX: box.left + box.width / 2,
    clientY: box.top + box.height / 2,
    pointerId: 1,
    bubbles: true,
  };
  handle.setPointerCapture = () => undefined;
  handle.dispatchEvent(new PointerEvent('pointerdown', at));
  const before = document.querySelector(moved)?.getAttribute('points');
  const by = i % 2 === 0 ? -4 : 4;
  handle.dispatchEvent(
    new PointerEvent('pointermove', { ...at, clientX: at.clientX + by, clientY: at.clientY + by }),
  );
  for (let frame = 0; document.querySelector(moved)?.getAttribute('points') === before; frame += 1) {
    if (frame > 100) throw new Error('It was dragged, and nothing moved.');
    await new Promise((painted) => requestAnimationFrame(() => setTimeout(painted)));
  }
}

/** One notch of the wheel over the drawing: done when it stands larger, or smaller, and has been painted. */
async function turnWheel(i: number): Promise<void> {
  const svg = document.querySelector('ix-view svg');
  const scaled = svg?.querySelector('g[transform]');
  if (!svg || !scaled) throw new Error('no drawing');
  const box = svg.getBoundingClientRect();
  const before = scaled.getAttribute('transform');
  svg.dispatchEvent(
    new WheelEvent('wheel', {
      deltaY: i % 40 < 20 ? -60 : 60,
      clientX: box.left + box.width / 3,
      clientY: box.top + box.height / 2,
      bubbles: true,
      cancelable: true,
    }),
  );
  do await new Promise((painted) => requestAnimationFrame(() => setTimeout(painted)));
  while (scaled.getAttribute('transform') === before);
}

async function zoom(page: Page, base: string): Promise<BenchFigure> {
  await page.goto(base);
  await page.locator('ix-view svg').first().hover();
  await page.waitForTimeout(500);
  const { value, plain } = await workOf(page, turnWheel);
  return figureOf({
    name: `one notch of the wheel to the repainted drawing, work of the page, median of ${KEYSTROKES}`,
    value,
    unit: 'ms',
    target: 16.6,
    yardstick: beside(plain),
  });
}

/** Brings a plan in: the address it opens at. */
async function broughtIn(base: string, file: unknown): Promise<string> {
  const answer = await fetch(`${base}api/plan-files?who=Ansa`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(file),
  });
  const { id } = (await answer.json()) as { id: string };
  return `${base}plan/${id}`;
}

/** A plan with many things on its left tube: the address it opens at. */
async function crowdedPlan(base: string): Promise<string> {
  const file = JSON.parse(readFileSync(join(ROOT, 'examples/tern.json'), 'utf8')) as {
    plan: { brackets: Record<string, object> };
  };
  file.plan.brackets = Object.fromEntries(
    Array.from({ length: MANY }, (_, i) => [
      `b${String(i).padStart(2, '0')}`,
      {
        name: `Tab ${i + 1}`,
        kind: 'clip',
        side: 'left',
        wide: 14,
        round: 16,
        hold: 'welded',
        edge: 'middle',
        place: { datum: 'casting', at: 30 + 44 * (i % 10), clock: 0.3 + 1.55 * Math.floor(i / 10) },
      },
    ]),
  );
  return broughtIn(base, file);
}

/** What a stage’s drawing costs while its first handle is dragged. */
async function drag(page: Page, base: string, stage: RegExp, name: string): Promise<BenchFigure> {
  await page.goto(base);
  await page.getByRole('link', { name: stage }).click();
  await page.locator('ix-view .handle').first().waitFor();
  await page.waitForTimeout(500);
  const { value, plain } = await workOf(page, dragHandle);
  return figureOf({
    name: `${name}, work of the page, median of ${KEYSTROKES}`,
    value,
    unit: 'ms',
    target: 16.6,
    yardstick: beside(plain),
  });
}

/** The plainest change there is, in the same page. */
async function plainText(i: number): Promise<void> {
  const place = document.querySelector('h1');
  if (!place) throw new Error('no heading');
  place.textContent = `Donor ${i}`;
  await new Promise((painted) => requestAnimationFrame(() => setTimeout(painted)));
}

async function keystroke(page: Page, base: string): Promise<BenchFigure> {
  await page.goto(base);
  await page.getByRole('link', { name: /Donor/ }).click();
  await page.getByRole('textbox', { name: 'Pinion axis to WMS, left', exact: true }).waitFor();
  const { value, plain } = await workOf(page, typeOver);
  return figureOf({
    name: `keystroke to repainted drawing, work of the page, median of ${KEYSTROKES}`,
    value,
    unit: 'ms',
    target: 1.5 * plain,
    yardstick: beside(plain),
  });
}

/** From a finished entry on one page until a second page shows it, over loopback. */
async function follow(browser: Browser, base: string): Promise<BenchFigure> {
  const [one, two] = [await browser.newPage(), await browser.newPage()];
  for (const page of [one, two]) {
    await page.goto(base);
    await page.getByRole('link', { name: /Donor/ }).click();
    await page.locator('[id="q-donor.half.left-0"]').waitFor();
    await page.waitForTimeout(500);
  }
  const shown = two.locator('ix-view .dimension text').first();
  const field = one.locator('[id="q-donor.half.left-0"]');
  const times: number[] = [];
  for (let i = 0; i < FOLLOWS; i += 1) {
    const before = await shown.textContent();
    await field.fill(String(781.3 + i));
    const start = performance.now();
    await field.press('Enter');
    await two.waitForFunction(
      (old) => document.querySelector('ix-view .dimension text')?.textContent !== old,
      before,
      { polling: 'raf' },
    );
    times.push(performance.now() - start);
  }
  const health = await timedFetch(`${base}api/health`);
  await one.close();
  await two.close();
  return figureOf({
    name: `a finished entry shows on a second page, median of ${FOLLOWS}`,
    value: median(times),
    unit: 'ms',
    target: 200,
    yardstick: { name: 'one request to the server’s health', value: health, unit: 'ms' },
  });
}

async function timedFetch(address: string): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < 20; i += 1) {
    const start = performance.now();
    await (await fetch(address)).text();
    times.push(performance.now() - start);
  }
  return median(times);
}

/** Compressed script, style and page that the first page needs, by what went over the wire without the answers’ headers. */
async function firstLoad(browser: Browser, base: string): Promise<BenchFigure> {
  const page = await browser.newPage();
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  const begun = new Map<string, { type: string; headers: number }>();
  const bytes = { Script: 0, Stylesheet: 0, Document: 0, Font: 0 };
  session.on('Network.responseReceived', ({ requestId, type, response }) =>
    begun.set(requestId, { type, headers: response.encodedDataLength }),
  );
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    const { type, headers = 0 } = begun.get(requestId) ?? {};
    if (type !== undefined && type in bytes) bytes[type as keyof typeof bytes] += encodedDataLength - headers;
  });
  await page.goto(base);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.waitForLoadState('networkidle');
  await page.close();
  return figureOf({
    name: 'compressed script, style and page of the first load',
    value: (bytes.Script + bytes.Stylesheet + bytes.Document) / 1000,
    unit: 'kB',
    target: 280,
    yardstick: { name: 'fonts of the same load', value: bytes.Font / 1000, unit: 'kB' },
  });
}

/** What the page costs: bytes at first, and time a keystroke. */
export async function browsing(base: string): Promise<readonly BenchFigure[]> {
  const browser = await chromium.launch(CHROMIUM);
  try {
    const load = await firstLoad(browser, base);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    return [
      load,
      await keystroke(page, base),
      await drag(page, base, /Stance/, 'a wheel dragged to its repainted drawing with all checks'),
      await drag(page, base, /Driveline/, 'the pinion dragged by its nose to its repainted drawing'),
      await drag(
        page,
        await crowdedPlan(base),
        /Brackets/,
        `one of ${MANY} things on a tube dragged, all views repainted`,
      ),
      await drag(
        page,
        await broughtIn(base, JSON.parse(readFileSync(join(ROOT, 'examples/packhorse.json'), 'utf8'))),
        /Motion/,
        'an end of a link dragged, all three views repainted',
      ),
      await zoom(page, base),
      await follow(browser, base),
    ];
  } finally {
    await browser.close();
  }
}
