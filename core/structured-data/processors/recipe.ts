import * as f from '../fields.ts';
import type { Processor } from '../field.ts';

/** How something is cooked. */
export const recipe: Processor = {
  id: 'recipe',
  type: 'Recipe',
  isPage: false,
  parts: { aggregateRating: 'AggregateRating' },
  fields: [
    f.name,
    f.description,
    f.image,
    f.author,
    f.datePublished,
    f.totalTime,
    f.asked('recipeYield'),
    f.recipeIngredient,
    f.recipeInstructions,
    ...f.rating,
  ],
};
