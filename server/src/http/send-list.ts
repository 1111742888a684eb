import type { Response } from 'express';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';

/** What a list is written as, entry by entry. */
function* parts(entries: readonly string[]): Generator<string> {
  for (const [i, entry] of entries.entries()) yield `${i === 0 ? '[' : ','}${entry}`;
  yield entries.length === 0 ? '[]' : ']';
}

/** Sends a list whose entries are JSON already, one after the other: others are answered in between. */
export async function sendList(response: Response, entries: readonly string[]): Promise<void> {
  response.type('json');
  try {
    await pipeline(Readable.from(parts(entries)), response);
  } catch (error) {
    // Whoever asked has hung up: nobody is left to be told.
    if (!response.destroyed) throw error;
  }
}
