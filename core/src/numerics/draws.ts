/** How one row of draws lies round its middle: evenly within ± its width, or normally, its standard deviation. */
export interface DrawShape {
  readonly middle: number;
  readonly flat: boolean;
  readonly width: number;
}

/** Layers of equal area under half of the bell, and where the last one’s tail begins. */
const LAYERS = 256;
const TAIL = 3.6541528853610088;
const AREA = 0.00492867323399;

/** Right edges of the layers, from the tail inward, and the height of the bell over each. */
const EDGES = new Float64Array(LAYERS + 1);
const HEIGHTS = new Float64Array(LAYERS + 1);
const bell = (x: number): number => Math.exp(-0.5 * x * x);
EDGES[0] = AREA / bell(TAIL);
EDGES[1] = TAIL;
for (let i = 2; i < LAYERS; i += 1) {
  const outer = EDGES[i - 1] as number;
  EDGES[i] = Math.sqrt(-2 * Math.log(AREA / outer + bell(outer)));
}
EDGES[LAYERS] = 0;
for (let i = 0; i <= LAYERS; i += 1) HEIGHTS[i] = bell(EDGES[i] as number);

const STEP = 0x6d2b79f5;
const TWO_32 = 4294967296;
/** Step from one place of a layer to the next: 24 bits over its whole width. */
const PLACE = 2 ** -23;

/** One round of the generator: 32 bits of its next state. */
function bits(state: number): number {
  let t = Math.imul(state ^ (state >>> 15), 1 | state);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return (t ^ (t >>> 14)) >>> 0;
}

/**
 * Draws several rows at once, column by column, the same for the same seed.
 *
 * @param seed any whole number
 * @param shapes of the rows
 * @returns what fills the next `count` columns of the rows from `from` on
 * @source mulberry32 for the bits; Marsaglia and Tsang (2000), ziggurat, with layer and place from bits apart, as
 *   Doornik (2005) asks
 */
export function seededDraws(
  seed: number,
  shapes: readonly DrawShape[],
): (rows: readonly Float64Array[], from: number, count: number) => void {
  const flat = Uint8Array.from(shapes, (s) => Number(s.flat));
  const middle = Float64Array.from(shapes, (s) => s.middle);
  const width = Float64Array.from(shapes, (s) => s.width);
  let state = seed | 0;
  const even = (): number => {
    state = (state + STEP) | 0;
    return bits(state) / TWO_32;
  };

  /** A draw beside the boxes that lie wholly under the bell: in a layer’s corner, or in the tail. */
  function beside(layer: number, x: number): number {
    for (;;) {
      if (layer === 0) return tail(x < 0);
      const [low, high] = [HEIGHTS[layer] as number, HEIGHTS[layer + 1] as number];
      if (low + even() * (high - low) < bell(x)) return x;
      layer = Math.floor(even() * LAYERS);
      x = (2 * even() - 1) * (EDGES[layer] as number);
      if (Math.abs(x) < (EDGES[layer + 1] as number)) return x;
    }
  }

  function tail(left: boolean): number {
    for (;;) {
      const x = -Math.log(1 - even()) / TAIL;
      if (-2 * Math.log(1 - even()) >= x * x) return left ? -TAIL - x : TAIL + x;
    }
  }

  return (rows, from, count) => {
    const end = from + count;
    for (let k = 0; k < width.length; k += 1) {
      const row = rows[k] as Float64Array;
      const [m, w] = [middle[k] as number, width[k] as number];
      if (flat[k] === 1) {
        for (let n = from; n < end; n += 1) row[n] = m + (2 * even() - 1) * w;
        continue;
      }
      // Kept at hand within the row: only what lies beside the boxes draws more.
      let at = state;
      for (let n = from; n < end; n += 1) {
        at = (at + STEP) | 0;
        const drawn = bits(at);
        // The last eight bits are the layer, the others the place in it: neither says anything of the other.
        const layer = drawn & (LAYERS - 1);
        const x = ((drawn >>> 8) * PLACE - 1) * (EDGES[layer] as number);
        if (Math.abs(x) < (EDGES[layer + 1] as number)) {
          row[n] = m + x * w;
          continue;
        }
        state = at;
        row[n] = m + beside(layer, x) * w;
        at = state;
      }
      state = at;
    }
  };
}
