import { describe, expect, it } from 'vitest';
import { page as gearset } from './gearset/operator';
import { page as maker } from './maker/operator';
import { page as parts } from './parts/operator';

describe('pages of the operators', () => {
  it.each([
    ['gear sets', gearset, ['failing', 'nonsense', 'slowMs', 'seed'], '/shelf'],
    ['maker', maker, ['failing', 'nonsense', 'slowMs'], '/shop/orders'],
    ['parts', parts, ['failing', 'outOfStock', 'slowMs'], '/modes'],
  ])('%s: have a field for each way of behaving, and a script that can be read', (_name, page, names, asks) => {
    expect([...page.matchAll(/<input [^>]*name="(\w+)"/g)].map(([, name]) => name)).toEqual(names);
    expect(page).toContain(asks);
    const [, script = ''] = /<script type="module">([\s\S]*)<\/script>/.exec(page) ?? [];
    const Async = Object.getPrototypeOf(async () => undefined).constructor as FunctionConstructor;
    expect(() => new Async(script)).not.toThrow();
  });
});
