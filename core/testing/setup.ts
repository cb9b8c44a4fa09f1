import fc from 'fast-check';
import { afterAll, expect } from 'vitest';
import { quick, runs } from './effort.ts';

// The quick suite and `npm test` say the same of the same code each time, so that a commit is good or it is not. `npm run slow` goes hunting: it
// draws other cases at each run, and prints the seed of what fails.
const repeatable = quick || process.env['REPEATABLE'] !== undefined;
fc.configureGlobal({ numRuns: runs(100), ...(repeatable ? { seed: 20_261_201 } : {}) });

// Test files share one context in each thread: a third of the time went into importing the same modules again for each of them.
// So none may leave a global changed for the next one, and each that asks for a database of the browser's gets an empty one.
if ('IDBFactory' in globalThis) globalThis.indexedDB = new IDBFactory();
const before = globals();
afterAll(() => expect(globals()).toEqual(before));

function globals(): readonly string[] {
  return Object.getOwnPropertyNames(globalThis)
    .filter((name) => !/^__|^IDB|^indexedDB$/.test(name))
    .sort();
}
