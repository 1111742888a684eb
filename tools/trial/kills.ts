import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, statfsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { startApplication } from '../lib/application.mjs';
import { ROOT } from '../lib/paths.mjs';
import type { Findings } from './judge';
import { healthy, serverOf, until, Writer } from './world';

/** The database's process of a data folder; none while it is starting anew. */
function databaseOf(data: string): number | undefined {
  try {
    return Number(readFileSync(join(data, 'pg/postmaster.pid'), 'utf8').split('\n')[0]) || undefined;
  } catch {
    return undefined;
  }
}

/** Ends processes at once, whichever of them there are. */
function killAll(pids: readonly (number | undefined)[]): void {
  for (const pid of pids) {
    if (pid === undefined) continue;
    try {
      process.kill(pid, 'SIGKILL');
    } catch {
      // It has ended by itself meanwhile.
    }
  }
}

/** Kills the server, the database, and both together, in turn, in the middle of saves. */
export async function kills(base: string, port: number, data: string, rounds: number): Promise<Findings> {
  const began = performance.now();
  const writers = await Promise.all([1, 2, 3, 4].map((n) => Writer.begin(base, `Killed ${n}`)));
  let lost = 0;
  let longest = 0;
  for (let round = 0; round < rounds; round += 1) {
    let writing = true;
    const work = writers.map(async (writer) => {
      while (writing) if ((await writer.save()) === 0) await sleep(20);
    });
    await sleep(300 + ((round * 137) % 500));
    const [server, database] = [serverOf(port), databaseOf(data)];
    killAll([round % 3 === 1 ? undefined : server, round % 3 === 0 ? undefined : database]);
    const killed = performance.now();
    writing = false;
    await Promise.all(work);
    await until('the application to come back', () => healthy(base), 120_000);
    longest = Math.max(longest, performance.now() - killed);
    for (const writer of writers) if (await writer.lost()) lost += 1;
  }
  const acknowledged = writers.reduce((sum, w) => sum + w.acknowledged, 0);
  const seconds = Math.round((performance.now() - began) / 1000);
  return { rounds, acknowledged, lost, longestAwayMs: Math.round(longest), seconds };
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
  await until('one of two starts', async () => ended.length === 1 && (await ready()), 300_000);
  const addresses = [port, port + 50].map((at) => `http://127.0.0.1:${at}/`);
  const running = (await Promise.all(addresses.map(healthy))).filter(Boolean).length;
  const polite = ended[0]?.includes('Nothing was started') ? 1 : 0;
  for (const child of children) if (child.exitCode === null) child.kill('SIGINT');
  await until('both to end', () => ended.length === 2);
  rmSync(data, { recursive: true, force: true });
  return { running, endedPolitely: polite };
}

/** Fills the disk under a running application, where a small one may be mounted, and kills it there. */
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
    try {
      return await full(`http://127.0.0.1:${port}/`, port, place, data);
    } finally {
      await application.stop();
    }
  } finally {
    spawnSync('umount', ['-l', place]);
    rmSync(place, { recursive: true, force: true });
  }
}

/** Fills what is left of a disk. @returns takes it back */
function fill(place: string): () => void {
  const file = join(place, 'fill');
  spawnSync('dd', ['if=/dev/zero', `of=${file}`, 'bs=64k']);
  // The last bytes, too.
  spawnSync('dd', ['if=/dev/zero', `of=${file}`, 'bs=512', 'oflag=append', 'conv=notrunc']);
  return () => {
    rmSync(file);
  };
}

async function full(base: string, port: number, place: string, data: string): Promise<Findings> {
  const writer = await Writer.begin(base, 'Full disk');
  await writer.save();
  const statuses = new Set<number>();
  let filled = 0;
  const fills = () => {
    const free = fill(place);
    if (statfsSync(place).bavail === 0) filled += 1;
    return free;
  };
  // Room that the database had set aside lasts for a while.
  const saves = async () => {
    for (let i = 0; i < 400; i += 1) statuses.add(await writer.save());
  };
  const room = fills();
  await saves();
  room();
  await until('saves to go on', async () => (await writer.save()) === 200);
  let [lost, killsSurvived] = [(await writer.lost()) ? 1 : 0, 0];
  for (const which of ['server', 'database', 'both']) {
    const free = fills();
    await saves();
    killAll([
      which === 'database' ? undefined : serverOf(port),
      which === 'server' ? undefined : databaseOf(data),
    ]);
    // It is tried to bring it back while there is no room.
    await sleep(4000);
    free();
    await until(`the ${which} to come back`, () => healthy(base), 120_000);
    if (await writer.lost()) lost += 1;
    await until('saves to go on', async () => (await writer.save()) === 200);
    if (!(await writer.lost())) killsSurvived += 1;
  }
  return {
    filled,
    statuses: [...statuses].sort().join(' '),
    unexpected: [...statuses].filter((s) => ![0, 200, 503].includes(s)).length,
    killsSurvived,
    lost,
  };
}
