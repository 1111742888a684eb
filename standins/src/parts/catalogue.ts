import { seeded, type Part } from './part';

const SHAFTS = 'Withy Shaftworks';
const BRAKES = 'Osier Brake Supply';
const SALVAGE = 'Millrace Salvage';

/** Bore, outside diameter and width of metric deep-groove rows, and of inch sizes that axles use. */
const RINGS: readonly (readonly [bore: number, outside: number, width: number])[] = [
  [25, 52, 15],
  [25, 62, 17],
  [28, 58, 16],
  [30, 62, 16],
  [30, 72, 19],
  [32, 65, 17],
  [35, 62, 14],
  [35, 72, 17],
  [35, 80, 21],
  [38.1, 80, 18],
  [38.1, 79.375, 19.05],
  [34.925, 73.025, 23.8],
  [39.688, 73.431, 19.8],
  [40, 68, 15],
  [40, 80, 18],
  [40, 90, 23],
  [45, 75, 16],
  [45, 85, 19],
  [45, 100, 25],
  [50, 80, 16],
  [50, 90, 20],
  [50, 110, 27],
  [55, 100, 21],
  [60, 110, 22],
];

const SEALINGS = ['open', 'shielded', 'sealed', 'sealed, with collar'] as const;

function bearings(random: () => number): Part[] {
  return RINGS.flatMap(([bore, outside, width], i) =>
    SEALINGS.map((sealing, k) => ({
      number: `WB-${String(100 + i)}${'ABCD'[k] ?? ''}`,
      name: `Bearing ${bore} × ${outside} × ${width}, ${sealing}`,
      kind: 'bearing' as const,
      seller: SHAFTS,
      price: Math.round(9 + width * 0.9 + k * 4 + random() * 8),
      stock: random() < 0.25 ? 0 : Math.ceil(random() * 9),
      leadDays: 1 + Math.floor(random() * 9),
      size: { bore, outside, width },
    })),
  );
}

function seals(random: () => number): Part[] {
  return RINGS.flatMap(([bore, outside], i) =>
    [8, 10, 12].map((width, k) => ({
      number: `WS-${String(100 + i)}${'ABC'[k] ?? ''}`,
      name: `Shaft seal ${bore} × ${outside} × ${width}`,
      kind: 'seal' as const,
      seller: SHAFTS,
      price: Math.round(5 + random() * 9),
      stock: random() < 0.15 ? 0 : Math.ceil(random() * 12),
      leadDays: 1 + Math.floor(random() * 6),
      size: { bore, outside, width },
    })),
  );
}

/** How many stock shafts lie on the shelf. */
export const SHAFT_COUNT = 5000;
const TEETH = [26, 28, 30, 31, 33, 35] as const;
const JOURNALS = [30, 35, 38.1, 40] as const;

const PATTERNS = [
  [4, 100],
  [4, 108],
  [5, 108],
  [5, 114.3],
  [5, 120],
  [5, 120.65],
  [6, 139.7],
] as const;

const pick = <T>(list: readonly T[], share: number): T => list[Math.floor(share * list.length)] as T;

/** What holds a stock shaft: 1 a clip, 2 a bolted retainer, 3 a full-float hub. */
const HELD = [1, 1, 2, 2, 2, 3] as const;

/** Bearings that go with each journal: outside and width. */
const BEARINGS: Readonly<Record<number, readonly (readonly [outside: number, width: number])[]>> = {
  30: [[62, 16]],
  35: [
    [72, 17],
    [72, 17],
    [80, 21],
  ],
  38.1: [[80, 18]],
  40: [
    [80, 18],
    [90, 23],
  ],
};

/** The usual van axle: clips, bearings 35 × 72 × 17, seals on the same journal. */
const END_OF_CARTER = { retention: 1, bearingOut: 72, bearingWide: 17, seal: 35, hole: 13.9 };

/** Two that lie on the shelf for the usual van axle, narrowed to a saloon’s width. */
const SHELVED: readonly Part[] = [684.5, 683.5].map((length, i) => ({
  number: `WF-${String(10_000 + i)}`,
  name: `Shaft ${length} mm, 31 teeth, 5 × 108`,
  kind: 'shaft' as const,
  seller: SHAFTS,
  price: 188 + 6 * i,
  stock: 3 - i,
  leadDays: 3,
  size: { length, teeth: 31, pitch: 24, journal: 35, holes: 5, pcd: 108, spline: 46, ...END_OF_CARTER },
}));

/** Retention, bearing, seal journal and stud hole of a stock shaft. */
function endOf(journal: number, random: () => number): Part['size'] {
  const [bearingOut, bearingWide] = pick(BEARINGS[journal] ?? [[72, 17]], random());
  return {
    retention: pick(HELD, random()),
    bearingOut,
    bearingWide,
    seal: random() < 0.8 ? journal : journal + 3,
    hole: pick([12.8, 13.9, 14.3], random()),
  };
}

function shafts(random: () => number): Part[] {
  // Drawn apart, so that what else is on the counter does not change with it.
  const ends = seeded(20_262);
  const made = Array.from({ length: SHAFT_COUNT }, (_, i) => {
    const teeth = pick(TEETH, random());
    const [holes, pcd] = pick(PATTERNS, random());
    const length = Math.round((430 + random() * 480) * 2) / 2;
    const part = {
      number: `WF-${String(10_000 + i)}`,
      name: `Shaft ${length} mm, ${teeth} teeth, ${holes} × ${pcd}`,
      kind: 'shaft' as const,
      seller: random() < 0.7 ? SHAFTS : SALVAGE,
      price: Math.round(90 + teeth * 4 + random() * 180),
      stock: random() < 0.3 ? 0 : Math.ceil(random() * 4),
      leadDays: 1 + Math.floor(random() * 28),
      size: {
        length,
        teeth,
        pitch: 24,
        journal: pick(JOURNALS, random()),
        holes,
        pcd,
        spline: 38 + Math.floor(random() * 40),
      },
    };
    return { ...part, size: { ...part.size, ...endOf(part.size.journal, ends) } };
  });
  return [...SHELVED, ...made.slice(SHELVED.length)];
}

function studs(random: () => number): Part[] {
  const threads = [
    [12, 1.25],
    [12, 1.5],
    [14, 1.5],
    [12.7, 1.27],
  ] as const;
  return threads.flatMap(([diameter, pitch], i) =>
    [38, 45, 52, 60].map((length, k) => ({
      number: `WN-${String(200 + i * 10 + k)}`,
      name: `Wheel stud ${diameter} × ${pitch}, ${length} mm`,
      kind: 'stud' as const,
      seller: SHAFTS,
      price: Math.round(3 + random() * 5),
      stock: Math.ceil(random() * 80),
      leadDays: 1 + Math.floor(random() * 4),
      size: { diameter, pitch, length, knurl: diameter + 0.3 + k * 0.15 },
    })),
  );
}

function brakeKits(random: () => number): Part[] {
  return [256, 280, 298, 310].flatMap((rotor, i) =>
    [48.2, 53.5, 60.1, 76].map((space, k) => ({
      number: `OB-${String(300 + i * 10 + k)}`,
      name: `Disc kit ${rotor} mm, brake space ${space} mm`,
      kind: 'brakeKit' as const,
      seller: BRAKES,
      price: Math.round(310 + rotor * 0.9 + random() * 70),
      stock: random() < 0.3 ? 0 : 1 + Math.floor(random() * 3),
      leadDays: 3 + Math.floor(random() * 18),
      size: {
        rotor,
        thick: 10 + 2 * i,
        brakeSpace: space,
        endWide: i < 2 ? 88.9 : 80 + i * 8.9,
        endHigh: 50.8,
        bore: k === 3 ? 72.6 : 72 + k * 4,
        pad: 38 + 4 * i,
        reach: rotor / 2 + 17 + 3 * i,
      },
    })),
  );
}

/** Plain steel and light wheels as they are made for several cars. */
function wheels(random: () => number): Part[] {
  return [13, 14, 15].flatMap((rim, i) =>
    [5, 5.5, 6, 7].flatMap((width, j) =>
      [4, 12, 20, 25, 30, 38].map((et, k) => ({
        number: `OW-${String(400 + i * 100 + j * 10 + k)}`,
        name: `Wheel ${width} × ${rim}, ET ${et}, 5 × 108`,
        kind: 'wheel' as const,
        seller: k % 2 === 0 ? BRAKES : SALVAGE,
        price: Math.round(38 + rim * 2 + width * 6 + random() * 40),
        stock: random() < 0.2 ? 0 : Math.ceil(random() * 8),
        leadDays: 2 + Math.floor(random() * 12),
        size: { rim, width, et, holes: 5, pcd: 108, bore: 63.4 },
      })),
    ),
  );
}

/** Axles on the yard, as their seller describes them: every number is only that. */
function donors(): Part[] {
  const one = (number: string, name: string, price: number, days: number, size: Part['size']): Part => ({
    number,
    name,
    kind: 'salvage',
    seller: SALVAGE,
    price,
    stock: 1,
    leadDays: days,
    size,
  });
  return [
    one('MS-41', 'Marrow Carter van axle, integral carrier', 240, 2, {
      width: 1534,
      ratio: 3.91,
      teeth: 31,
      holes: 5,
      pcd: 108,
    }),
    one('MS-57', 'Brindle Stag axle, drop-out carrier', 390, 6, {
      width: 1498,
      ratio: 3.7,
      teeth: 28,
      holes: 5,
      pcd: 114.3,
    }),
    one('MS-63', 'Orrin Packhorse axle, “limited slip”', 310, 3, {
      width: 1466,
      ratio: 4.1,
      teeth: 28,
      holes: 5,
      pcd: 120,
    }),
    one('MS-70', 'Calder Hauler axle, heavy', 280, 9, {
      width: 1622,
      ratio: 3.55,
      teeth: 31,
      holes: 6,
      pcd: 139.7,
    }),
    one('MS-72', 'Marrow Carter van axle, drums seized', 90, 2, {
      width: 1534,
      ratio: 4.55,
      teeth: 31,
      holes: 5,
      pcd: 108,
    }),
  ];
}

/** Teeth of ring and pinion, ring diameter in mm, and the carrier it sits on: 1 the usual one, 2 that for tall ratios. */
const SETS: readonly (readonly [ring: number, pinion: number, diameter: number, carrier: number])[] = [
  [40, 13, 203.2, 2],
  [39, 11, 203.2, 1],
  [37, 10, 203.2, 1],
  [43, 11, 203.2, 1],
  [41, 10, 203.2, 1],
  [43, 10, 203.2, 1],
  [41, 9, 203.2, 1],
  [40, 13, 223.5, 2],
  [39, 11, 223.5, 1],
  [41, 11, 223.5, 1],
  [41, 10, 223.5, 1],
  [39, 9, 223.5, 1],
  [37, 8, 223.5, 1],
];

/** Gear sets, new and out of an axle. */
function gearSets(random: () => number): Part[] {
  return SETS.flatMap(([ringTeeth, pinionTeeth, ring, carrier], i) =>
    (['new', 'used'] as const).map((state) => ({
      number: `WG-${String(700 + i)}${state === 'new' ? 'N' : 'U'}`,
      name: `Gear set ${ringTeeth}:${pinionTeeth}, ${state}`,
      kind: 'gearSet' as const,
      seller: state === 'new' ? SHAFTS : SALVAGE,
      price: Math.round(state === 'new' ? 260 + random() * 90 : 90 + random() * 70),
      stock: random() < 0.2 ? 0 : Math.ceil(random() * 3),
      leadDays: state === 'new' ? 8 + Math.floor(random() * 20) : 1 + Math.floor(random() * 5),
      size: { ring, ringTeeth, pinionTeeth, carrier, used: state === 'new' ? 0 : 1 },
    })),
  );
}

/** What spring steel is stiff in shear, N/mm². */
const SHEAR = 79_300;
/** Coils that stand at either end and do not work, together. */
const DEAD_COILS = 1.75;
/** Wires that springs of cars are wound of, mm. */
const WIRES = [9, 9.5, 10, 10.5, 11, 11.5, 12, 12.5, 13, 13.5, 14, 14.5, 15, 15.5, 16, 17, 18];

/** Coil springs: rate, free length and inside, wound of the thinnest wire that leaves at least 4.5 working coils. */
function springs(random: () => number): Part[] {
  return [57.2, 61, 63.5, 66, 76.2, 101.6].flatMap((inside, i) =>
    [178, 203, 229, 254, 279, 305, 330, 356].flatMap((free, j) =>
      [14, 17.5, 21, 24.5, 28, 31.5, 35, 42, 49, 61].flatMap((rate, k) => {
        const coils = (wire: number) => (SHEAR * wire ** 4) / (8 * (inside + wire) ** 3 * rate);
        const wire = WIRES.find((d) => coils(d) >= 4.5);
        const solid = wire && Math.round((coils(wire) + DEAD_COILS) * wire * 10) / 10;
        // What would have hardly a way to go is not wound.
        if (!wire || !solid || solid > 0.6 * free) return [];
        return [
          {
            number: `WC-${String(1000 + 100 * i + 10 * j + k)}`,
            name: `Coil spring ${rate} N/mm, ${free} free, ${inside} inside`,
            kind: 'spring' as const,
            seller: SHAFTS,
            price: Math.round(34 + free * 0.08 + wire * 1.5 + random() * 12),
            stock: random() < 0.2 ? 0 : Math.ceil(random() * 6),
            leadDays: 2 + Math.floor(random() * 15),
            size: { rate, free, inside, solid, wire },
          },
        ];
      }),
    ),
  );
}

/** Everything on the counter, the same at every start. */
export function catalogue(): readonly Part[] {
  const random = seeded(20_261);
  return [
    ...bearings(random),
    ...seals(random),
    ...shafts(random),
    ...studs(random),
    ...brakeKits(random),
    ...wheels(random),
    ...donors(),
    ...gearSets(random),
    ...springs(random),
  ];
}
