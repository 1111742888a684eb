import { readdirSync } from 'node:fs';
import { join, relative } from 'node:path';

/** Where specs stand, and by what they are run. */
const HOMES = /** @type {const} */ ({
  units: ['core', 'contract', 'server', 'standins', 'tools'],
  page: ['web'],
  journeys: ['e2e'],
});
const SKIPPED = new Set(['node_modules', 'dist', '.angular']);
/** @typedef {keyof typeof HOMES} Kind */

/** All specs below some folders of a place, from that place on. @param {string} root @returns {string[]} */
export function specsBelow(root) {
  /** @param {string} folder @returns {string[]} */
  const inside = (folder) =>
    readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
      const path = join(folder, entry.name);
      if (entry.isDirectory()) return SKIPPED.has(entry.name) ? [] : inside(path);
      return entry.name.endsWith('.spec.ts') ? [relative(root, path)] : [];
    });
  return Object.values(HOMES)
    .flat()
    .flatMap((home) => inside(join(root, home)));
}

/**
 * Specs that belong to places: a place is a folder, a file, or a name of one, such as a stage’s. A name is that of a folder, or the
 * beginning of a file’s.
 *
 * @param {readonly string[]} places @param {readonly string[]} specs
 * @returns {Record<Kind, string[]> & { unknown: string[], left: number }}
 * @example specsOf(['shafts'], ['core/src/stages/shafts/fit.spec.ts', 'e2e/journeys/shafts.spec.ts', 'tools/calc.spec.ts'])
 */
export function specsOf(places, specs) {
  const wanted = places.map((place) => place.replace(/^\.\//, '').replace(/\/+$/, ''));
  const isOf = (/** @type {string} */ spec, /** @type {string} */ place) => {
    if (place.includes('/'))
      return spec === place || spec.startsWith(`${place}/`) || spec.startsWith(`${place}.`);
    const parts = spec.split('/');
    return parts.slice(0, -1).includes(place) || (parts.at(-1) ?? '').startsWith(place);
  };
  const found = specs.filter((spec) => wanted.some((place) => isOf(spec, place)));
  // What a stage computes is held by the results of all worked plans, too.
  const held = specs.filter(
    (spec) => spec.startsWith('core/golden/golden.') && found.some((one) => one.startsWith('core/src/')),
  );
  const all = [...new Set([...found, ...held])];
  const of = (/** @type {Kind} */ kind) =>
    all.filter((spec) => HOMES[kind].some((home) => spec.startsWith(`${home}/`)));
  return {
    units: of('units'),
    page: of('page'),
    journeys: of('journeys'),
    unknown: places.filter((_, i) => !specs.some((spec) => isOf(spec, wanted[i] ?? ''))),
    left: specs.length - all.length,
  };
}
