import type { Check } from './check.ts';

/** Letters beyond ASCII and no word about their encoding: a browser takes them for windows-1252 unless the host says otherwise, as many do (HTML standard, 4.2.5.4). */
export const charsetMissing: Check<{ readonly code: 'charset-missing' }> = {
  code: 'charset-missing',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: true,
  fix: () => ({ do: 'say-charset' }),
  look: ({ facts }) => (facts.encoding.from === 'guess' ? { code: 'charset-missing' } : undefined),
};
