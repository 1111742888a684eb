import { select } from 'd3-selection';
import { zoom, zoomIdentity, ZoomTransform } from 'd3-zoom';
import { WHOLE, type Zoom } from '@intervex/core';

/** How many times larger than whole a drawing may be shown. */
const MOST_ZOOM = 40;
/** What moves and enlarges a drawing by wheel, pinch, drag and keys. */
export interface Zooming {
  readonly to: (zoom: Zoom) => void;
  readonly by: (factor: number) => void;
  readonly whole: () => void;
  /** Moves by px on the screen. */
  readonly pan: (x: number, y: number) => void;
  readonly end: () => void;
}

/**
 * Lets a drawing be moved and enlarged.
 *
 * @param changed is told each new place
 */
export function zoomable(svg: SVGSVGElement, changed: (zoom: Zoom) => void): Zooming {
  let now = WHOLE;
  // One finger scrolls the page while the drawing is whole; what can be clicked or dragged is left alone.
  const wanted = (event: Event): boolean => {
    const { target } = event;
    if (event.type !== 'wheel' && target instanceof Element && target.closest('.handle, .dimension'))
      return false;
    if (event instanceof TouchEvent && event.touches.length < 2 && now.k <= 1) return false;
    return !(event as MouseEvent).button;
  };
  const behaviour = zoom<SVGSVGElement, unknown>()
    .scaleExtent([1, MOST_ZOOM])
    .filter(wanted)
    // Whole, it stays in its box; enlarged, its middle stays in sight.
    .constrain((transform, [[x0, y0], [x1, y1]]) => {
      if (transform.k <= 1) return zoomIdentity;
      const held = (at: number, size: number) =>
        Math.min(size / 2, Math.max(at, size / 2 - size * transform.k));
      return new ZoomTransform(transform.k, held(transform.x, x1 - x0), held(transform.y, y1 - y0));
    })
    .on('zoom', ({ transform: { k, x, y } }: { transform: ZoomTransform }) => {
      now = { k, x, y };
      changed(now);
    });
  const picture = select(svg);
  picture.call(behaviour).on('dblclick.zoom', null);
  const by = (factor: number) => {
    behaviour.scaleBy(picture, factor);
  };
  const whole = () => {
    behaviour.transform(picture, zoomIdentity);
  };
  const pan = (x: number, y: number) => {
    behaviour.translateBy(picture, x / now.k, y / now.k);
  };
  return {
    by,
    pan,
    whole,
    to: ({ k, x, y }) => {
      behaviour.transform(picture, new ZoomTransform(k, x, y));
    },
    end: () => {
      picture.on('.zoom', null);
    },
  };
}
