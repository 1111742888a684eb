import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication } from './lib/application.mjs';
import { ensurePackages } from './lib/debian-packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { say } from './lib/say.mjs';

// Sheets for suppliers and shapes in full size, made from the demo, into docs/examples.
const PORT = 4399;
const FOLDER = join(ROOT, 'docs/examples');

/** Files by name, and the variant and path each comes from. */
const FILES = [
  ...['shafts', 'brakes', 'hubs', 'driveshaft'].flatMap((sheet) =>
    ['pdf', 'csv', 'json'].map((kind) => ({
      name: `order-${sheet}.${kind}`,
      variant: 'Carter axle, even up',
      path: `order-sheet.${kind}?sheet=${sheet}`,
    })),
  ),
  {
    name: 'bench-card.pdf',
    variant: 'Carter axle, even up',
    path: 'bench-card.pdf?paper=a4&units=mm',
  },
  ...['bracket-sheet', 'weld-order'].map((sheet) => ({
    name: `${sheet}.pdf`,
    variant: 'Carter axle, even up',
    path: `${sheet}.pdf?paper=a4&units=mm`,
  })),
  {
    name: 'links-and-bolts.pdf',
    variant: 'Stag axle, 43:10',
    path: 'links-and-bolts.pdf?paper=letter&units=frac',
  },
  ...['pdf', 'dxf', 'svg'].map((kind) => ({
    name: `wrap-left.${kind}`,
    variant: 'Stag axle, 43:10',
    path: `shapes/wrap-left.${kind}`,
  })),
  ...['pdf', 'dxf', 'svg'].map((kind) => ({
    name: `jig.${kind}`,
    variant: 'Packhorse axle',
    path: `shapes/jig.${kind}`,
  })),
];

ensurePackages(['database']);
const data = mkdtempSync(join(tmpdir(), 'intervex-examples-'));
const application = await startApplication({ port: PORT, data });
try {
  mkdirSync(FOLDER, { recursive: true });
  const base = `http://127.0.0.1:${PORT}/api`;
  const projects = /** @type {{ variants: { id: string, name: string }[] }[]} */ (
    await (await fetch(`${base}/projects`)).json()
  );
  for (const { name, variant, path } of FILES) {
    const found = projects.flatMap((p) => p.variants).find((v) => v.name === variant);
    const response = await fetch(`${base}/variants/${found?.id}/${path}`);
    if (!response.ok) throw new Error(`${name}: ${response.status} ${await response.text()}`);
    writeFileSync(join(FOLDER, name), Buffer.from(await response.arrayBuffer()));
    say(`docs/examples/${name}`);
  }
} finally {
  await application.stop();
  rmSync(data, { recursive: true, force: true });
}
