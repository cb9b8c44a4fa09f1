import { describe, expect, it } from 'vitest';
import { TABLES } from '../../../core/site/index.ts';
import { DIRECTIVE_CHOICES, directivePhrase } from './directive-words.ts';

const shape = TABLES.directives.shape;

describe('what can be said to engines', () => {
  it('offers every word there is, but the intent, which has its own switch', () =>
    expect(DIRECTIVE_CHOICES.map(({ field }) => field).sort()).toEqual(
      Object.keys(shape)
        .filter((field) => field !== 'intent')
        .sort(),
    ));
  it('offers only what can be kept', () => {
    for (const choice of DIRECTIVE_CHOICES) {
      const field = shape[choice.field];
      if (choice.kind === 'choice') for (const [value] of choice.options) expect(field.safeParse(value).success, `${choice.field} ${value}`).toBe(true);
      if (choice.kind === 'limit') {
        for (const [value] of choice.options) if (value !== 'most') expect(field.safeParse(Number(value)).success, `${choice.field} ${value}`).toBe(true);
        expect(field.safeParse(choice.start).success).toBe(true);
      }
    }
  });
  it.each([
    ['follow', 'no', 'links not followed'],
    ['follow', 'yes', 'links followed'],
    ['snippet', 0, 'no text'],
    ['snippet', -1, 'any length of text'],
    ['snippet', 160, 'at most 160 characters'],
    ['image', 'none', 'no picture'],
    ['image', 'standard', 'a small picture'],
    ['image', 'large', 'a large picture'],
    ['video', 0, 'no moving preview'],
    ['video', -1, 'any length of video'],
    ['video', 10, 'at most 10 s of video'],
    ['archive', 'no', 'no stored copy'],
    ['translate', 'no', 'no translation'],
    ['pictures', 'no', 'pictures not listed'],
    ['until', '2027-01-31', 'until 2027-01-31'],
    ['until', '', 'no end'],
  ] as const)('%s %j is told as “%s”', (field, value, words) => expect(directivePhrase(field, value)).toBe(words));
});
