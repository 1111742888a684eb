import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { request } from 'node:http';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { ROOT } from '../lib/paths.mjs';
import { badRequests } from './bad-requests';
import type { Findings } from './judge';
import type { Others } from './others';
import { ask, memoryOf, serverOf, Writer } from './world';

/** The application that is tried, and somebody else who reads there. */
export interface Shop {
  readonly base: string;
  readonly port: number;
  readonly others: Others;
}

const hundredth = (value: number): number => Math.round(value * 100) / 100;

/** Does something while others read; how long they wait, against the time before and after it. */
async function amid({ others }: Shop, work: () => Promise<unknown>): Promise<Findings> {
  const before = await others.quiet();
  const during = await others.during(work);
  const after = await others.quiet();
  const idle = Math.max(before.medianMs, after.medianMs);
  return {
    othersAsked: during.asked,
    othersIdleMs: idle,
    othersMedianMs: during.medianMs,
    othersP95Ms: during.p95Ms,
    othersLongestMs: during.longestMs,
    othersTimesIdle: hundredth(during.medianMs / idle),
    othersRefused: during.refused,
  };
}

const post = (address: string, body: unknown) => ask(address, { method: 'POST', body: JSON.stringify(body) });

const example = (name: string): unknown =>
  JSON.parse(readFileSync(join(ROOT, `examples/${name}.json`), 'utf8'));

interface Made {
  readonly id: string;
  readonly projectId: string;
}

const begun = async ({ base }: Shop): Promise<Made> =>
  JSON.parse((await post(`${base}api/plan-files?who=trial`, example('tern'))).text) as Made;

/** A sheet in every unit on every paper. */
const SHEETS = ['mm', 'in', 'frac', 'frac32', 'frac64'].flatMap((units) =>
  ['a4', 'letter'].flatMap((paper) => [
    `cut-sheet.pdf?units=${units}&paper=${paper}`,
    `survey-sheet.pdf?units=${units}&paper=${paper}&filled=true`,
    `wall-sheet.pdf?units=${units}&paper=${paper}`,
    `cut-sheet.csv?units=${units}`,
  ]),
);

/** Writes one reading, so that no sheet that was made is true any more. */
const changed = ({ base }: Shop, id: string, n: number) =>
  ask(`${base}api/variants/${id}/readings.csv?who=trial`, {
    method: 'POST',
    body: `id,value,unit,instrument\ncut.kerf,${2 + (n % 50) / 50},mm,caliper\n`,
    headers: { 'content-type': 'text/csv' },
  });

/** One reads sheets and drawings without a pause, each of them new. */
export async function sheets(shop: Shop, seconds: number): Promise<Findings> {
  const { id } = await begun(shop);
  let [read, failed] = [0, 0];
  const circles = Array.from(
    { length: 2000 },
    (_, i) => `0\nCIRCLE\n8\n0\n10\n${(i * 79) % 300}\n20\n${(i * 104_729) % 300}\n40\n${2 + (i % 9)}\n`,
  );
  const drawing = `0\nSECTION\n2\nENTITIES\n${circles.join('')}0\nENDSEC\n0\nEOF\n`;
  const waits = await amid(shop, async () => {
    const end = Date.now() + seconds * 1000;
    for (let i = 0; Date.now() < end; i += 1) {
      const sheet = SHEETS[i % SHEETS.length] ?? '';
      if (i % SHEETS.length === 0) await changed(shop, id, i / SHEETS.length);
      const { status } = await ask(`${shop.base}api/variants/${id}/${sheet}`);
      if (status === 200) read += 1;
      else failed += 1;
      if (i % 10 === 0)
        await ask(`${shop.base}api/drawings?units=mm`, {
          method: 'POST',
          body: drawing,
          headers: { 'content-type': 'application/dxf' },
        });
    }
  });
  return { read, failed, ...waits };
}

/** One asks for sheets and hangs up, 11 times a second, while another wants one. */
export async function hangUps(shop: Shop, seconds: number): Promise<Findings> {
  const { id } = await begun(shop);
  let [came, failed, hung] = [0, 0, 0];
  const waits = await amid(shop, async () => {
    const end = Date.now() + seconds * 1000;
    const hanging = (async () => {
      for (; Date.now() < end; hung += 1) {
        const asked = request(`${shop.base}api/variants/${id}/${SHEETS[hung % SHEETS.length] ?? ''}`);
        asked.on('error', () => undefined);
        asked.end();
        await sleep(90);
        asked.destroy();
      }
    })();
    for (let i = 0; Date.now() < end; i += 1) {
      await changed(shop, id, i);
      const { status } = await ask(`${shop.base}api/variants/${id}/cut-sheet.pdf`);
      if (status === 200) came += 1;
      else failed += 1;
    }
    await hanging;
  });
  return { came, failed, hung, ...waits };
}

/** Many pages open one plan, and all leave at once. */
export async function pages(shop: Shop, streams: number): Promise<Findings> {
  const { id } = await begun(shop);
  const pid = serverOf(shop.port) ?? 0;
  const before = memoryOf(pid);
  let open = before;
  const args = [join(ROOT, 'tools/trial/pages.mjs'), `${shop.base}api/live`, id, String(streams)];
  const waits = await amid(shop, async () => {
    // In a process of their own, so that who asks does not wait for them; killed, all leave at once.
    const holder = spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'inherit'] });
    await new Promise((all) => holder.stdout.once('data', all));
    await sleep(500);
    open = memoryOf(pid);
    holder.kill('SIGKILL');
    await sleep(3000);
  });
  return {
    streams,
    memoryEachKb: Math.round(((open - before) * 1024) / streams),
    memoryLeftMb: memoryOf(pid) - before,
    ...waits,
  };
}

/** Sends what no page sends; every answer says what is wrong, and nothing is written. */
export async function garbage(shop: Shop, count: number): Promise<Findings> {
  const { base } = shop;
  const { id } = await begun(shop);
  const revision = async () =>
    (JSON.parse((await ask(`${base}api/variants/${id}`)).text) as { revision: number }).revision;
  const stood = await revision();
  let [sent, failed, bad] = [0, 0, ''];
  const waits = await amid(shop, async () => {
    for (const { path, ...init } of badRequests(id, count)) {
      sent += 1;
      const { status } = await ask(`${base}${path}`, init);
      if (status !== 0 && status < 500) continue;
      failed += 1;
      bad ||= `${init.method ?? 'GET'} ${path.slice(0, 120)} ${status}`;
    }
  });
  return { sent, failed, ...(bad ? { firstFailed: bad } : {}), written: (await revision()) - stood, ...waits };
}

/** Twenty quotes of the same shafts are paid at once: one order is made. */
export async function payments(shop: Shop): Promise<Findings> {
  const { base } = shop;
  const { id, projectId } = await begun(shop);
  let failed = 0;
  const waits = await amid(shop, async () => {
    const quotes: string[] = [];
    for (let i = 0; i < 20; i += 1) {
      const { status, text } = await post(`${base}api/variants/${id}/orders`, { who: 'trial' });
      if (status === 201) quotes.push((JSON.parse(text) as Made).id);
      else failed += 1;
    }
    const paid = await Promise.all(
      quotes.map((quote) => post(`${base}api/orders/${quote}/pay`, { who: 'trial' })),
    );
    failed += paid.filter(({ status }) => status !== 200 && status !== 400).length;
  });
  const list = JSON.parse((await ask(`${base}api/projects/${projectId}/orders`)).text) as { state: string }[];
  return { paid: list.filter(({ state }) => state !== 'quoted').length, failed, ...waits };
}

/** One saves without a pause. */
export async function edits(shop: Shop, count: number): Promise<Findings> {
  const writer = await Writer.begin(shop.base, 'Edited');
  const pid = serverOf(shop.port) ?? 0;
  await writer.save();
  const before = memoryOf(pid);
  const waits = await amid(shop, async () => {
    for (let i = 0; i < count; i += 1) await writer.save();
  });
  return {
    edits: count,
    lost: (await writer.lost()) ? 1 : 0,
    memoryLeftMb: memoryOf(pid) - before,
    ...waits,
  };
}
