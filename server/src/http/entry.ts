import type { IncomingMessage, RequestListener } from 'node:http';

/** A way into the application: an address it listens on. */
export interface Entry {
  /** Open to others in the workshop; false for the loopback of this computer. */
  readonly shared: boolean;
  /** Names by which a browser may call it, without port: `127.0.0.1`, `[::1]`. */
  readonly names: readonly string[];
}

/** This computer alone. */
export const HERE: Entry = { shared: false, names: ['127.0.0.1', 'localhost', '[::1]'] };

const entries = new WeakMap<IncomingMessage, Entry>();

/** Hands requests on and remembers by which entry they came. */
export const through =
  (entry: Entry, app: RequestListener): RequestListener =>
  (request, response) => {
    entries.set(request, entry);
    app(request, response);
  };

/** The entry a request came by. */
export const entryOf = (request: IncomingMessage): Entry => entries.get(request) ?? HERE;
