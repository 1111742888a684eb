import type { Page } from '@playwright/test';

/**
 * What is cut off, pushed out of its place or laid over something else on the page as it stands: text that its box does
 * not hold, words that run out of the window or of their drawing, words over other words, a figure on two lines.
 *
 * @returns a line for each, with the words it is about; empty where all is whole
 */
export const crowded = (page: Page): Promise<string[]> => page.evaluate(lookOver);

/** Runs in the page: all that it uses stands in it. */
function lookOver(): string[] {
  const SLACK = 1.5;
  interface Word {
    readonly text: string;
    readonly element: Element;
    readonly box: DOMRect;
  }
  const found: string[] = [];
  const short = (text: string) => text.replace(/\s+/g, ' ').trim().slice(0, 60);
  const nameOf = (e: Element) => `${e.tagName.toLowerCase()}.${e.getAttribute('class') ?? ''}`;
  const say = (what: string, e: Element, text: string) =>
    found.push(`${what}: “${short(text)}” in ${nameOf(e)}`);
  const HIDDEN = '.hidden, .cdk-visually-hidden, [hidden]';
  const visible = (e: Element): boolean => {
    const { visibility, display, opacity } = getComputedStyle(e);
    return visibility !== 'hidden' && display !== 'none' && Number(opacity) > 0 && !e.closest(HIDDEN);
  };
  /** What lies on top of everything else by intent. */
  const OVER = '.cdk-overlay-container, .drawer, .hover, ix-dimension-editor, nav[aria-label=Groups], .skip';
  /** In what is swiped across by hand, such as the stages on a phone. */
  const SWIPED = 'ix-strip dl, ix-rail nav, .scrolls';

  const meet = (a: DOMRect, b: DOMRect): DOMRect => {
    const [left, right] = [Math.max(a.left, b.left), Math.min(a.right, b.right)];
    const [top, bottom] = [Math.max(a.top, b.top), Math.min(a.bottom, b.bottom)];
    return new DOMRect(left, top, Math.max(0, right - left), Math.max(0, bottom - top));
  };
  /** The part of a box that is in sight: what scrolls or is shortened cuts the rest off. */
  function inSight(element: Element, whole: DOMRect): DOMRect | undefined {
    let box = whole;
    for (let up: Element | null = element; up; up = up.parentElement) {
      const { overflowX, overflowY } = getComputedStyle(up);
      if (overflowX !== 'visible' || overflowY !== 'visible') box = meet(box, up.getBoundingClientRect());
    }
    const index = element.closest('ix-panel')?.querySelector('nav[aria-label=Groups]');
    if (index && !index.contains(element) && getComputedStyle(index).position === 'sticky') {
      const { bottom } = index.getBoundingClientRect();
      box = meet(box, new DOMRect(box.left, bottom, box.width, Math.max(0, box.bottom - bottom)));
    }
    return box.width > 1 && box.height > 1 ? box : undefined;
  }

  function fields(): void {
    for (const field of document.querySelectorAll<HTMLInputElement>('input.figure'))
      if (visible(field) && field.scrollWidth > field.clientWidth + SLACK)
        say('cut off', field, field.value || field.placeholder);
    const pen = document.createElement('canvas').getContext('2d');
    for (const select of document.querySelectorAll('select')) {
      const option = select.selectedOptions[0];
      if (!visible(select) || !option || !pen) continue;
      const style = getComputedStyle(select);
      pen.font = `${style.fontWeight} ${style.fontSize} ${style.fontFamily}`;
      const sides = Number.parseFloat(style.paddingLeft) + Number.parseFloat(style.paddingRight);
      // The arrow takes some of it.
      if (pen.measureText(option.text).width > select.clientWidth - sides - 16 + SLACK)
        say('cut off', select, option.text);
    }
  }

  /** Words, one box a line. */
  function wordsOf(): Word[] {
    const words: Word[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const element = node.parentElement;
      const text = node.textContent ?? '';
      if (!element || !text.trim() || !visible(element) || element.closest('select, textarea, script, style'))
        continue;
      const range = document.createRange();
      range.selectNodeContents(node);
      const boxes = [...range.getClientRects()].filter((b) => b.width > 0.5 && b.height > 0.5);
      for (const box of boxes) words.push({ text, element, box });
      if (boxes.length > 1 && element.closest('.figure, .mean') && !element.closest('.lack'))
        say('on two lines', element, text);
    }
    return words;
  }

  function inDrawing({ text, element, box }: Word, svg: Element): void {
    const frame = svg.getBoundingClientRect();
    const sides = [
      frame.left - box.left,
      box.right - frame.right,
      frame.top - box.top,
      box.bottom - frame.bottom,
    ];
    if (Math.max(...sides) > SLACK) say('out of the drawing', element, text);
  }

  /** Words that run out of the window, or out of what holds them; a name that is shortened says itself whole. */
  function held(word: Word): void {
    const { text, element, box } = word;
    const svg = element.closest('svg');
    if (svg) {
      inDrawing(word, svg);
      return;
    }
    if (element.closest('.shortened[title]') || !inSight(element, box)) return;
    const outside = box.left < -SLACK || box.right > window.innerWidth + SLACK;
    if (outside && !element.closest(SWIPED)) say('out of the window', element, text);
    for (let up: Element | null = element; up && up !== document.body; up = up.parentElement) {
      if (getComputedStyle(up).overflowX === 'visible') continue;
      const frame = up.getBoundingClientRect();
      if (box.right > frame.right + SLACK || box.left < frame.left - SLACK) say('cut off', element, text);
      break;
    }
  }

  const apart = (a: Word, b: Word): boolean => {
    if (a.element.contains(b.element) || b.element.contains(a.element)) return true;
    const both = meet(a.box, b.box);
    // Line boxes are higher than their letters.
    return both.width <= 2 || both.height <= Math.max(3, 0.3 * Math.min(a.box.height, b.box.height));
  };
  function overOneAnother(boxes: readonly Word[]): void {
    boxes.forEach((a, i) => {
      for (const b of boxes.slice(i + 1)) {
        if (b.box.left > a.box.right) break;
        if (!apart(a, b)) say(`one over another: “${short(a.text)}” and`, b.element, b.text);
      }
    });
  }
  function fieldsOver(boxes: readonly Word[]): void {
    for (const field of document.querySelectorAll('input.box, select, mat-button-toggle-group')) {
      const frame =
        visible(field) && !field.closest(OVER) ? inSight(field, field.getBoundingClientRect()) : undefined;
      if (!frame) continue;
      for (const { text, element, box } of boxes) {
        const both = meet(frame, box);
        if (!field.contains(element) && both.width > 2 && both.height > 4) say('a field over', field, text);
      }
    }
  }

  fields();
  const words = wordsOf();
  words.forEach(held);
  const boxes = words.flatMap((word) => {
    const box = word.element.closest(OVER) ? undefined : inSight(word.element, word.box);
    return box ? [{ ...word, box }] : [];
  });
  boxes.sort((a, b) => a.box.left - b.box.left);
  overOneAnother(boxes);
  fieldsOver(boxes);
  if (document.documentElement.scrollWidth > window.innerWidth + SLACK)
    found.push('the page is wider than its window');
  return [...new Set(found)];
}
