import fc from 'fast-check';
import { afterAll, expect } from 'vitest';
import { quick, runs } from './effort.ts';

// The quick suite says the same each time; the slow one draws other cases at each run, and prints the seed of what fails.
fc.configureGlobal({ numRuns: runs(100), ...(quick ? { seed: 20_261_201 } : {}) });

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
