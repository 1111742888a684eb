import { planFromStore, type Plan } from '@intervex/core';
import { LRUCache } from 'lru-cache';

/** A plan as it was read from its row, brought up to date. */
export interface ReadPlan {
  /** When its revision was written, to the microsecond: another row of the same number was written at another time. */
  readonly at: string;
  readonly plan: Plan;
  readonly dropped: readonly string[];
  /** The plan as it goes over the wire. */
  readonly json: string;
}

/** Most variants whose newest plan is remembered. */
const MOST = 200;

const newest = new LRUCache<string, ReadPlan>({ max: MOST });

/** The plan of a variant that was read last. */
export const remembered = (variant: string): ReadPlan | undefined => newest.get(variant);

export function remember(variant: string, read: ReadPlan): ReadPlan {
  newest.set(variant, read);
  return read;
}

/** Reads a plan as it was stored. */
export function readStored(at: string, version: number, stored: unknown): ReadPlan {
  const { plan, dropped } = planFromStore(version, stored);
  return { at, plan, dropped, json: JSON.stringify(plan) };
}
