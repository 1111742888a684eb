import { TestBed } from '@angular/core/testing';
import { PressKeeper } from './press-keeper.service';

/** A bar with a button that stands at one place when it is pressed and at another when it is let go. */
function pressed(to: { x: number; y: number }, hand = { x: 0, y: 0 }, change?: (b: HTMLButtonElement) => void) {
  const stop = TestBed.inject(PressKeeper).watch();
  document.body.innerHTML = '<nav><button><span>Undo</span></button><i></i></nav>';
  const button = document.querySelector('button') as HTMLButtonElement;
  const [clicks, strays] = [vi.fn(), vi.fn()];
  button.addEventListener('click', clicks);
  const nav = document.querySelector('nav') as HTMLElement;
  nav.addEventListener('click', strays);
  const place = vi.spyOn(button, 'getBoundingClientRect');
  place.mockReturnValue(new DOMRect(100, 8, 32, 32));
  const mouse = { bubbles: true, button: 0, clientX: 113, clientY: 19 };
  document.querySelector('span')?.dispatchEvent(new MouseEvent('pointerdown', mouse));
  place.mockReturnValue(new DOMRect(100 + to.x, 8 + to.y, 32, 32));
  change?.(button);
  nav.dispatchEvent(
    new MouseEvent('click', { ...mouse, clientX: 113 + hand.x, clientY: 19 + hand.y, cancelable: true }),
  );
  stop();
  return { clicks: clicks.mock.calls.length, strays: strays.mock.calls.length };
}

describe('a press', () => {
  it('counts for what was pressed where that moved away under a still hand', () => {
    // The nav hears the click of the button that bubbles, and not the one that went astray.
    expect(pressed({ x: -38, y: 0 })).toEqual({ clicks: 1, strays: 1 });
    expect(pressed({ x: 0, y: 41 }, { x: 2, y: -3 })).toEqual({ clicks: 1, strays: 1 });
  });

  it('is given up where the hand slid off', () => {
    expect(pressed({ x: -38, y: 0 }, { x: 3, y: 4 })).toEqual({ clicks: 0, strays: 1 });
    expect(pressed({ x: 0, y: 0 }, { x: 2, y: 0 })).toEqual({ clicks: 0, strays: 1 });
  });

  it('of what is gone or shut does nothing', () => {
    const gone = (button: HTMLButtonElement) => button.remove();
    expect(pressed({ x: -38, y: 0 }, undefined, gone).clicks).toBe(0);
    const shut = (button: HTMLButtonElement) => (button.disabled = true);
    expect(pressed({ x: -38, y: 0 }, undefined, shut).clicks).toBe(0);
  });

  it('that arrives counts once, and none is kept for a later click', () => {
    const stop = TestBed.inject(PressKeeper).watch();
    document.body.innerHTML = '<button>Undo</button><p></p>';
    const button = document.querySelector('button') as HTMLButtonElement;
    const clicks = vi.fn();
    button.addEventListener('click', clicks);
    button.dispatchEvent(new MouseEvent('pointerdown', { bubbles: true, button: 0 }));
    button.click();
    expect(clicks).toHaveBeenCalledTimes(1);
    vi.spyOn(button, 'getBoundingClientRect').mockReturnValue(new DOMRect(9, 9, 9, 9));
    document.querySelector('p')?.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    expect(clicks).toHaveBeenCalledTimes(1);
    // A scroll that began on it is no press of it; nor is the other button of the mouse.
    for (const [button2, cancelled] of [
      [0, true],
      [2, false],
    ] as const) {
      button.dispatchEvent(new MouseEvent('pointerdown', { bubbles: true, button: button2 }));
      vi.spyOn(button, 'getBoundingClientRect').mockReturnValue(new DOMRect(40, 9, 9, 9));
      if (cancelled) button.dispatchEvent(new MouseEvent('pointercancel', { bubbles: true }));
      document.querySelector('p')?.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    }
    expect(clicks).toHaveBeenCalledTimes(1);
    stop();
  });
});
