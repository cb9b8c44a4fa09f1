import * as f from '../fields.ts';
import type { Processor } from '../field.ts';

/** Something that is done for others. */
export const service: Processor = {
  id: 'service',
  type: 'Service',
  isPage: false,
  parts: { offers: 'Offer', aggregateRating: 'AggregateRating' },
  fields: [f.name, f.description, f.image, f.asked('serviceType'), f.provider, f.areaServed, ...f.costs, f.offerUrl, ...f.rating],
};
