import type { Zooming } from './zoom';
import { zoomByKey, zoomWhenAsked } from './zooming';

interface Place {
  readonly k: number;
  readonly x: number;
  readonly y: number;
}

/** A drawing of 400 × 200 px in a page. */
function drawing(): SVGSVGElement {
  const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
  svg.setAttribute('width', '400');
  svg.setAttribute('height', '200');
  Object.assign(svg, {
    width: { baseVal: { value: 400 } },
    height: { baseVal: { value: 200 } },
  });
  document.body.append(svg);
  return svg;
}

let svg: SVGSVGElement;
let places: Place[];
let zooming: Zooming;
const last = async (): Promise<Place> => {
  await vi.waitFor(() => {
    expect(places.length).toBeGreaterThan(0);
  });
  return places.at(-1) as Place;
};

beforeEach(() => {
  svg = drawing();
  places = [];
  zooming = zoomWhenAsked(svg, (place) => places.push(place));
});
afterEach(() => {
  zooming.end();
  svg.remove();
});

describe('a drawing that is moved and enlarged', () => {
  it('takes the wheel that was turned before what answers it was there', async () => {
    const turned = new WheelEvent('wheel', { deltaY: -200, clientX: 100, clientY: 50, cancelable: true });
    svg.dispatchEvent(turned);
    // The page does not scroll meanwhile.
    expect(turned.defaultPrevented).toBe(true);
    const { k, x, y } = await last();
    expect(k).toBeGreaterThan(1.2);
    // What is under the pointer stays there: 100 = x + 100 k.
    expect(x + 100 * k).toBeCloseTo(100, 6);
    expect(y + 50 * k).toBeCloseTo(50, 6);
  });

  it('answers keys, and only those that mean something', async () => {
    expect(zoomByKey(zooming, 'q')).toBe(false);
    expect(zoomByKey(zooming, 'constructor')).toBe(false);
    expect(zoomByKey(zooming, '+')).toBe(true);
    expect((await last()).k).toBeCloseTo(1.5, 9);
    zoomByKey(zooming, '+');
    zoomByKey(zooming, 'ArrowLeft');
    const { k, x } = places.at(-1) as Place;
    zoomByKey(zooming, 'ArrowRight');
    expect(k).toBeCloseTo(2.25, 9);
    expect((places.at(-1) as Place).x).toBeCloseTo(x - 60, 6);
    zoomByKey(zooming, '0');
    expect(places.at(-1)).toEqual({ k: 1, x: 0, y: 0 });
  });

  it('is whole without anything being fetched for it', async () => {
    zooming.whole();
    await new Promise((next) => setTimeout(next, 30));
    expect(places).toEqual([]);
    zooming.to({ k: 3, x: -200, y: -90 });
    expect(await last()).toEqual({ k: 3, x: -200, y: -90 });
  });
});
