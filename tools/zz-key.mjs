import { chromium } from '@playwright/test';
import { CHROMIUM } from './lib/chromium.mjs';
const base = 'http://127.0.0.1:4300/';
const browser = await chromium.launch(CHROMIUM);
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(base);
await page.getByRole('link', { name: /Donor/ }).click();
await page.getByRole('textbox', { name: 'Pinion axis to WMS, left', exact: true }).waitFor();
await page.waitForTimeout(1500);
const s = await page.context().newCDPSession(page);
await s.send('Performance.enable');
const get = async () => Object.fromEntries((await s.send('Performance.getMetrics')).metrics.map((m) => [m.name, m.value]));
const plain = async (i) => { document.querySelector('h1').textContent = `Donor ${i}`; await new Promise((p) => requestAnimationFrame(() => setTimeout(p))); };
const type = async (i) => { const field = document.querySelector('[id="q-donor.half.left-0"]'); const d = document.querySelector('ix-view .dimension text'); const before = d.textContent; field.value = String(780.3 + i / 2); field.dispatchEvent(new Event('input', { bubbles: true })); do await new Promise((p) => requestAnimationFrame(() => setTimeout(p))); while (d.textContent === before); };
const med = (a) => a.sort((x, y) => x - y)[a.length >> 1];
for (const [name, f] of [['plain', plain], ['type', type]]) {
  const rows = [];
  for (let i = 0; i < 60; i++) { const a = await get(); await page.evaluate(f, i); const b = await get(); rows.push(Object.fromEntries(['TaskDuration', 'ScriptDuration', 'LayoutDuration', 'RecalcStyleDuration'].map((k) => [k, 1000 * (b[k] - a[k])]))); }
  console.log(name, ...['TaskDuration', 'ScriptDuration', 'LayoutDuration', 'RecalcStyleDuration'].map((k) => k + ' ' + med(rows.map((r) => r[k])).toFixed(2)), 'nodes', (await get()).Nodes);
}
if (process.argv[2]) {
  await s.send('Profiler.enable'); await s.send('Profiler.setSamplingInterval', { interval: 200 }); await s.send('Profiler.start');
  for (let i = 0; i < 80; i++) await page.evaluate(type, i + 100);
  const { profile } = await s.send('Profiler.stop'); (await import('node:fs')).writeFileSync('/tmp/perf/page.cpuprofile.json', JSON.stringify(profile));
}
await browser.close();
