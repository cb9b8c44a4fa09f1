import * as f from '../fields.ts';
import type { Processor } from '../field.ts';

/** A film that the page shows. */
export const video: Processor = {
  id: 'video',
  type: 'VideoObject',
  isPage: false,
  fields: [f.name, f.description, f.thumbnailUrl, f.uploadDate, f.contentUrl, f.embedUrl, f.duration],
};
