import type { Request, RequestHandler, Router } from 'express';
import { identityOf, type Identity } from '../people/identity';
import { MATRIX, type Cell, type RouteKey, type Row } from '../people/matrix';
import { refused } from './refusal';

/** Opens a route of the matrix. Only who may is let through to its handlers. */
export function open(router: Router, key: RouteKey, ...handlers: RequestHandler[]): void {
  openAt(router, key, key.slice(key.indexOf(' ') + 1), ...handlers);
}

/** Opens a route of the matrix at one of the addresses that it stands for. */
export function openAt(router: Router, key: RouteKey, path: string, ...handlers: RequestHandler[]): void {
  const method = key.slice(0, key.indexOf(' ')).toLowerCase() as 'get' | 'post' | 'put' | 'patch' | 'delete';
  const door: RequestHandler = async (request, _response, next) => {
    await admitted(MATRIX[key], request);
    next();
  };
  router[method](path, door, ...handlers);
}

async function admitted(row: Row, request: Request): Promise<void> {
  if (row === 'anyone') return;
  const identity = identityOf(request);
  if (!identity)
    throw refused('login', 'Say who you are first.', [
      { field: 'session', wrong: 'is not there, or has ended', right: 'to log in' },
    ]);
  await admit(row, identity, String(request.params['id'] ?? ''));
}

/**
 * Lets through whoever may.
 *
 * @param id what it is about
 * @throws Refused that names the role
 */
export async function admit(row: Row, identity: Identity, id: string): Promise<void> {
  if (row !== 'anyone' && !(await may(row[identity.role], identity, id.toLowerCase())))
    throw refused('forbidden', notAllowed(identity), [
      { field: 'role', wrong: `is ${identity.role}`, right: 'to ask the owner, who may' },
    ]);
}

const notAllowed = ({ role }: Identity): string =>
  role === 'guest'
    ? 'A guest looks at the one variant that the link was made for.'
    : `A ${role} may not do this. The owner may.`;

async function may(cell: Cell, { variant = '', hasPhoto }: Identity, id: string): Promise<boolean> {
  switch (cell) {
    case true:
    case 'bench':
      return true;
    case false:
      return false;
    case 'variant':
      return id === variant;
    case 'photo':
      return (await hasPhoto?.(id)) ?? false;
  }
}
