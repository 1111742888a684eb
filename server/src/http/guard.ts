import type { Request, RequestHandler } from 'express';
import { entryOf } from './entry';
import { isApi } from './is-api';
import { refused, type Refused } from './refusal';

/** Methods that change nothing. */
const LOOKS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);
/** Content types that a form of any page may send without being asked; also none at all. */
const SIMPLE: ReadonlySet<string> = new Set([
  '',
  'application/x-www-form-urlencoded',
  'multipart/form-data',
  'text/plain',
]);

/**
 * Lets in only what comes from this application’s own pages, or from a program that is no browser: the name it was
 * called by must be one of the entry’s, the page it comes from must be the same, and nothing is changed by a request
 * that any page could send without a question.
 */
export function guard(): RequestHandler {
  return (request, _response, next) => {
    const refusal = wrongName(request) ?? wrongPage(request) ?? simpleChange(request);
    if (refusal) throw refusal;
    next();
  };
}

const no = (field: string, wrong: string, right: string): Refused =>
  refused('forbidden', `This request is refused: its ${field} ${wrong}.`, [{ field, wrong, right }]);

/** A name that was pointed at this computer from outside carries the other’s name. */
function wrongName(request: Request): Refused | undefined {
  const host = request.headers.host ?? '';
  const { names } = entryOf(request);
  // A port that cannot be is no address of ours either.
  if (URL.canParse(`http://${host}`) && names.includes(hostname(host))) return undefined;
  return no('host', 'is not a name of this application', names.join(', '));
}

/** `[::1]` of `[::1]:4300`. */
const hostname = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');

function wrongPage(request: Request): Refused | undefined {
  const { origin, host = '' } = request.headers;
  if (origin !== undefined && !sameHost(origin, host))
    return no('origin', 'is another page', 'a page of this application, or none');
  const site = request.get('sec-fetch-site');
  if (site === undefined || site === 'same-origin' || site === 'none') return undefined;
  // Somebody may follow a link from elsewhere to a page of ours, but nothing of it is read or changed from there.
  const opened =
    request.get('sec-fetch-mode') === 'navigate' &&
    request.get('sec-fetch-dest') === 'document' &&
    LOOKS.has(request.method) &&
    !isApi(request.path);
  return opened ? undefined : no('sec-fetch-site', `is ${site.slice(0, 20)}`, 'same-origin');
}

function sameHost(origin: string, host: string): boolean {
  return URL.canParse(origin) && new URL(origin).host === new URL(`http://${host}`).host;
}

function simpleChange(request: Request): Refused | undefined {
  if (LOOKS.has(request.method) || request.method === 'DELETE') return undefined;
  const type = (request.get('content-type') ?? '').split(';')[0]?.trim().toLowerCase() ?? '';
  if (!SIMPLE.has(type)) return undefined;
  return refused('wrongType', 'The body’s type is one that any page may send.', [
    { field: 'content-type', wrong: type || 'is missing', right: 'application/json, or the type of the file' },
  ]);
}
