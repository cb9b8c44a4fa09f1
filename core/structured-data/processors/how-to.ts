import * as f from '../fields.ts';
import type { Processor } from '../field.ts';

/** How something is done, step by step. */
export const howTo: Processor = {
  id: 'how-to',
  type: 'HowTo',
  isPage: false,
  fields: [f.name, f.description, f.image, f.totalTime, f.supply, f.steps, f.inLanguage],
};
