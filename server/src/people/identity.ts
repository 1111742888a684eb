import type { Request } from 'express';
import type { Role } from './matrix';

/** Who sent a request. */
export interface Identity {
  readonly role: Role;
  /** What his streams, photos and entries in the audit stand under: `here`, `person:…`, `guest:…`. */
  readonly key: string;
  /** Name that stands beside what he does; left out where nothing is shared and the page says who is at the bench. */
  readonly name?: string;
  /** Variant that a guest may see. */
  readonly variant?: string;
  /** When he may no longer, ms since 1970. */
  readonly until?: number;
  /** Whether a photo belongs to the plan of that variant. */
  readonly hasPhoto?: (photo: string) => Promise<boolean>;
}

/** Who changes something where nothing is shared, as it is written down. */
export const AT_THE_COMPUTER = 'this computer';
/** What stands where nobody said who he is. */
const NOBODY = 'bench';
/** The one who works at this computer while nothing is shared. */
export const ALONE: Identity = { role: 'owner', key: 'here' };

const known = new WeakMap<Request, Identity>();

export const setIdentity = (request: Request, identity: Identity): void => {
  known.set(request, identity);
};

/** Who sent the request; nothing where he has not said. */
export const identityOf = (request: Request): Identity | undefined => known.get(request);

/** Who sent the request. Routes that are open to anyone must not ask. */
export function whoAsks(request: Request): Identity {
  const identity = known.get(request);
  if (!identity) throw new Error('Nobody is known at a route that is open to anyone.');
  return identity;
}

/** Name beside what is done: the server’s where people are known to it, else what the page says. */
export const asks = (request: Request, told?: string): string => whoAsks(request).name ?? told ?? NOBODY;

/** Who changes a plan, and what of it he may change. */
export interface Editor {
  readonly who: string;
  /** The server knows him: what he changes carries his name, whatever it came with. */
  readonly named: boolean;
  /** Only what is read and done at the bench. */
  readonly benchOnly: boolean;
}

export function editorOf(request: Request, told?: string): Editor {
  const { name, role } = whoAsks(request);
  return { who: asks(request, told), named: name !== undefined, benchOnly: role === 'helper' };
}
