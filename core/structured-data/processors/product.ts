import * as f from '../fields.ts';
import type { Processor } from '../field.ts';

/** A thing that can be bought. */
export const product: Processor = {
  id: 'product',
  type: 'Product',
  isPage: false,
  parts: { offers: 'Offer', aggregateRating: 'AggregateRating' },
  fields: [f.name, f.description, f.image, f.asked('brand'), f.asked('sku'), ...f.costs, f.availability, f.offerUrl, ...f.rating],
};
