import type { Random } from '../numerics';

export const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;

export const between = (random: Random, low: number, high: number): number => low + random() * (high - low);

export const some = <T>(
  random: Random,
  ids: readonly string[],
  share: number,
  make: (id: string) => T,
): Record<string, T> =>
  Object.fromEntries(ids.flatMap((id) => (random() < share ? [[id, make(id)] as const] : [])));
