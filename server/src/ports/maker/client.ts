import { type MakerOrder, type MakerQuote } from '@intervex/contract';
import { makerOrderSchema, quoteSchema } from '@intervex/contract/ports/maker';
import type { ShaftOrder } from '@intervex/core/desks/shafts';
import { askUpstream } from '../upstream';

const OF = 'the shaft maker';

/** Asks the maker what an order costs and how long it takes. @throws UpstreamAway, UpstreamRefuses */
export const askQuote = (url: string, order: ShaftOrder): Promise<MakerQuote> =>
  askUpstream({ of: OF, address: new URL('/quotes', url), schema: quoteSchema, body: order });

/**
 * Pays a quote: the order is placed. The maker knows the key: asked again with it, it places nothing twice.
 *
 * @param key the same for every try of one order
 */
export const placeOrder = (url: string, number: string, key: string): Promise<MakerOrder> =>
  askUpstream({
    of: OF,
    address: new URL('/orders', url),
    schema: makerOrderSchema,
    body: { number, key },
  });

/** Where an order stands. */
export const askOrder = (url: string, number: string): Promise<MakerOrder> =>
  askUpstream({
    of: OF,
    address: new URL(`/orders/${encodeURIComponent(number)}`, url),
    schema: makerOrderSchema,
  });

/** Tells the maker that what came is on its way back. */
export const returnOrder = (url: string, number: string, reason: string): Promise<MakerOrder> =>
  askUpstream({
    of: OF,
    address: new URL(`/orders/${encodeURIComponent(number)}/return`, url),
    schema: makerOrderSchema,
    body: { reason },
    once: true,
  });
