import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';
import { figureOf, type BenchFigure } from './figure';

const PAGES = 50;
const WATCH_MS = 10_000;
/** Clock ticks a second as Linux counts a process's time. */
const TICKS = 100;

/** Processor time a process has used, s. */
function used(pid: number): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.split(' ') ?? [];
  return (Number(fields[11]) + Number(fields[12])) / TICKS;
}

/** The server that a start command runs: its child that is a Node.js program. */
function serverOf(starter: number): number {
  const children = readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((name) => {
      try {
        return readFileSync(`/proc/${name}/stat`, 'utf8').split(') ')[1]?.split(' ')[1] === String(starter);
      } catch {
        return false;
      }
    });
  const server = children.find((pid) =>
    readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('server/dist/main.js'),
  );
  if (!server) throw new Error('The server is not found.');
  return Number(server);
}

/** Share of a core the server uses for open pages that do nothing. */
export async function idling(base: string, starter: number): Promise<BenchFigure> {
  const [project] = (await (await fetch(`${base}api/projects`)).json()) as { variants: { id: string }[] }[];
  const variant = project?.variants[0]?.id ?? '';
  const pid = serverOf(starter);
  const share = async () => {
    const before = used(pid);
    await sleep(WATCH_MS);
    return (100 * (used(pid) - before)) / (WATCH_MS / 1000);
  };
  const alone = await share();
  const stop = new AbortController();
  const streams = await Promise.all(
    Array.from({ length: PAGES }, () => {
      const listens = JSON.stringify([{ to: randomUUID(), variant }]);
      return fetch(`${base}api/live?listens=${encodeURIComponent(listens)}`, { signal: stop.signal });
    }),
  );
  if (streams.some((s) => s.status !== 200)) throw new Error('A page could not connect.');
  await sleep(2000);
  const open = await share();
  stop.abort();
  return figureOf({
    name: `server with ${PAGES} idle pages connected, share of a core`,
    value: open,
    unit: '%',
    target: 10,
    yardstick: { name: 'the same server with none', value: alone, unit: '%' },
  });
}
