import { FieldOrder, type OrderedField } from './field-order';

describe('the next field', () => {
  it('is the one that stands next on the page, whenever it came there', () => {
    const order = new FieldOrder();
    const gone: string[] = [];
    const field = (name: string, before?: OrderedField): OrderedField => {
      const element = document.createElement('input');
      if (before) before.element.before(element);
      else document.body.append(element);
      return { element, focus: () => gone.push(name) };
    };
    const middle = field('middle');
    const last = field('last');
    const first = field('first', middle);
    const leave = [middle, last, first].map((f) => order.join(f));
    order.go(first, false);
    order.go(middle, false);
    order.go(middle, true);
    // At the end it stays.
    order.go(last, false);
    expect(gone).toEqual(['middle', 'last', 'first']);
    leave[0]?.();
    order.go(first, false);
    expect(gone.at(-1)).toBe('last');
  });
});
