/** How hard to try: 0 in `npm run unit`, 1 in `npm run slow`; a larger number in `EFFORT` multiplies the cases of each property. */
const EFFORT = Number(process.env['EFFORT'] ?? 0);
/** Whether this is the quick suite. */
export const quick = EFFORT === 0;
/** What keeps a test out of the quick suite: it is run by `npm run slow` alone. */
export const SLOW = { tags: ['slow'] };

/** The cases that a property draws: `many` in the slow suite, a few in the quick one. */
export function runs(many: number): number {
  return quick ? Math.min(many, 40, Math.max(5, Math.ceil(many / 20))) : Math.ceil(many * EFFORT);
}
