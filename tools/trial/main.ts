import { mkdtempSync, rmSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from '../lib/application.mjs';
import { longestHold } from './holds';
import { judged, type Findings, type Found } from './judge';
import { fullDisk, kills, twoStarts } from './kills';
import { edits, garbage, hangUps, pages, payments, sheets, type Shop } from './load';
import { Others } from './others';
import { ask } from './world';

const PORT = 4450;

/** How much of each is tried. */
interface Extent {
  readonly kills: number;
  readonly streams: number;
  readonly requests: number;
  readonly edits: number;
  readonly seconds: number;
  /** How much of what a shop has after years stands there when one request is looked at. */
  readonly years: number;
}
export const LONG: Extent = { kills: 1000, streams: 1000, requests: 20_000, edits: 400, seconds: 20, years: 1 };
export const SHORT: Extent = { kills: 3, streams: 120, requests: 600, edits: 40, seconds: 3, years: 0.02 };

type Trials = Readonly<Record<string, () => Promise<Findings>>>;

/** Tries one after the other; one that ends with an error says so, and the next is tried. */
async function each(trials: Trials, only: readonly string[]): Promise<Found> {
  const found: Record<string, Findings> = {};
  for (const [name, tries] of Object.entries(trials)) {
    if (only.length > 0 && !only.includes(name)) {
      found[name] = { skipped: 'was left out' };
      continue;
    }
    process.stderr.write(`${name} …\n`);
    try {
      found[name] = await tries();
    } catch (error) {
      found[name] = { error: error instanceof Error ? error.message : String(error) };
    }
  }
  return found;
}

/** Whoever else is in the shop reads what pages read. */
async function othersOf(base: string): Promise<Others> {
  const [project] = JSON.parse((await ask(`${base}api/projects`)).text) as { variants: { id: string }[] }[];
  const id = project?.variants[0]?.id ?? '';
  return Others.at([`${base}api/projects`, `${base}api/variants/${id}`, `${base}api/health`]);
}

/**
 * Tries what a workshop may do to the application, and tells what was found.
 *
 * @param only names of trials; none for all of them
 */
export async function trial(extent: Extent, only: readonly string[] = []): Promise<Found> {
  const data = mkdtempSync(join(tmpdir(), 'intervex-trial-'));
  try {
    const application = await startApplication({ port: PORT, data });
    const base = `http://127.0.0.1:${PORT}/`;
    const others = await othersOf(base);
    const shop: Shop = { base, port: PORT, others };
    try {
      const amid = await each(
        {
          sheets: () => sheets(shop, extent.seconds),
          hangUps: () => hangUps(shop, extent.seconds),
          pages: () => pages(shop, extent.streams),
          garbage: () => garbage(shop, extent.requests),
          payments: () => payments(shop),
          edits: () => edits(shop, extent.edits),
        },
        only,
      );
      others.end();
      const alone = await each(
        {
          holds: () => longestHold(base, extent.years),
          kills: () => kills(base, PORT, data, extent.kills),
          twoStarts: () => twoStarts(PORT + 10),
          fullDisk: () => fullDisk(PORT + 20),
        },
        only,
      );
      return { ...amid, ...alone };
    } finally {
      others.end();
      await application.stop();
    }
  } finally {
    rmSync(data, { recursive: true, force: true });
  }
}

/** Nothing was wrong; something was; nothing was, as far as it could be tried. */
const ENDS = { well: 0, wrong: 1, untried: 3 } as const;

if (process.argv[1]?.endsWith('trial/main.ts')) {
  const names = process.argv.slice(2).filter((arg) => !arg.startsWith('--'));
  const short = process.argv.includes('--short');
  const found = await trial(short ? SHORT : LONG, names);
  const { wrong, untried } = judged(found, !short);
  const machine = { node: process.version, cores: cpus().length };
  process.stdout.write(`${JSON.stringify({ machine, found, wrong, untried }, null, 2)}\n`);
  process.exitCode = wrong.length ? ENDS.wrong : untried.length ? ENDS.untried : ENDS.well;
}
