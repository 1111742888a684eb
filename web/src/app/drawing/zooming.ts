import type { Zoom } from '@intervex/core';
import type { Zooming } from './zoom';

/** How much a key enlarges. */
const KEY_STEP = 1.5;
/** How far an arrow key moves, px. */
const KEY_PAN = 60;

const KEYS: Readonly<Record<string, (zooming: Zooming) => void>> = {
  '+': (z) => {
    z.by(KEY_STEP);
  },
  '=': (z) => {
    z.by(KEY_STEP);
  },
  '-': (z) => {
    z.by(1 / KEY_STEP);
  },
  '0': (z) => {
    z.whole();
  },
  ArrowLeft: (z) => {
    z.pan(KEY_PAN, 0);
  },
  ArrowRight: (z) => {
    z.pan(-KEY_PAN, 0);
  },
  ArrowUp: (z) => {
    z.pan(0, KEY_PAN);
  },
  ArrowDown: (z) => {
    z.pan(0, -KEY_PAN);
  },
};

/** Does what a key means to a drawing; false where it means nothing here. */
export function zoomByKey(zooming: Zooming, key: string): boolean {
  const act = Object.hasOwn(KEYS, key) ? KEYS[key] : undefined;
  act?.(zooming);
  return act !== undefined;
}

/**
 * Lets a drawing be moved and enlarged. What does it is fetched at the first wheel, touch, pointer or key upon the
 * drawing, and is told what it missed until then.
 *
 * @param changed is told each new place
 */
export function zoomWhenAsked(svg: SVGSVGElement, changed: (zoom: Zoom) => void): Zooming {
  let fetched: Promise<Zooming> | undefined;
  let here: Zooming | undefined;
  let ended = false;
  const listening = new AbortController();
  /** Does something once it is here; where it cannot be fetched, the next asking tries again. */
  const ask = (what: (zooming: Zooming) => void): void => {
    if (here) {
      what(here);
      return;
    }
    fetched ??= import('./zoom').then(({ zoomable }) => {
      listening.abort();
      here = zoomable(svg, changed);
      if (ended) here.end();
      return here;
    });
    fetched.then(what).catch(() => {
      fetched = undefined;
    });
  };
  const bring = () => {
    ask(() => undefined);
  };
  const on = <K extends keyof SVGSVGElementEventMap>(
    type: K,
    heard: (event: SVGSVGElementEventMap[K]) => void,
  ) => {
    svg.addEventListener(type, heard, { signal: listening.signal, passive: false });
  };
  on('pointerenter', bring);
  on('focus', bring);
  on('wheel', (event) => {
    event.preventDefault();
    ask(() => event.target?.dispatchEvent(new WheelEvent('wheel', event)));
  });
  on('touchstart', (event) => {
    const { touches, targetTouches, changedTouches } = event;
    const missed = {
      touches: [...touches],
      targetTouches: [...targetTouches],
      changedTouches: [...changedTouches],
    };
    ask(() =>
      event.target?.dispatchEvent(new TouchEvent('touchstart', { ...missed, bubbles: true, cancelable: true })),
    );
  });
  return {
    to: (zoom) => {
      ask((z) => {
        z.to(zoom);
      });
    },
    by: (factor) => {
      ask((z) => {
        z.by(factor);
      });
    },
    pan: (x, y) => {
      ask((z) => {
        z.pan(x, y);
      });
    },
    whole: () => {
      // Until it is here, nothing can have moved.
      if (fetched)
        ask((z) => {
          z.whole();
        });
    },
    end: () => {
      ended = true;
      listening.abort();
      here?.end();
    },
  };
}
