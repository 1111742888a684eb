import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { startApplication } from '../lib/application.mjs';
import { ROOT } from '../lib/paths.mjs';
import { badRequests } from './bad-requests';
import { ask, healthy, memoryOf, serverOf, until, Writer } from './world';

/** What a trial found, by name. */
export type Findings = Readonly<Record<string, number | string>>;

/** Kills the server, and the database, in the middle of saves. */
export async function kills(base: string, port: number, data: string, rounds: number): Promise<Findings> {
  const writers = await Promise.all([1, 2, 3, 4].map((n) => Writer.begin(base, `Killed ${n}`)));
  let lost = 0;
  let longest = 0;
  for (let round = 0; round < rounds; round += 1) {
    let writing = true;
    const work = writers.map(async (writer) => {
      while (writing) if ((await writer.save()) === 0) await sleep(20);
    });
    await sleep(300 + ((round * 137) % 500));
    const pid =
      round % 2 === 0
        ? serverOf(port)
        : Number(readFileSync(join(data, 'pg/postmaster.pid'), 'utf8').split('\n')[0]);
    if (pid) process.kill(pid, 'SIGKILL');
    const began = performance.now();
    writing = false;
    await Promise.all(work);
    await until('the application to come back', () => healthy(base));
    longest = Math.max(longest, performance.now() - began);
    for (const writer of writers) if (await writer.lost()) lost += 1;
  }
  const acknowledged = writers.reduce((sum, w) => sum + w.acknowledged, 0);
  return { rounds, acknowledged, lost, longestAwayMs: Math.round(longest) };
}

/** Starts twice at once on one folder: one runs, the other says so and ends. */
export async function twoStarts(port: number): Promise<Findings> {
  const data = mkdtempSync(join(tmpdir(), 'intervex-trial-two-'));
  const ended: string[] = [];
  const children = [port, port + 50].map((at) => {
    const env = { ...process.env, DATABASE_URL: '', PORT: String(at), INTERVEX_DATA_DIR: data };
    const child = spawn(process.execPath, [join(ROOT, 'tools/start.mjs')], { env });
    let said = '';
    child.stdout.on('data', (part: Buffer) => (said += part.toString()));
    child.once('close', () => ended.push(said));
    return child;
  });
  const ready = async () =>
    (await healthy(`http://127.0.0.1:${port}/`)) || (await healthy(`http://127.0.0.1:${port + 50}/`));
  await until('one of two starts', async () => ended.length === 1 && (await ready()), 120_000);
  const polite = ended[0]?.includes('Nothing was started') ? 1 : 0;
  for (const child of children) if (child.exitCode === null) child.kill('SIGINT');
  await until('both to end', () => ended.length === 2);
  rmSync(data, { recursive: true, force: true });
  return { running: 1, endedPolitely: polite };
}

/** Fills the disk under a running application, where a small one may be mounted. */
export async function fullDisk(port: number): Promise<Findings> {
  const place = mkdtempSync(join(tmpdir(), 'intervex-trial-disk-'));
  if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=180m,mode=755', 'tmpfs', place]).status !== 0) {
    rmSync(place, { recursive: true, force: true });
    return { skipped: 'no disk may be mounted here' };
  }
  try {
    const data = join(place, 'data');
    mkdirSync(data);
    const application = await startApplication({ port, data });
    const base = `http://127.0.0.1:${port}/`;
    try {
      const writer = await Writer.begin(base, 'Full disk');
      await writer.save();
      const fill = join(place, 'fill');
      spawnSync('dd', ['if=/dev/zero', `of=${fill}`, 'bs=64k']);
      const statuses = new Set<number>();
      // Room that the database had set aside lasts for a while.
      for (let i = 0; i < 400; i += 1) statuses.add(await writer.save());
      rmSync(fill);
      await until('saves to go on', async () => (await writer.save()) === 200);
      return {
        statuses: [...statuses].sort().join(' '),
        unexpected: [...statuses].filter((s) => ![0, 200, 503].includes(s)).length,
        lost: (await writer.lost()) ? 1 : 0,
      };
    } finally {
      await application.stop();
    }
  } finally {
    spawnSync('umount', ['-l', place]);
    rmSync(place, { recursive: true, force: true });
  }
}

/** Asks again and again while something goes on; the longest wait, and what was not answered well. */
async function meanwhile(addresses: readonly string[], work: () => Promise<unknown>): Promise<Findings> {
  let going = true;
  const waits: number[] = [];
  let refused = 0;
  const asking = (async () => {
    for (let i = 0; going; i += 1) {
      const { status, ms } = await ask(addresses[i % addresses.length] ?? '');
      waits.push(ms);
      if (status !== 200) refused += 1;
      await sleep(5);
    }
  })();
  await work();
  going = false;
  await asking;
  waits.sort((a, b) => a - b);
  return {
    asked: waits.length,
    longestWaitMs: Math.round(waits.at(-1) ?? 0),
    p95Ms: Math.round(waits[Math.floor(waits.length * 0.95)] ?? 0),
    refused,
  };
}

/** Many pages open one plan, and all leave at once. */
export async function flood(base: string, port: number, streams: number): Promise<Findings> {
  const made = await ask(`${base}api/projects`, {
    method: 'POST',
    body: JSON.stringify({ name: 'Flooded', variant: 'A', who: 'trial' }),
  });
  const { id } = JSON.parse(made.text) as { id: string };
  const pid = serverOf(port) ?? 0;
  const before = memoryOf(pid);
  const others = [`${base}api/projects`, `${base}api/variants/${id}`];
  // In a process of their own, so that who asks does not wait for them; killed, all leave at once.
  const pages = [join(ROOT, 'tools/trial/pages.mjs'), `${base}api/live`, id, String(streams)];
  const holder = spawn(process.execPath, pages, { stdio: ['ignore', 'pipe', 'inherit'] });
  const coming = await meanwhile(others, async () => {
    await new Promise((open) => holder.stdout.once('data', open));
    await sleep(500);
  });
  const open_ = memoryOf(pid);
  const leaving = await meanwhile(others, async () => {
    holder.kill('SIGKILL');
    await sleep(3000);
  });
  return {
    streams,
    longestWaitComingMs: Number(coming['longestWaitMs']),
    longestWaitLeavingMs: Number(leaving['longestWaitMs']),
    refused: Number(coming['refused']) + Number(leaving['refused']),
    memoryBeforeMb: before,
    memoryOpenMb: open_,
    memoryAfterMb: memoryOf(pid),
  };
}

/** Four read sheets and drawings without a pause; others ask meanwhile. */
export async function readers(base: string, seconds: number): Promise<Findings> {
  const [project] = JSON.parse((await ask(`${base}api/projects`)).text) as { variants: { id: string }[] }[];
  const id = project?.variants[0]?.id ?? '';
  const sheets = ['cut-sheet.pdf', 'survey-sheet.pdf?filled=true', 'wall-sheet.pdf', 'cut-sheet.csv'];
  let read = 0;
  const circles = Array.from(
    { length: 2000 },
    (_, i) => `0\nCIRCLE\n8\n0\n10\n${(i * 79) % 300}\n20\n${(i * 104_729) % 300}\n40\n${2 + (i % 9)}\n`,
  );
  const drawing = `0\nSECTION\n2\nENTITIES\n${circles.join('')}0\nENDSEC\n0\nEOF\n`;
  const others = [`${base}api/projects`, `${base}api/variants/${id}`, `${base}api/health`];
  const found = await meanwhile(others, async () => {
    const end = Date.now() + seconds * 1000;
    await Promise.all(
      sheets.map(async (sheet) => {
        while (Date.now() < end) {
          if ((await ask(`${base}api/variants/${id}/${sheet}`)).status === 200) read += 1;
          await ask(`${base}api/drawings?units=mm`, {
            method: 'POST',
            body: drawing,
            headers: { 'content-type': 'application/dxf' },
          });
        }
      }),
    );
  });
  return { sheetsRead: read, ...found };
}

/** Sends what no page sends; every answer says what is wrong, and nothing is written. */
export async function garbage(base: string, count: number): Promise<Findings> {
  const [project] = JSON.parse((await ask(`${base}api/projects`)).text) as {
    variants: { id: string; revision: number }[];
  }[];
  const variant = project?.variants[0];
  const id = variant?.id ?? '';
  let sent = 0;
  let failed = 0;
  let bad = '';
  for (const { path, ...init } of badRequests(id, count)) {
    sent += 1;
    const { status } = await ask(`${base}${path}`, init);
    if (status !== 0 && status < 500) continue;
    failed += 1;
    bad ||= `${init.method ?? 'GET'} ${path.slice(0, 120)} ${status}`;
  }
  const after = JSON.parse((await ask(`${base}api/variants/${id}`)).text) as { revision: number };
  return {
    sent,
    failed,
    ...(bad ? { firstFailed: bad } : {}),
    written: after.revision - (variant?.revision ?? 0),
  };
}
