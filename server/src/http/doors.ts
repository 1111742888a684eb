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
  const admit: RequestHandler = async (request, _response, next) => {
    await admitted(MATRIX[key], request);
    next();
  };
  router[method](path, admit, ...handlers);
}

async function admitted(row: Row, request: Request): Promise<void> {
  if (row === 'anyone') return;
  const identity = identityOf(request);
  if (!identity)
    throw refused('login', 'Say who you are first.', [
      { field: 'session', wrong: 'is not there, or has ended', right: 'to log in' },
    ]);
  if (!(await may(row[identity.role], identity, request)))
    throw refused('forbidden', notAllowed(identity), [
      { field: 'role', wrong: `is ${identity.role}`, right: 'to ask the owner, who may' },
    ]);
}

const notAllowed = ({ role }: Identity): string =>
  role === 'guest'
    ? 'A guest looks at the one variant that the link was made for.'
    : `A ${role} may not do this. The owner may.`;

async function may(cell: Cell, { variant = '', hasPhoto }: Identity, request: Request): Promise<boolean> {
  const id = String(request.params['id'] ?? '').toLowerCase();
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
