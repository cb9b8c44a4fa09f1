import * as f from '../fields.ts';
import type { Processor } from '../field.ts';

/** Something that takes place at a time. */
export const event: Processor = {
  id: 'event',
  type: 'Event',
  isPage: false,
  parts: { offers: 'Offer' },
  fields: [f.name, f.description, f.image, f.startDate, f.endDate, f.eventStatus, f.location, f.organizer, ...f.costs, f.availability, f.offerUrl],
};
