import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startHarness, type Harness } from '../testing/harness';
import { tilesOf } from './shape-pdf';

const packhorse = readFileSync(join(import.meta.dirname, '../../../examples/tern-packhorse.json'), 'utf8');
let h: Harness;
let id = '';
let folder = '';
beforeAll(async () => {
  h = await startHarness();
  id = (await h.call('POST', '/api/plan-files', packhorse)).json.id;
  folder = mkdtempSync(join(tmpdir(), 'intervex-shape-'));
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await h.close();
});

const run = (program: string, ...args: string[]) => spawnSync(program, args, { encoding: 'utf8' });
const get = (file: string, query = '', variant = id) =>
  fetch(`${h.url}/api/variants/${variant}/shapes/${file}${query}`);

async function saved(file: string, query = '', variant = id): Promise<string> {
  const response = await get(file, query, variant);
  expect(response.status).toBe(200);
  const path = join(folder, file);
  writeFileSync(path, Buffer.from(await response.arrayBuffer()));
  return path;
}

/** A plan with other readings, as a variant of its own. */
async function variantWith(
  readings: Record<string, number>,
  choices: Record<string, string> = {},
): Promise<string> {
  const file = JSON.parse(packhorse) as {
    plan: { readings: Record<string, unknown>; choices: object; keepOuts: object };
  };
  for (const [quantity, value] of Object.entries(readings))
    file.plan.readings[quantity] = {
      repeats: [{ value }],
      instrument: /Holes$/.test(quantity) ? 'count' : 'caliper',
    };
  Object.assign(file.plan.choices, choices);
  file.plan.keepOuts = {};
  return (await h.call('POST', '/api/plan-files', JSON.stringify(file))).json.id;
}

interface ReadEntity {
  readonly type: string;
  readonly layer: string;
  readonly x?: number;
  readonly y?: number;
  readonly r?: number;
  readonly points?: readonly (readonly [number, number])[];
  readonly closed?: boolean;
}

/** The drawing as another program reads it. */
function readBack(file: string): { units: number; errors: number; entities: readonly ReadEntity[] } {
  const script = `
import ezdxf, json, sys
from ezdxf import recover
doc, audit = recover.readfile(sys.argv[1])
out = []
for e in doc.modelspace():
    d = {"type": e.dxftype(), "layer": e.dxf.layer}
    if e.dxftype() == "CIRCLE":
        d.update(x=e.dxf.center.x, y=e.dxf.center.y, r=e.dxf.radius)
    if e.dxftype() == "LWPOLYLINE":
        d.update(points=[(p[0], p[1]) for p in e.get_points()], closed=bool(e.closed))
    out.append(d)
print(json.dumps({"units": doc.header["$INSUNITS"], "errors": len(audit.errors), "entities": out}))
`;
  const { stdout, stderr } = run('/usr/bin/python3', '-c', script, file);
  if (!stdout) throw new Error(stderr);
  return JSON.parse(stdout) as ReturnType<typeof readBack>;
}

describe('jig and flange as drawings', () => {
  it('come back from another reader of DXF with exact holes, in mm', async () => {
    const variant = await variantWith({ 'car.wheelPcd': 108, 'donor.flangePcd': 120, 'jig.drill': 5.2 });
    const { units, errors, entities } = readBack(await saved('jig.dxf', '', variant));
    expect([units, errors]).toEqual([4, 0]);
    const drills = entities.filter((e) => e.type === 'CIRCLE' && e.layer === 'drill');
    expect(drills).toHaveLength(5);
    // By hand: five holes on a radius of 54, the first 36° from the first old hole.
    drills.forEach((hole, k) => {
      const angle = ((36 + 72 * k) * Math.PI) / 180;
      expect(hole.x).toBeCloseTo(54 * Math.cos(angle), 6);
      expect(hole.y).toBeCloseTo(54 * Math.sin(angle), 6);
      expect(hole.r).toBeCloseTo(2.6, 9);
    });
    const outline = entities.find((e) => e.layer === 'outline');
    expect(outline?.r).toBeCloseTo(79.2, 9);
    // The ruler is 100 mm from end to end.
    const ruler = entities.find(
      (e) =>
        e.type === 'LWPOLYLINE' &&
        e.points?.length === 2 &&
        Math.abs((e.points[1]?.[0] ?? 0) - (e.points[0]?.[0] ?? 0)) === 100,
    );
    expect(ruler?.points?.[0]?.[1]).toBe(ruler?.points?.[1]?.[1]);
  });

  it('step round on two studs', async () => {
    const variant = await variantWith({ 'car.wheelPcd': 108, 'donor.flangePcd': 120 }, { jig: 'step' });
    const { entities } = readBack(await saved('jig.dxf', '', variant));
    const studs = entities.filter((e) => e.type === 'CIRCLE' && e.layer === 'locate');
    expect(studs).toHaveLength(2);
    const [a, b] = studs;
    expect(Math.hypot((a?.x ?? 0) - (b?.x ?? 0), (a?.y ?? 0) - (b?.y ?? 0))).toBeCloseTo(
      120 * Math.sin(Math.PI / 5),
      6,
    );
    expect(entities.find((e) => e.layer === 'outline')?.closed).toBe(true);
  });

  it('are SVG at full size, one unit a millimetre', async () => {
    const svg = readFileSync(await saved('flange.svg'), 'utf8');
    expect(svg).toMatch(/width="182\.4mm"/);
    expect(svg).toContain('viewBox="-91.2 -91.2 182.4');
    expect(svg.match(/class="old"/g)).toHaveLength(5);
    expect(svg.match(/class="keep"/g)).toHaveLength(1);
  });

  it('measure true on paper: rim across, ruler, and the drill holes’ circle', async () => {
    const file = await saved('jig.pdf', '?paper=a4');
    const dpi = 254;
    run('pdftoppm', '-r', String(dpi), '-gray', '-singlefile', file, join(folder, 'page'));
    const data = readFileSync(join(folder, 'page.pgm'));
    const header = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(data.subarray(0, 40).toString('latin1'));
    const [width, height] = [Number(header?.[1]), Number(header?.[2])];
    const dark = (x: number, y: number) => (data[(header?.[0].length ?? 0) + y * width + x] ?? 255) < 160;
    const spans = Array.from({ length: height }, (_, y) => {
      let [first, last] = [-1, -1];
      for (let x = 0; x < width; x += 1)
        if (dark(x, y)) {
          if (first < 0) first = x;
          last = x;
        }
      return (last - first) / (dpi / 25.4);
    });
    // The rim of 158.4 is the widest thing between the header and the ruler.
    const body = spans.slice(Math.round(32 * 10), Math.round(255 * 10));
    expect(Math.max(...body)).toBeGreaterThan(158.2);
    expect(Math.max(...body)).toBeLessThan(158.8);
    // The longest unbroken line near the foot is the ruler.
    let longest = 0;
    for (let y = Math.round(270 * 10); y < height; y += 1) {
      let length = 0;
      for (let x = 0; x < width; x += 1) {
        length = dark(x, y) ? length + 1 : 0;
        longest = Math.max(longest, length);
      }
    }
    expect(longest / 10).toBeGreaterThan(99.7);
    expect(longest / 10).toBeLessThan(100.4);
    const { stdout } = run('pdftotext', file, '-');
    expect(stdout).toContain('1 : 1');
    expect(stdout).toContain('mm of metal to an old stud hole');
  });

  it('are tiled where they are larger than the paper', async () => {
    expect([tilesOf(170, 186), tilesOf(200, 186), tilesOf(390, 186)]).toEqual([1, 2, 3]);
    const variant = await variantWith({ 'donor.flangeRim': 246, 'car.wheelPcd': 108 });
    const file = await saved('jig.pdf', '?paper=letter', variant);
    const { stdout } = run('pdftotext', file, '-');
    expect(stdout).toContain('Tile 1 of 4: row 1, column 1');
    expect(stdout).toContain('Tile 4 of 4: row 2, column 2');
    expect(stdout.match(/This ruler is 100 mm/g)).toHaveLength(4);
  });

  it('are not made of what cannot be drilled, and say why', async () => {
    const variant = await variantWith({
      'donor.flangeHoles': 6,
      'donor.flangePcd': 139.7,
      'car.wheelPcd': 120.65,
    });
    const response = await get('jig.dxf', '', variant);
    expect(response.status).toBe(404);
    expect(((await response.json()) as { message: string }).message).toMatch(
      /No jig: The best clocking still runs 2\.30 mm into an old stud hole/,
    );
    expect((await get('jig.step')).status).toBe(400);
    expect((await get('jig.pdf', '?paper=a3')).status).toBe(400);
  });
});

const post = (body: string | Uint8Array, query = '') =>
  h.call('POST', `/api/drawings${query}`, body, { 'content-type': 'application/dxf' });

/** A DXF as a drawing program writes it, made by another one than ours. */
function drawn(lines: string): string {
  const file = join(folder, 'drawn.dxf');
  const { stderr, status } = run(
    '/usr/bin/python3',
    '-c',
    `
import ezdxf, math
doc = ezdxf.new("R2010")
doc.header["$INSUNITS"] = 4
m = doc.modelspace()
${lines}
doc.saveas("${file}")
`,
  );
  if (status !== 0) throw new Error(stderr);
  return readFileSync(file, 'utf8');
}
const FIVE = `
for k in range(5):
    a = math.radians(20 + 72 * k)
    m.add_circle((31.5 + 54.02 * math.cos(a), -12.25 + 54.02 * math.sin(a)), 6.6)
m.add_circle((31.5, -12.25), 71.3)
m.add_circle((31.5, -12.25), 33.05)
`;

describe('a drawing read in', () => {
  it('gives pattern, rim, pilot and other holes', async () => {
    const { status, json } = await post(drawn(`${FIVE}\nm.add_circle((31.5, 32.05), 4.1)`));
    expect(status).toBe(200);
    expect(json.patterns).toHaveLength(1);
    expect(json.patterns[0].pcd).toBeCloseTo(108.04, 6);
    expect(json.patterns[0].hole).toBeCloseTo(13.2, 6);
    expect([json.rim, json.pilot]).toEqual([142.6, 66.1]);
    expect(json.others).toHaveLength(1);
    expect(json.others[0].radius).toBeCloseTo(44.3, 6);
  });

  it('takes inches, and circles written as arcs or polylines', async () => {
    const inch = drawn(`doc.header["$INSUNITS"] = 1
for k in range(6):
    a = math.radians(60 * k)
    m.add_arc((2.75 * math.cos(a), 2.75 * math.sin(a)), 0.26, 0, 180)
    m.add_arc((2.75 * math.cos(a), 2.75 * math.sin(a)), 0.26, 180, 360)
m.add_lwpolyline([(-3.4, 0, 0, 0, 1), (3.4, 0, 0, 0, 1)], close=True)`);
    const { json } = await post(inch);
    expect(json.patterns[0]).toMatchObject({ count: 6 });
    expect(json.patterns[0].pcd).toBeCloseTo(139.7, 6);
    expect(json.rim).toBeCloseTo(172.72, 6);
  });

  it('says what it passed over', async () => {
    const { json } = await post(
      drawn(`${FIVE}
m.add_spline([(0, 0), (10, 5), (20, 0)])
b = doc.blocks.new("HOLE")
b.add_circle((0, 0), 3)
m.add_blockref("HOLE", (10, 10))
m.add_blockref("HOLE", (20, 10))`),
    );
    expect(json.passedOver).toEqual(['1 spline', '2 blocks']);
    expect(json.patterns).toHaveLength(1);
  });

  it.each([
    ['nothing but splines', 'm.add_spline([(0, 0), (100, 50), (200, 0)])', 'no circles; it holds 1 spline'],
    ['metres for millimetres', `doc.header["$INSUNITS"] = 6\n${FIVE}`, 'mm across: its unit is wrong'],
    ['light years', `doc.header["$INSUNITS"] = 19\n${FIVE}`, 'unit is not one for parts'],
    ['no unit', `doc.header["$INSUNITS"] = 0\n${FIVE}`, 'does not say its unit'],
  ])('refuses %s and says so', async (_what, lines, words) => {
    const { status, json } = await post(drawn(lines));
    expect(status).toBe(400);
    expect(json.message).toContain(words);
    expect(json.problems[0].right.length).toBeGreaterThan(3);
  });

  it('takes the unit that is said where the file names none', async () => {
    const { status, json } = await post(drawn(`doc.header["$INSUNITS"] = 0\n${FIVE}`), '?units=mm');
    expect(status).toBe(200);
    expect(json.patterns[0].count).toBe(5);
    expect((await post(drawn(FIVE), '?units=furlong')).status).toBe(400);
  });

  it('refuses what is none, is cut short, or is far too large', async () => {
    expect((await post('hello')).json.message).toBe('This is no DXF drawing.');
    expect((await post('')).status).toBe(400);
    expect((await post(drawn(FIVE).slice(0, 900))).json.message).toMatch(/cut short|no circles/);
    expect((await post(`AutoCAD Binary DXF\r\n${'x'.repeat(40)}`)).json.message).toBe('This is a binary DXF.');
    const { status, json } = await post(Buffer.alloc(50 * 2 ** 20, 'x'));
    expect(status).toBe(413);
    expect(json.message).toContain('at most 5 MB');
  });
});
