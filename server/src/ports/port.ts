import type { Router } from 'express';
import type { Pool } from '../db/pool';
import type { Listens } from '../live/line';
import type { WorkPool } from '../work/pool';

/** Something outside that the application reaches by HTTP, at an address from the environment. */
export interface Port {
  readonly id: string;
  /** What the page reaches it through. @param url where it stands; undefined where there is none */
  readonly routes: (pool: Pool, url: string | undefined, work: WorkPool) => Router;
  /** How pages listen to what measures there. */
  readonly listens?: (url: string | undefined) => Listens;
  /** Goes on with what was cut off when the server ended. @returns how much of it is settled */
  readonly resume?: (pool: Pool, url: string | undefined) => Promise<number>;
}

/** Variable of the environment with a port’s address. */
const variableOf = (id: string): string => `INTERVEX_${id.toUpperCase()}_URL`;

/** Addresses of ports, by their ids; left out where there is none. */
export type Addresses = Readonly<Partial<Record<string, string>>>;

/**
 * Reads the ports’ addresses from the environment.
 *
 * @throws Error that names the variable and what would be right
 */
export function addressesOf(ports: readonly Port[], env: NodeJS.ProcessEnv): Addresses {
  const found: Record<string, string> = {};
  for (const { id } of ports) {
    const url = env[variableOf(id)];
    if (!url) continue;
    if (!URL.canParse(url))
      throw new Error(`${variableOf(id)} is “${url}”; it must be an address such as http://127.0.0.1:4301.`);
    found[id] = url;
  }
  return found;
}
