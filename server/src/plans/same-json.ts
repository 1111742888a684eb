/**
 * Whether two values that came as JSON are the same, whatever the order of their fields. Looks at nothing that a value
 * could bring along to answer for itself, such as a field called `toString`, and is some times faster than Node.js’s own.
 *
 * @example same({ a: [1, 2] }, { a: [1, 2] }) // true
 */
export function same(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) || Array.isArray(b)) return Array.isArray(a) && Array.isArray(b) && sameList(a, b);
  return sameFields(a as Fields, b as Fields);
}

const sameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((one, i) => same(one, b[i]));

function sameFields(a: Fields, b: Fields): boolean {
  const keys = Object.keys(a);
  if (keys.length !== Object.keys(b).length) return false;
  for (const key of keys) if (!Object.hasOwn(b, key) || !same(a[key], b[key])) return false;
  return true;
}

type Fields = Readonly<Record<string, unknown>>;
