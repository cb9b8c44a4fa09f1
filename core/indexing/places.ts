import { positionOf } from '../source/index.ts';
import type { GateName, WayIn } from './way-in.ts';

/** Line and column, counted from 1, of what decided at a gate; none for gates at which nothing in the page decided. */
export type GatePlaces = Readonly<Partial<Record<GateName, { readonly line: number; readonly column: number }>>>;

/** Where in the page's text stands what decided, gate by gate. */
export function gatePlaces({ gates }: WayIn, text: string): GatePlaces {
  return Object.fromEntries(gates.flatMap(({ name, place }) => (place === undefined ? [] : [[name, positionOf(text, place)]])));
}
