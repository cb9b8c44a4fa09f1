import fc from 'fast-check';
import { expect, it } from 'vitest';
import { directiveFor, DIRECTIVE_FIELDS, saidByDirective, type DirectiveField } from './index.ts';

const yesNo = fc.constantFrom('yes', 'no');
const most = fc.integer({ min: -1, max: 100_000 });
const WORDS: Readonly<Record<DirectiveField, fc.Arbitrary<string | number>>> = {
  follow: yesNo,
  snippet: most,
  image: fc.constantFrom('none', 'standard', 'large'),
  video: most,
  archive: yesNo,
  translate: yesNo,
  pictures: yesNo,
  until: fc.constantFrom('', '2027-01-31'),
};

it.each(DIRECTIVE_FIELDS)('the owner’s word about %s is read back from the directive that it makes', (field) =>
  fc.assert(
    fc.property(WORDS[field], (word) => {
      expect(saidByDirective(field, directiveFor(field, word))).toBe(word);
    }),
  ),
);
it('what no word of the owner makes is not read back', () => {
  for (const field of DIRECTIVE_FIELDS) expect(saidByDirective(field, 'something else')).toBeUndefined();
});
