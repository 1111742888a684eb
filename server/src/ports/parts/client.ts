import { counterSchema } from '@intervex/contract/ports/parts';
import type { PartKind, PartOffer } from '@intervex/core';
import { askUpstream } from '../upstream';

/**
 * Asks the parts counter for all it has of one kind.
 *
 * @throws UpstreamAway with the reason in words
 */
export async function askCounter(url: string, kind: PartKind): Promise<readonly PartOffer[]> {
  const address = new URL('/parts', url);
  address.searchParams.set('kind', kind);
  const { offers } = await askUpstream({ of: 'the counter', address, schema: counterSchema });
  return offers;
}
